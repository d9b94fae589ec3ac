import { Box } from "@chakra-ui/react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { type KeyboardEvent, type RefObject, useImperativeHandle, useMemo, useRef, useState } from "react";
import type { Photo, PhotoFilter } from "#core/photo";
import { photos as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import type { Pressed } from "../../commands/keys.ts";
import { typingIn } from "../../commands/typing-in.ts";
import { LassoBox } from "../../components/lasso-box.tsx";
import { PhotoTile, type TileHandlers } from "../../components/photo-tile.tsx";
import { useSizeOf } from "../../components/size-of.ts";
import { useLasso } from "../../components/use-lasso.ts";
import { useServices } from "../../services.ts";
import { useLibrary, useViewState } from "../../state/session/hooks.ts";
import { usePlaced } from "../../state/session/placed-photos.ts";
import { choose, chooseAll, nothingChosen } from "../../state/view-state/choose.ts";
import { EventHeading } from "./event-heading.tsx";
import css from "./photo-wall.module.css";
import { neighbour, type WallRow, wallRows } from "./rows.ts";
import { Waiting } from "./waiting.tsx";
import { gathered, wallGroups } from "./wall-groups.ts";

const aimPx = 150;
const gapPx = 8;

export interface WallHandle {
  goTo(photoId: string): void;
}

/** Photos in rows, event by event; only what is on screen is in the document. */
export function PhotoWall({
  photos,
  order,
  label = words.title,
  handle,
}: {
  readonly photos: readonly Photo[];
  /** Groups by event where it is by time. */
  readonly order: PhotoFilter["order"];
  readonly label?: string;
  readonly handle?: RefObject<WallHandle | null>;
}) {
  const { viewState } = useServices();
  const piles = useLibrary((s) => s.piles);
  const spans = useLibrary((s) => s.spans);
  const openPiles = useViewState((s) => s.openPiles);
  const [sizeRef, size] = useSizeOf();
  const scroller = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<string>();

  const pile = useMemo(() => gathered(photos, piles, openPiles), [photos, piles, openPiles]);
  const groups = useMemo(() => wallGroups(pile.photos, spans, order), [pile, spans, order]);
  const rows = useMemo(() => (size ? wallRows(groups, size.w, aimPx, gapPx) : []), [groups, size]);
  const ids = useMemo(() => groups.flatMap((g) => g.photos.map((p) => p.id)), [groups]);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => rows[i]!.h + gapPx,
    overscan: 2,
    useFlushSync: false,
  });
  // biome-ignore lint/correctness/useExhaustiveDependencies: new rows have new heights, and the estimates go with them
  useMemo(() => virtual.measure(), [rows, virtual]);
  const stop = at !== undefined && ids.includes(at) ? at : ids[0];

  const rowOf = (id: string) => rows.findIndex((r) => r.kind === "photos" && r.placed.some((p) => p.photo.id === id));
  useImperativeHandle(handle, () => ({
    goTo(id) {
      const row = rowOf(id);
      if (row >= 0) virtual.scrollToIndex(Math.max(0, row - 1), { align: "start" });
      setAt(id);
    },
  }));
  const go = (id: string | undefined, shift: boolean) => {
    if (id === undefined) return;
    setAt(id);
    if (shift)
      viewState.setState((s) => ({
        photos: choose(s.photos.anchor ? s.photos : { ...s.photos, anchor: stop }, ids, id, {
          shift: true,
          ctrl: false,
        }),
      }));
    virtual.scrollToIndex(rowOf(id));
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>(`[data-photo="${id}"]`)?.focus());
  };
  const deps = useMemo(
    (): TileHandlers => ({
      pick: (id, held) => viewState.setState((s) => ({ photos: choose(s.photos, ids, id, held) })),
      focus: setAt,
      open: (id) => viewState.setState({ sheet: id }),
      togglePile: (id) => viewState.setState((s) => ({ openPiles: withPileToggled(s.openPiles, piles, id) })),
    }),
    [viewState, ids, piles],
  );
  const toward = (e: Pressed) => {
    if (stop) go(neighbour(rows, stop, e.key as "ArrowLeft"), e.shiftKey);
  };
  const pick = (e: Pressed) =>
    stop !== undefined &&
    viewState.setState((s) => ({ photos: choose(s.photos, ids, stop, { shift: e.shiftKey, ctrl: true }) }));
  const obeyKeys = hears("wall", {
    toNext: toward,
    chooseUpTo: toward,
    toFirst: (e) => go(ids[0], e.shiftKey),
    toLast: (e) => go(ids.at(-1), e.shiftKey),
    choose: pick,
    chooseRow: pick,
    open: () => stop !== undefined && viewState.setState({ sheet: stop }),
    togglePile: () => stop !== undefined && deps.togglePile?.(stop),
    chooseAll: () => viewState.setState({ photos: chooseAll(ids) }),
    remove: () => {
      if (viewState.getState().photos.ids.size === 0) return false;
      viewState.setState({ removing: true });
      return true;
    },
    letGo: () => viewState.setState({ photos: nothingChosen, sheet: undefined }),
  });
  const onKeyDown = (e: KeyboardEvent) => {
    if (!typingIn(e.target)) obeyKeys(e);
  };
  const lasso = useLasso({
    area: scroller,
    of: "photo",
    onHit: (hit) =>
      viewState.setState((s) => ({
        photos: { ids: new Set([...s.photos.ids, ...hit]), anchor: hit[0] ?? s.photos.anchor },
      })),
  });

  return (
    <Box
      ref={scroller}
      h="full"
      overflowY="auto"
      px="8"
      pb="8"
      position="relative"
      contain="strict"
      onPointerDown={lasso.begin}
    >
      <Box
        ref={sizeRef}
        role="listbox"
        aria-multiselectable
        aria-label={label}
        onKeyDown={onKeyDown}
        position="relative"
        style={{ height: virtual.getTotalSize() }}
      >
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index];
          return (
            row && (
              <div
                key={item.key}
                role="presentation"
                className={css.row}
                style={{ transform: `translateY(${item.start}px)` }}
              >
                {row.kind === "event" ? (
                  <EventHeading event={row.event} spans={spans} h={row.h} />
                ) : (
                  <PhotoRow row={row} marks={pile.marks} stop={stop} deps={deps} />
                )}
              </div>
            )
          );
        })}
      </Box>
      <LassoBox of={lasso.box} />
      <Waiting />
    </Box>
  );
}

