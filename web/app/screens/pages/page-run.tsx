import { Box, chakra, HStack } from "@chakra-ui/react";
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  MeasuringStrategy,
  MouseSensor,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, useSortable, verticalListSortingStrategy } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { LayoutGrid, Plus } from "lucide-react";
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import {
  arrangedTiles,
  formatOf,
  hasFacingPages,
  type PlacedPage,
  type Project,
  pageCount,
  placed,
} from "#core/document";
import { type PageFormat, seenBox } from "#core/lab";
import { book as bookWords, pockets as pocketWords, prints as printWords, run as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { alongRow } from "../../commands/keys.ts";
import { PageMenu } from "../../components/page-menu.tsx";
import { PageThumb } from "../../components/page-thumb.tsx";
import { useRowsSeen } from "../../components/rows-seen.ts";
import { useSizeOf } from "../../components/size-of.ts";
import { useServices } from "../../services.ts";
import { addPage, movePages, openThe, removeThePage } from "../../state/edit/page-list.ts";
import { addLeaf } from "../../state/edit/pockets.ts";
import { useNoteCounts } from "../../state/notes/shown-notes.ts";
import { useHeld, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { type Row, rowsOf } from "../../state/session/rows.ts";
import { CoverSpot } from "./cover-spot.tsx";
import css from "./page-run.module.css";
import { PageSpot } from "./page-spot.tsx";

/** Measuring hundreds of places takes longer than opening the book. */
const onlyWhileDragging = { droppable: { strategy: MeasuringStrategy.WhileDragging } };

const runPx = 116;
const thumbPx = 78;
const facingPx = 92;
/** The number under a row, with the space around both: as in the style sheet. */
const numberPx = 37;
const padPx = 12;

/**
 * All pages of the work in their order, facing ones side by side; dragged or moved by key to reorder. The open page itself
 * comes first, and its row a moment later: a book has a hundred of them.
 */
export function PageRun() {
  const writing = useViewState((s) => s.writing !== undefined);
  const project = useHeld(useDeferredValue(useProject((s) => s.project)), writing);
  const open = useDeferredValue(useProject((s) => openPage(s).id));
  return project.pages.length < 2 && project.kind !== "book" ? null : <Run project={project} open={open} />;
}

interface RunProps {
  readonly project: Project;
  /** The open page's id. */
  readonly open: string;
}

const Run = memo(function Run({ project, open }: RunProps) {
  const services = useServices();
  const session = useSession();
  const { pages, kind } = project;
  const list = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(MouseSensor, { activationConstraint: { distance: 5 } }));
  const notes = useNoteCounts();
  const rows = useMemo(() => rowsOf(project), [project]);
  const keys = useMemo(() => rows.map((r) => r.key), [rows]);
  const of = pageCount(pages);
  const facing = hasFacingPages(project);
  const heights = useMemo(
    () => rows.map((r) => rowSize(r, formatOf(project, r.pages[0]!), facing).h + numberPx),
    [rows, project, facing],
  );
  const [head, headSize] = useSizeOf();
  const [dragged, setDragged] = useState<string>();
  const openRow = rows.findIndex((r) => r.pages.some((p) => p.id === open));
  const seen = useRowsSeen({
    scroller: list,
    heightsPx: heights,
    topPx: (headSize?.h ?? 0) + padPx,
    kept: dragged === undefined ? [openRow] : [openRow, keys.indexOf(dragged)],
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the row of a page that was just added comes a moment after it
  useEffect(() => {
    if (openRow >= 0) seen.scrollToIndex(openRow);
  }, [open, pages]);

  const moveRow = (key: string, to: number) => {
    const row = rows.find((r) => r.key === key);
    if (!row) return;
    const before = rows.filter((r) => r !== row).slice(0, to);
    movePages(
      services,
      session,
      row.pages.map((p) => p.id),
      before.reduce((sum, r) => sum + r.pages.length, 0),
    );
  };
  const dropped = ({ active, over }: DragEndEvent) => {
    setDragged(undefined);
    if (over && over.id !== active.id)
      moveRow(
        String(active.id),
        rows.findIndex((r) => r.key === over.id),
      );
  };
  const onKeyDown = hears("run", {
    toPage: (e) => {
      const now = session.state.getState().project.pages;
      const next = now[now.findIndex((p) => p.id === open) + alongRow(e)];
      openThe(services, session, next);
      const focused = next?.id ?? open;
      requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-page="${focused}"]`)?.focus());
    },
    movePage: (e) => {
      const row = rows.findIndex((r) => r.pages.some((p) => p.id === open));
      if (rows[row] && rows[row + alongRow(e)]) moveRow(rows[row].key, row + alongRow(e));
    },
    removePage: () => removeThePage(services, session),
  });

  return (
    <Box
      ref={list}
      as="nav"
      aria-label={words.label}
      w={`${runPx}px`}
      flexShrink="0"
      overflowY="auto"
      bg="oat.100"
      borderRightWidth="1px"
      borderColor="oat.300"
      py={`${padPx}px`}
    >
      <Box ref={head} display="flow-root">
        <ToAll prints={kind === "prints"} />
        {kind === "book" && (
          <CoverSpot widthPx={facingPx} notes={project.cover ? notes.get(project.cover.id) : undefined} />
        )}
      </Box>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        measuring={onlyWhileDragging}
        onDragStart={(e) => setDragged(String(e.active.id))}
        onDragEnd={dropped}
        onDragCancel={() => setDragged(undefined)}
      >
        <SortableContext items={keys} strategy={verticalListSortingStrategy}>
          <PageMenu>
            <div
              role="listbox"
              aria-label={words.label}
              className={css.rows}
              style={{ height: seen.getTotalSize() }}
              onKeyDown={onKeyDown}
            >
              {seen.getVirtualItems().map((item) => {
                const row = rows[item.index];
                if (!row) return null;
                return (
                  <RowSpot
                    key={row.key}
                    row={row}
                    top={item.start - seen.options.scrollMargin}
                    placedPages={row.pages.map((p) => placed(project, p))}
                    of={of}
                    open={item.index === openRow ? open : undefined}
                    facing={facing}
                    notes={row.pages.map((p) => notes.get(p.id))}
                  />
                );
              })}
            </div>
          </PageMenu>
        </SortableContext>
      </DndContext>
      {kind !== "prints" && (
        <chakra.button
          type="button"
          aria-label={kind === "pockets" ? pocketWords.addLeaf : words.add}
          title={kind === "pockets" ? pocketWords.addLeaf : words.add}
          onClick={() => (kind === "pockets" ? addLeaf(services, session) : addPage(services, session))}
          w={`${thumbPx}px`}
          h="40px"
          mx="auto"
          mt="1"
          display="grid"
          placeItems="center"
          borderRadius="soft"
          border="1.5px dashed"
          borderColor="oat.500"
          color="ink.700"
          _hover={{ bg: "oat.50" }}
        >
          <Plus size={19} aria-hidden />
        </chakra.button>
      )}
    </Box>
  );
});

/** All pages at once, or all prints. */
function ToAll({ prints }: { readonly prints: boolean }) {
  const { projectId } = useParams();
  return (
    <Link to={`/work/${projectId}/${prints ? "prints" : "overview"}`}>
      <HStack
        justify="center"
        gap="1.5"
        fontSize="13.5px"
        fontWeight="500"
        minH="28px"
        mb="2"
        mx="2"
        borderRadius="soft"
        _hover={{ bg: "oat.200" }}
      >
        <LayoutGrid size={15} aria-hidden /> {prints ? printWords.toAll : bookWords.overview}
      </HStack>
    </Link>
  );
}

/** CSS pixels for one mm, and the height of a row's pages. */
function rowSize({ pages }: Row, format: PageFormat, facing: boolean): { readonly scale: number; readonly h: number } {
  const box = seenBox(format);
  const leaf = { w: pages[0]!.span === 2 ? box.w / 2 : box.w, h: box.h };
  const scale = facing ? facingPx / (2 * leaf.w) : thumbPx / Math.max(leaf.w, leaf.h);
  return { scale, h: leaf.h * scale };
}

interface RowSpotProps {
  readonly row: Row;
  /** CSS pixels under the first row's top. */
  readonly top: number;
  readonly placedPages: readonly PlacedPage[];
  readonly of: number;
  /** The page of this row that is open, if one is. */
  readonly open: string | undefined;
  readonly facing: boolean;
  /** Of each page, how many notes wait. */
  readonly notes: readonly (number | undefined)[];
}

const RowSpot = memo(
  function RowSpot({ row, top, placedPages, of, open, facing, notes }: RowSpotProps) {
    const services = useServices();
    const session = useSession();
    const { setNodeRef, listeners, transform, transition, isDragging } = useSortable({ id: row.key });
    const { scale } = rowSize(row, placedPages[0]!.format, facing);
    const last = row.number + row.pages.reduce((sum, p) => sum + p.span, 0) - 1;
    const justify = row.on === "right" ? "flex-end" : row.on === "left" ? "flex-start" : "center";
    return (
      <div
        ref={setNodeRef}
        {...listeners}
        className={css.row}
        style={{
          top,
          transform: CSS.Translate.toString(transform),
          transition,
          zIndex: isDragging ? 2 : undefined,
        }}
      >
        <div className={css.pages} style={{ justifyContent: justify, width: facing ? facingPx : undefined }}>
          {row.pages.map((page, i) => (
            <PageSpot
              key={page.id}
              page={page}
              label={
                page.span === 2
                  ? bookWords.spreadOf(row.number, of)
                  : words.page(row.number + i, of, arrangedTiles(page).length)
              }
              open={page.id === open}
              notes={notes[i]}
              onOpen={() => openThe(services, session, page)}
            >
              <PageThumb page={placedPages[i]!} scale={scale} />
            </PageSpot>
          ))}
        </div>
        <p className={`${css.number} ${open ? css.openNumber : ""}`}>
          {last > row.number ? `${row.number}\u2013${last}` : row.number}
        </p>
      </div>
    );
  },
  (a, b) =>
    a.open === b.open &&
    a.top === b.top &&
    a.of === b.of &&
    a.facing === b.facing &&
    a.row.number === b.row.number &&
    a.row.on === b.row.on &&
    a.row.pages.length === b.row.pages.length &&
    a.row.pages.every(
      (p, i) => p === b.row.pages[i] && a.placedPages[i] === b.placedPages[i] && a.notes[i] === b.notes[i],
    ),
);
