import { Box, Button, Flex, Heading, HStack, Text } from "@chakra-ui/react";
import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  MeasuringStrategy,
  MouseSensor,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { BookOpen, Columns2, Gauge, RectangleHorizontal, Trash2 } from "lucide-react";
import { type KeyboardEvent, memo, useMemo, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { countLeaves, drawnPage, formatOf, openingOf, type Page } from "#core/document";
import { type PageFormat, seenBox } from "#core/lab";
import { book as words } from "../../../text/book.ts";
import { pace as paceWords } from "../../../text/pace.ts";
import { run } from "../../../text/pages.ts";
import { useKit } from "../../kit.ts";
import { PageThumb } from "../../parts/page-thumb.tsx";
import { TurningAsk } from "../../parts/turning-ask.tsx";
import { usePageCountWords } from "../../state/book-facts.ts";
import { useFacts } from "../../state/facts.ts";
import { useProject, useSession } from "../../state/hooks.ts";
import { joinPages, movePages, openThe, removeThePage, splitSpread } from "../../state/page-list.ts";
import { openPage } from "../../state/project-session.ts";
import { type Row, rowsOf } from "../../state/rows.ts";
import css from "../pages/page-run.module.css";
import { AddPages } from "../pages/panel/add-pages.tsx";
import { usePageKeys } from "../pages/use-page-keys.ts";
import { PaceChart } from "./pace-chart.tsx";
import { PaceDialog } from "./pace-dialog.tsx";

/** Measuring hundreds of places takes longer than showing them. */
const onlyWhileDragging = { droppable: { strategy: MeasuringStrategy.WhileDragging } };

const leafPx = 92;

/** All pages at once: to reorder, add and take away, with the pace of the book over them. */
export function OverviewPlace() {
  const kit = useKit();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const project = useProject((s) => s.project);
  const open = useProject(openPage);
  const facts = useFacts();
  const rows = useMemo(() => rowsOf(project), [project]);
  const count = usePageCountWords();
  const [pacing, setPacing] = useState(false);
  const [dragged, setDragged] = useState<readonly string[]>();
  const grid = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(MouseSensor, { activationConstraint: { distance: 5 } }));
  usePageKeys();
  const { pages } = project;
  const isBook = project.kind === "book";
  const opening = openingOf(project, open.id);
  const box = seenBox(project.format);
  const scale = leafPx / box.w;

  const go = (page: Page) => {
    openThe(kit, session, page);
    void navigate(`/work/${projectId}/pages`);
  };
  /** An opening goes before another, or behind it where that one came later; never between its pages. */
  const moveRow = (ids: readonly string[], overId: string) => {
    const from = rows.findIndex((r) => r.pages.some((p) => p.id === ids[0]));
    const onto = rows.findIndex((r) => r.pages.some((p) => p.id === overId));
    const before = rows.filter((_, i) => i !== from).slice(0, onto);
    movePages(
      kit,
      session,
      ids,
      before.reduce((sum, r) => sum + r.pages.length, 0),
    );
  };
  const end = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    const ids = active.data.current?.pageIds as readonly string[] | undefined;
    if (!ids || !over || ids.includes(String(over.id))) return;
    if (ids.length > 1) {
      moveRow(ids, String(over.id));
      return;
    }
    const rest = pages.filter((p) => !ids.includes(p.id));
    const at = rest.findIndex((p) => p.id === over.id);
    // Let go on a later page, it comes to lie behind that one.
    const later = pages.findIndex((p) => p.id === ids[0]) < pages.findIndex((p) => p.id === over.id);
    movePages(kit, session, ids, later ? at + 1 : at);
  };
  const onKeyDown = (e: KeyboardEvent) => {
    const at = pages.findIndex((p) => p.id === open.id);
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -1, ArrowDown: 1 }[e.key];
    if (by !== undefined && e.altKey) {
      const row = rows.findIndex((r) => r.pages.some((p) => p.id === open.id));
      const to = rows[row + by];
      if (e.shiftKey) movePages(kit, session, [open.id], at + by);
      else if (rows[row] && to)
        moveRow(
          rows[row].pages.map((p) => p.id),
          to.pages[0]!.id,
        );
    } else if (by !== undefined) {
      const next = pages[at + by];
      openThe(kit, session, next);
      if (next)
        requestAnimationFrame(() => grid.current?.querySelector<HTMLElement>(`[data-page="${next.id}"]`)?.focus());
    } else if (e.key === "Enter") go(open);
    else if (e.key === "Delete") removeThePage(kit, session);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };

  return (
    <Flex direction="column" h="full" minH="0">
      <Box px="8" pt="5" pb="3" borderBottomWidth="1px" borderColor="oat.300" bg="oat.25">
        <HStack justify="space-between" mb="3" gap="4" wrap="wrap">
          <Box>
            <Heading as="h1" fontSize="26px" fontWeight="520">
              {words.overview}
            </Heading>
            <Text fontSize="14px" color={count.fits ? "fg.muted" : "saffron.700"} role="status">
              {count.words}
            </Text>
          </Box>
          <HStack gap="2" wrap="wrap">
            {isBook && (
              <Button onClick={() => setPacing(true)}>
                <Gauge size={17} aria-hidden /> {paceWords.open}
              </Button>
            )}
            {project.kind !== "pockets" && <AddPages />}
            {isBook && opening?.left && opening.right && (
              <Button variant="outline" onClick={() => joinPages(kit, session)}>
                <RectangleHorizontal size={17} aria-hidden /> {words.makeSpread}
              </Button>
            )}
            {open.leaves === 2 && (
              <Button variant="outline" onClick={() => splitSpread(kit, session)}>
                <Columns2 size={17} aria-hidden /> {words.splitSpread}
              </Button>
            )}
            {pages.length > 1 && (
              <Button variant="outline" onClick={() => removeThePage(kit, session)}>
                <Trash2 size={17} aria-hidden /> {run.remove}
              </Button>
            )}
            <Button variant="outline" onClick={() => go(open)}>
              <BookOpen size={17} aria-hidden /> {words.toPages}
            </Button>
          </HStack>
        </HStack>
        <PaceChart onOpen={(page) => openThe(kit, session, page)} />
      </Box>
      <Box flex="1" overflowY="auto" px="8" py="5" bg="mat.light">
        <DndContext
          sensors={sensors}
          collisionDetection={pointerWithin}
          measuring={onlyWhileDragging}
          onDragStart={(e) => setDragged(e.active.data.current?.pageIds as readonly string[])}
          onDragEnd={end}
          onDragCancel={() => setDragged(undefined)}
        >
          <Flex ref={grid} wrap="wrap" gap="6" role="listbox" aria-label={words.openings} onKeyDown={onKeyDown}>
            {rows.map((row) => (
              <RowCard
                key={row.key}
                row={row}
                drawn={row.pages.map((p) => drawnPage(project, p, (id) => facts.photo(id)?.takenAt))}
                formats={row.pages.map((p) => formatOf(project, p))}
                of={countLeaves(pages)}
                scale={scale}
                book={project.kind !== "collage"}
                openId={row.pages.some((p) => p.id === open.id) ? open.id : undefined}
                onPick={(page) => openThe(kit, session, page)}
                onGo={go}
              />
            ))}
          </Flex>
          <DragOverlay dropAnimation={null}>
            {dragged && (
              <Flex boxShadow="lifted" opacity="0.92">
                {dragged.map((id) => {
                  const page = pages.find((p) => p.id === id);
                  return page ? (
                    <PageThumb key={id} page={page} format={formatOf(project, page)} scale={scale} />
                  ) : null;
                })}
              </Flex>
            )}
          </DragOverlay>
        </DndContext>
      </Box>
      {pacing && <PaceDialog fromHere={false} onClose={() => setPacing(false)} />}
      <TurningAsk />
    </Flex>
  );
}

