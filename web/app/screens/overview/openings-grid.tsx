import { Box, Flex, Text } from "@chakra-ui/react";
import {
  DndContext,
  type DragEndEvent,
  DragOverlay,
  MeasuringStrategy,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { memo, useCallback, useEffect, useMemo, useRef, useState } from "react";
import {
  arrangedTiles,
  drawnPage,
  hasFacingPages,
  type Page,
  type PlacedPage,
  pageCount,
  placed,
} from "#core/document";
import { pageToward, placeOnto } from "#core/edit";
import { seenBox } from "#core/lab";
import { book as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { direction } from "../../commands/keys.ts";
import { NoteBadge } from "../../components/notes/note-badge.tsx";
import { PageMenu } from "../../components/page-menu.tsx";
import { PageThumb } from "../../components/page-thumb.tsx";
import { useRowsSeen } from "../../components/rows-seen.ts";
import { useSizeOf } from "../../components/size-of.ts";
import { useServices } from "../../services.ts";
import { movePages, openThe, removeThePage } from "../../state/edit/page-list.ts";
import { useNoteCounts } from "../../state/notes/shown-notes.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { type Row, rowsOf } from "../../state/session/rows.ts";
import css from "../pages/page-run.module.css";
import { gapPx, numberPx, openingsSize, padPx } from "./openings-size.ts";

/** Measuring hundreds of places takes longer than showing them. */
const onlyWhileDragging = { droppable: { strategy: MeasuringStrategy.WhileDragging } };

/** All openings in lines, as many in each as there is room for. */
export function OpeningsGrid({ onGo }: { readonly onGo: (page: Page) => void }) {
  const services = useServices();
  const session = useSession();
  const project = useProject((s) => s.project);
  const open = useProject(openPage);
  const facts = useFacts();
  const notes = useNoteCounts();
  const [dragged, setDragged] = useState<readonly string[]>();
  const [sizeRef, room] = useSizeOf();
  const scroller = useRef<HTMLDivElement>(null);
  const [frameRef, frame] = useSizeOf();
  const bothRefs = useCallback(
    (element: HTMLDivElement | null) => {
      scroller.current = element;
      return frameRef(element);
    },
    [frameRef],
  );
  const focusOn = useRef<string>(undefined);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 180, tolerance: 8 } }),
  );
  const { pages } = project;
  const rows = useMemo(() => rowsOf(project), [project]);
  const box = seenBox(project.format);
  const { across, cardPx, scale, linePx, lines } = openingsSize(
    rows.length,
    hasFacingPages(project) ? 2 : 1,
    box,
    room,
    frame,
  );
  const rowOf = (pageId: string | undefined) => rows.findIndex((r) => r.pages.some((p) => p.id === pageId));
  const openRow = rowOf(open.id);
  const openLine = Math.floor(openRow / across);
  const seen = useRowsSeen({
    scroller,
    heightsPx: useMemo(() => Array.from({ length: lines }, () => linePx), [lines, linePx]),
    topPx: padPx,
    kept: [openLine, Math.floor(rowOf(dragged?.[0]) / across)],
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: shown when another page is opened, and at first
  useEffect(() => {
    if (openLine >= 0 && lines > 0) seen.scrollToIndex(openLine);
  }, [open.id, lines > 0]);
  useEffect(() => {
    if (focusOn.current !== open.id) return;
    focusOn.current = undefined;
    scroller.current?.querySelector<HTMLElement>(`[data-page="${open.id}"]`)?.focus({ preventScroll: true });
  }, [open.id]);

  const end = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    const ids = active.data.current?.pageIds as readonly string[] | undefined;
    const to = ids && over ? placeOnto(rows, ids, String(over.id)) : undefined;
    if (ids && to !== undefined) movePages(services, session, ids, to);
  };
  const onKeyDown = hears("openings", {
    toPage: (e) => {
      const next = pageToward(rows, open.id, direction(e), across);
      focusOn.current = next?.id;
      openThe(services, session, next);
    },
    moveOpening: (e) => {
      const own = rows[openRow]?.pages.map((p) => p.id);
      const there = rows[openRow + direction(e).x + direction(e).y * across];
      const to = own && there ? placeOnto(rows, own, there.pages[0]!.id, true) : undefined;
      if (own && to !== undefined) movePages(services, session, own, to);
    },
    movePage: (e) => movePages(services, session, [open.id], pages.indexOf(open) + direction(e).x),
    open: () => onGo(open),
    removePage: () => removeThePage(services, session),
  });

  return (
    <Box
      ref={bothRefs}
      flex="1"
      overflowY="auto"
      style={{ scrollbarGutter: "stable" }}
      px="8"
      py={`${padPx}px`}
      bg="mat.light"
    >
      <DndContext
        sensors={sensors}
        collisionDetection={pointerWithin}
        measuring={onlyWhileDragging}
        onDragStart={(e) => setDragged(e.active.data.current?.pageIds as readonly string[])}
        onDragEnd={end}
        onDragCancel={() => setDragged(undefined)}
      >
        <PageMenu>
          <Box
            ref={sizeRef}
            role="listbox"
            aria-label={words.openings}
            position="relative"
            style={{ height: seen.getTotalSize() }}
            onKeyDown={onKeyDown}
          >
            {seen.getVirtualItems().map((line) => (
              <Flex key={line.key} position="absolute" left="0" gap={`${gapPx}px`} style={{ top: line.start - padPx }}>
                {rows.slice(line.index * across, (line.index + 1) * across).map((row) => (
                  <RowCard
                    key={row.key}
                    row={row}
                    drawn={row.pages.map((p) => drawnPage(project, p, (id) => facts.photo(id)?.takenAt))}
                    of={pageCount(pages)}
                    scale={scale}
                    widthPx={cardPx}
                    openId={row.pages.includes(open) ? open.id : undefined}
                    notes={row.pages.map((p) => notes.get(p.id))}
                    onPick={(page) => openThe(services, session, page)}
                    onGo={onGo}
                  />
                ))}
              </Flex>
            ))}
          </Box>
        </PageMenu>
        <DragOverlay dropAnimation={null}>
          {dragged && (
            <Flex boxShadow="lifted" opacity="0.92">
              {dragged.map((id) => {
                const page = pages.find((p) => p.id === id);
                return page ? <PageThumb key={id} page={placed(project, page)} scale={scale} /> : null;
              })}
            </Flex>
          )}
        </DragOverlay>
      </DndContext>
    </Box>
  );
}

