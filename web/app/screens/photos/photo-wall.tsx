import { Box } from "@chakra-ui/react";
import { useVirtualizer } from "@tanstack/react-virtual";
import {
  type KeyboardEvent,
  type PointerEvent,
  type RefObject,
  useEffect,
  useImperativeHandle,
  useMemo,
  useRef,
  useState,
} from "react";
import type { NamedSpan, Photo, PhotoEvent, PhotoFilter } from "#core/photo";
import { eventWords, formats, photos as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import type { Pressed } from "../../commands/keys.ts";
import { typingIn } from "../../commands/typing-in.ts";
import { PhotoTile, type TileHandlers } from "../../components/photo-tile.tsx";
import { useSizeOf } from "../../components/size-of.ts";
import { useServices } from "../../services.ts";
import { useLibrary, useViewState } from "../../state/session/hooks.ts";
import { usePlaced } from "../../state/session/placed-photos.ts";
import { choose, chooseAll, nothingChosen } from "../../state/view-state/choose.ts";
import css from "./photo-wall.module.css";
import { neighbour, wallRows } from "./rows.ts";
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
  const choice = useViewState((s) => s.photos);
  const openPiles = useViewState((s) => s.openPiles);
  const placed = usePlaced();
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
      togglePile: (id) =>
        viewState.setState((s) => {
          const open = new Set(s.openPiles);
          // A pile is open when any of its photos is marked; closing lets all of them go.
          const own = piles.find((p) => p.includes(id)) ?? [id];
          if (own.some((p) => open.has(p))) for (const p of own) open.delete(p);
          else open.add(id);
          return { openPiles: open };
        }),
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
    letGo: () => viewState.setState({ photos: nothingChosen, sheet: undefined }),
  });
  const onKeyDown = (e: KeyboardEvent) => {
    if (!typingIn(e.target)) obeyKeys(e);
  };
  const lasso = useLasso(scroller, (hit) =>
    viewState.setState((s) => ({
      photos: { ids: new Set([...s.photos.ids, ...hit]), anchor: hit[0] ?? s.photos.anchor },
    })),
  );

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
          if (!row) return null;
          return (
            <div
              key={item.key}
              role="presentation"
              className={css.row}
              style={{ transform: `translateY(${item.start}px)` }}
            >
              {row.kind === "event" ? (
                <EventHeading event={row.event} spans={spans} h={row.h} />
              ) : (
                <div role="presentation" className={css.photos} style={{ gap: gapPx }}>
                  {row.placed.map(({ photo, w }) => {
                    const mark = pile.marks.get(photo.id);
                    return (
                      <PhotoTile
                        key={photo.id}
                        photo={photo}
                        chosen={choice.ids.has(photo.id)}
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
              )}
            </div>
          );
        })}
      </Box>
      {lasso.box && (
        <Box
          position="fixed"
          pointerEvents="none"
          bg="rgba(23,117,126,.14)"
          border="1.5px solid"
          borderColor="glaze.500"
          zIndex="3"
          style={lasso.box}
        />
      )}
      <Waiting />
    </Box>
  );
}

/** A box drawn from bare ground chooses the photos it touches. */
function useLasso(scroller: RefObject<HTMLDivElement | null>, onHit: (ids: string[]) => void) {
  const [box, setBox] = useState<{ left: number; top: number; width: number; height: number }>();
  const begin = (e: PointerEvent<HTMLElement>) => {
    const onPhoto = e.target instanceof Element && e.target.closest("[data-photo], input, button");
    const area = scroller.current;
    if (e.button !== 0 || onPhoto || !area || e.nativeEvent.offsetX > area.clientWidth) return;
    const start = { x: e.clientX, y: e.clientY };
    const rectTo = (ev: globalThis.PointerEvent) => ({
      left: Math.min(start.x, ev.clientX),
      top: Math.min(start.y, ev.clientY),
      width: Math.abs(ev.clientX - start.x),
      height: Math.abs(ev.clientY - start.y),
    });
    const move = (ev: globalThis.PointerEvent) => setBox(rectTo(ev));
    const end = (ev: globalThis.PointerEvent) => {
      window.removeEventListener("pointermove", move);
      window.removeEventListener("pointerup", end);
      setBox(undefined);
      const r = rectTo(ev);
      if (r.width < 4 && r.height < 4) return;
      const hit = [...area.querySelectorAll<HTMLElement>("[data-photo]")].filter((el) => {
        const b = el.getBoundingClientRect();
        return b.right > r.left && b.left < r.left + r.width && b.bottom > r.top && b.top < r.top + r.height;
      });
      onHit(hit.map((el) => el.dataset.photo!));
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", end);
  };
  return { box, begin };
}

function EventHeading({
  event,
  spans,
  h,
}: {
  readonly event: PhotoEvent;
  readonly spans: readonly NamedSpan[];
  readonly h: number;
}) {
  const { library, newId } = useServices();
  const name = event.span?.name ?? "";
  const [text, setText] = useState(name);
  useEffect(() => setText(name), [name]);
  const keep = () => {
    const tidy = text.trim().slice(0, 120);
    if (tidy === name) return;
    const others = spans.filter((s) => s !== event.span);
    const span = { id: event.span?.id ?? newId(), name: tidy, from: event.from, to: event.to };
    void library.nameSpans(tidy === "" ? others : [...others, span]);
  };
  const [from, to] = [formats.takenDay(event.from), formats.takenDay(event.to)];
  return (
    <div role="presentation" className={css.heading} style={{ height: h }}>
      <input
        aria-label={`${eventWords.name}, ${from}`}
        placeholder={eventWords.placeholder}
        value={text}
        maxLength={120}
        onChange={(e) => setText(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => {
          if (e.key === "Enter") e.currentTarget.blur();
          if (e.key === "Escape") setText(name);
        }}
        className={name ? `${css.name} ${css.named}` : css.name}
        style={{ width: `${Math.max(15, Math.min(44, text.length + 2))}ch` }}
      />
      <h2 className={name ? css.day : `${css.day} ${css.dayAlone}`}>{from === to ? from : `${from} – ${to}`}</h2>
      <span className={css.count}>{words.count(event.photoIds.length)}</span>
    </div>
  );
}