interface RowCardProps {
  readonly row: Row;
  readonly drawn: readonly Page[];
  readonly formats: readonly PageFormat[];
  readonly of: number;
  readonly scale: number;
  readonly book: boolean;
  readonly openId: string | undefined;
  readonly onPick: (page: Page) => void;
  readonly onGo: (page: Page) => void;
}

/** An opening, held by its number to be moved as one; each of its pages can be taken by itself. */
const RowCard = memo(
  function RowCard({ row, drawn, formats, of, scale, book, openId, onPick, onGo }: RowCardProps) {
    const whole = useDraggable({ id: `row-${row.key}`, data: { pageIds: row.pages.map((p) => p.id) } });
    const last = row.number + row.pages.reduce((sum, p) => sum + p.leaves, 0) - 1;
    return (
      <Box w={book ? `${2 * leafPx}px` : undefined}>
        <Flex justify={row.on === "right" ? "flex-end" : "flex-start"}>
          {row.pages.map((page, i) => (
            <Leaf
              key={page.id}
              page={page}
              open={page.id === openId}
              label={
                page.leaves === 2 ? words.spreadOf(row.number, of) : words.pageWord(row.number + i, page.tiles.length)
              }
              onPick={() => onPick(page)}
              onGo={() => onGo(page)}
            >
              <PageThumb page={drawn[i]!} format={formats[i]!} scale={scale} />
            </Leaf>
          ))}
        </Flex>
        <Text
          ref={whole.setNodeRef}
          {...whole.listeners}
          mt="1.5"
          textAlign={
            row.on === "right" ? "right" : row.pages.length === 2 || row.pages[0]!.leaves === 2 ? "center" : "left"
          }
          fontSize="13px"
          cursor="grab"
          color={openId ? "glaze.700" : "fg.subtle"}
          fontWeight={openId ? "600" : "400"}
          fontVariantNumeric="tabular-nums"
        >
          {last > row.number ? `${row.number}\u2013${last}` : row.number}
          {row.pages.some((p) => p.blank) && ` · ${words.keepBlank}`}
        </Text>
      </Box>
    );
  },
  (a, b) =>
    a.openId === b.openId &&
    a.of === b.of &&
    a.row.number === b.row.number &&
    a.row.on === b.row.on &&
    a.drawn.length === b.drawn.length &&
    a.row.pages.every((p, i) => p === b.row.pages[i]) &&
    a.drawn.every((p, i) => p === b.drawn[i]) &&
    a.formats.every((f, i) => f === b.formats[i]),
);

interface LeafProps {
  readonly page: Page;
  readonly open: boolean;
  readonly label: string;
  readonly onPick: () => void;
  readonly onGo: () => void;
  readonly children: React.ReactNode;
}

function Leaf({ page, open, label, onPick, onGo, children }: LeafProps) {
  const drag = useDraggable({ id: `leaf-${page.id}`, data: { pageIds: [page.id] } });
  const drop = useDroppable({ id: page.id });
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the list hears the keys for all of its pages
    <div
      ref={(node: HTMLElement | null) => {
        drag.setNodeRef(node);
        drop.setNodeRef(node);
      }}
      {...drag.listeners}
      role="option"
      aria-selected={open}
      aria-label={label}
      data-page={page.id}
      tabIndex={open ? 0 : -1}
      onClick={onPick}
      onDoubleClick={onGo}
      className={`${css.page} ${open ? css.open : drop.isOver ? css.over : ""}`}
      style={{ opacity: drag.isDragging ? 0.4 : 1 }}
    >
      {children}
    </div>
  );
}