interface PhotoRowProps {
  readonly row: Extract<WallRow, { kind: "photos" }>;
  readonly marks: ReturnType<typeof gathered>["marks"];
  readonly stop: string | undefined;
  readonly deps: TileHandlers;
}

function PhotoRow({ row, marks, stop, deps }: PhotoRowProps) {
  const chosen = useViewState((s) => s.photos.ids);
  const placed = usePlaced();
  return (
    <div role="presentation" className={css.photos} style={{ gap: gapPx }}>
      {row.placed.map(({ photo, w }) => {
        const mark = marks.get(photo.id);
        return (
          <PhotoTile
            key={photo.id}
            photo={photo}
            chosen={chosen.has(photo.id)}
            stop={photo.id === stop}
            onPages={placed.get(photo.id)}
            w={w}
            h={row.h}
            deps={deps}
            pileCount={mark?.count}
            pileOpen={mark?.open}
          />
        );
      })}
    </div>
  );
}

/** A pile is open when any of its photos is marked; closing lets all of them go. */
function withPileToggled(
  open: ReadonlySet<string>,
  piles: readonly (readonly string[])[],
  id: string,
): ReadonlySet<string> {
  const own = piles.find((p) => p.includes(id)) ?? [id];
  return own.some((p) => open.has(p)) ? new Set([...open].filter((p) => !own.includes(p))) : new Set([...open, id]);
}