interface RowCardProps {
  readonly row: Row;
  readonly drawn: readonly PlacedPage[];
  readonly of: number;
  readonly scale: number;
  readonly widthPx: number;
  readonly openId: string | undefined;
  /** Of each page, how many notes wait. */
  readonly notes: readonly (number | undefined)[];
  readonly onPick: (page: Page) => void;
  readonly onGo: (page: Page) => void;
}

/** An opening, held by its number to be moved as one; each of its pages can be taken by itself. */
const RowCard = memo(
  function RowCard({ row, drawn, of, scale, widthPx, openId, notes, onPick, onGo }: RowCardProps) {
    const whole = useDraggable({ id: `row-${row.key}`, data: { pageIds: row.pages.map((p) => p.id) } });
    const last = row.number + row.pages.reduce((sum, p) => sum + p.span, 0) - 1;
    return (
      <Box w={`${widthPx}px`} flexShrink="0">
        <Flex justify={row.on === "right" ? "flex-end" : "flex-start"}>
          {row.pages.map((page, i) => (
            <Leaf
              key={page.id}
              page={page}
              open={page.id === openId}
              label={
                page.span === 2
                  ? words.spreadOf(row.number, of)
                  : words.pageWord(row.number + i, arrangedTiles(page).length)
              }
              onPick={() => onPick(page)}
              onGo={() => onGo(page)}
            >
              <PageThumb page={drawn[i]!} scale={scale} />
              <NoteBadge count={notes[i]} />
            </Leaf>
          ))}
        </Flex>
        <Text
          ref={whole.setNodeRef}
          {...whole.listeners}
          mt="1.5"
          h={`${numberPx - 6}px`}
          truncate
          textAlign={
            row.on === "right" ? "right" : row.pages.length === 2 || row.pages[0]!.span === 2 ? "center" : "left"
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
    a.row.pages.every((p, i) => p === b.row.pages[i] && a.notes[i] === b.notes[i]) &&
    a.drawn.every((p, i) => p === b.drawn[i]),
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
