import { memo, type PointerEvent, type MouseEvent as ReactMouseEvent, useRef } from "react";
import { type Frame, frameRect, freeTiles, isArranged, type PlacedPage, type PlacedTile } from "#core/document";
import type { Point } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { wordsOf } from "#core/scene";
import { words as say } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { arrow, type Pressed } from "../../commands/keys.ts";
import { useServices } from "../../services.ts";
import { openToWrite, placeFree, takeOff } from "../../state/edit/word-gestures.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useSession, useViewState } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { choose } from "../../state/view-state/choose.ts";
import css from "./free-layer.module.css";
import { type Grip, gripped, moved } from "./free-moves.ts";
import { type PageView, placeOf } from "./page-view.ts";
import { HiddenWords, hiddenWords, sayWords } from "./word-facts.tsx";

const nudgeMm = 1;
const farNudgeMm = 10;
const snapPx = 6;

interface FreeLayerProps {
  readonly view: PageView;
  readonly page: PlacedPage;
}

/** What lies freely on the page, to take hold of: moved by dragging it, sized and turned by its grips. */
export function FreeLayer({ view, page }: FreeLayerProps) {
  const free = page.tiles.filter((t) => !isArranged(t));
  if (free.length === 0) return null;
  return (
    <div role="listbox" aria-multiselectable aria-label={say.freeTiles} className={css.layer}>
      {free.map((tile, i) => (
        <FreeSpot key={tile.id} tile={tile} at={i + 1} of={free.length} view={view} format={page.format} />
      ))}
    </div>
  );
}

interface FreeSpotProps {
  readonly tile: PlacedTile;
  /** Its place among those that lie freely, from the back. */
  readonly at: number;
  readonly of: number;
  readonly view: PageView;
  readonly format: PageFormat;
}

const FreeSpot = memo(function FreeSpot({ tile, at, of, view, format }: FreeSpotProps) {
  const { viewState } = useServices();
  const session = useSession();
  const facts = useFacts();
  const chosen = useViewState((s) => s.tiles.ids.has(tile.id));
  const writing = useViewState((s) => s.writing === tile.id);
  const held = useRef<{ readonly grip: Grip; readonly from: Point; readonly frame: Frame }>(undefined);
  const justDragged = useRef(false);
  const written = tile.filling.kind === "words" ? tile.filling : undefined;
  const empty = written && !written.card && wordsOf(written, facts).trim() === "";

  const frameAt = (e: PointerEvent): Frame | undefined => {
    const h = held.current;
    if (!h) return undefined;
    const by = { x: (e.clientX - h.from.x) / view.scale, y: (e.clientY - h.from.y) / view.scale };
    return h.grip === "move"
      ? moved(h.frame, by, {
          widthMm: format.widthMm,
          heightMm: format.heightMm,
          reachMm: e.altKey ? 0 : snapPx / view.scale,
        })
      : gripped(h.frame, h.grip, by, e.shiftKey);
  };
  const grab = (grip: Grip) => (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0 || writing) return;
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    held.current = { grip, from: { x: e.clientX, y: e.clientY }, frame: tile.frame };
  };
  const drag = (e: PointerEvent) => {
    const frame = frameAt(e);
    if (frame && farEnough(held.current!.from, e)) placeFree(session, tile.id, frame, "show");
  };
  const release = (e: PointerEvent) => {
    const frame = frameAt(e);
    const dragged = frame !== undefined && session.state.getState().draft !== undefined;
    if (dragged) placeFree(session, tile.id, frame, "keep");
    // The click that ends a drag is no choice.
    justDragged.current = dragged;
    held.current = undefined;
  };
  const grips = (grip: Grip) => ({ onPointerDown: grab(grip), onPointerMove: drag, onPointerUp: release });
  const click = (e: ReactMouseEvent) => {
    if (!justDragged.current) pick(e);
    justDragged.current = false;
  };
  const pick = (e: Pick<Pressed, "shiftKey" | "ctrlKey" | "metaKey">) => {
    const ids = freeTiles(openPage(session.state.getState())).map((t) => t.id);
    viewState.setState((s) => ({
      tiles: choose(s.tiles, ids, tile.id, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey }),
    }));
  };
  const nudge = (byMm: number) => (e: Pressed) =>
    placeFree(session, tile.id, moved(tile.frame, arrow(e, byMm)), "keep", `nudge-${tile.id}`);
  const size = (byMm: number) => (e: Pressed) => {
    const frame = gripped(tile.frame, "corner", arrow(e, byMm), false);
    placeFree(session, tile.id, frame, "keep", `size-${tile.id}`);
  };
  const obeyKeys = hears("free", {
    move: nudge(nudgeMm),
    moveFar: nudge(farNudgeMm),
    size: size(nudgeMm),
    sizeFar: size(farNudgeMm),
    choose: pick,
    chooseToo: pick,
    write: () => written !== undefined && openToWrite({ viewState }, tile.id),
    takeOff: () => takeOff({ viewState }, session, [tile.id]),
  });
  const { left, top, width, height } = placeOf(view, frameRect(tile.frame));
  return (
    <div
      role="option"
      aria-selected={chosen}
      aria-label={say.free(at, of, written ? sayWords(written, facts) : "")}
      tabIndex={0}
      data-tile={tile.id}
      className={[css.tile, chosen && css.chosen, empty && !writing && css.bare].filter(Boolean).join(" ")}
      style={{ left, top, width, height, transform: `rotate(${tile.frame.turn}deg)` }}
      onClick={click}
      onContextMenu={() => !chosen && viewState.setState({ tiles: { ids: new Set([tile.id]), anchor: tile.id } })}
      onDoubleClick={() => written && openToWrite({ viewState }, tile.id)}
      onKeyDown={writing ? undefined : obeyKeys}
      {...grips("move")}
    >
      {empty && !writing && say.nothingYet}
      {written && !writing && <Hidden count={hiddenWords(written, tile.frame, facts)} />}
      {chosen && !writing && (
        <>
          <span title={say.handle.width} className={`${css.grip} ${css.width}`} data-grip="width" {...grips("width")} />
          <span
            title={say.handle.corner}
            className={`${css.grip} ${css.corner}`}
            data-grip="corner"
            {...grips("corner")}
          />
          <span title={say.handle.turn} className={`${css.grip} ${css.turn}`} data-grip="turn" {...grips("turn")} />
        </>
      )}
    </div>
  );
});

const Hidden = ({ count }: { readonly count: number }) => (count > 0 ? <HiddenWords count={count} /> : null);

/** A click that trembles moves nothing. */
const farEnough = (from: Point, e: PointerEvent): boolean => Math.hypot(e.clientX - from.x, e.clientY - from.y) > 3;
