import { type PointerEvent, useMemo, useRef, useState } from "react";
import type { Frame } from "#core/document";
import { type Grip, type Pulled, pulled, type SnapTargets, snapTargets, withTied } from "#core/edit";
import type { Point } from "#core/geometry";
import { useServices } from "../../../services.ts";
import { keepClearOfTrim, keepFrames, movableTiles, showFrames } from "../../../state/edit/free-gestures.ts";
import { useSession } from "../../../state/session/hooks.ts";
import { openPage, openPlaced } from "../../../state/session/project-session.ts";
import type { PageView } from "../page-view.ts";

const snapPx = 6;
/** A click that trembles moves nothing. */
const tremblePx = 3;
const turnStep = 15;

interface Held {
  readonly grip: Grip;
  readonly from: Point;
  readonly frames: ReadonlyMap<string, Frame>;
  /** Found when the hand first moves: a click alone needs none. */
  targets: SnapTargets | undefined;
  /** What is chosen as soon as it is moved, where it was not before. */
  readonly choose: ReadonlySet<string> | undefined;
  moved: boolean;
}

export interface FreePull {
  /** Takes hold of the chosen tiles, or of this one where it is not among them. */
  grab(grip: Grip, e: PointerEvent<HTMLElement>, tileId?: string): void;
  drag(e: PointerEvent): void;
  release(e: PointerEvent): void;
  /** The browser took the pointer away: all stays as it was. */
  cancel(): void;
}

const codes = { move: "movedFree", size: "sizedTiles", turn: "turnedTiles" } as const;

/** A hand on tiles that lie freely: what it does is shown, with what they came to lie on, and kept when it lets go. */
export function usePull(view: PageView): { readonly pull: FreePull; readonly now: Pulled | undefined } {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const [now, setNow] = useState<Pulled>();
  const held = useRef<Held>(undefined);
  const scale = useRef(view.scale);
  scale.current = view.scale;
  const pull = useMemo((): FreePull => {
    const pulledBy = (e: PointerEvent): Pulled | undefined => {
      const h = held.current;
      if (!h) return undefined;
      const far = Math.hypot(e.clientX - h.from.x, e.clientY - h.from.y) > tremblePx;
      if (!far && !h.moved) return undefined;
      if (!h.moved && h.choose !== undefined)
        viewState.setState({ tiles: { ids: h.choose, anchor: [...h.choose][0] }, reframing: undefined });
      h.moved = true;
      h.targets ??= snapTargets(
        openPlaced(session.state.getState()),
        new Set(h.frames.keys()),
        viewState.getState().aid,
      );
      const by = { x: (e.clientX - h.from.x) / scale.current, y: (e.clientY - h.from.y) / scale.current };
      return pulled(
        { grip: h.grip, frames: h.frames, by },
        {
          targets: h.targets,
          reachMm: e.altKey ? 0 : snapPx / scale.current,
          keepShape: e.shiftKey,
          aboutCentre: e.ctrlKey || e.metaKey,
          step: e.shiftKey ? turnStep : undefined,
        },
      );
    };
    return {
      grab(grip, e, tileId) {
        if (e.button !== 0 || viewState.getState().writing !== undefined) return;
        e.stopPropagation();
        const { ids } = viewState.getState().tiles;
        const page = openPage(session.state.getState());
        const these = tileId === undefined || ids.has(tileId) ? ids : withTied(page, [tileId]);
        const tiles = movableTiles(page, these);
        if (tiles.length === 0) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        held.current = {
          grip,
          from: { x: e.clientX, y: e.clientY },
          frames: new Map(tiles.map((t) => [t.id, t.frame])),
          targets: undefined,
          choose: these === ids ? undefined : these,
          moved: false,
        };
      },
      drag(e) {
        const next = pulledBy(e);
        if (!next) return;
        showFrames(services, session, next.frames);
        setNow(next);
      },
      release(e) {
        const next = pulledBy(e);
        const h = held.current;
        held.current = undefined;
        setNow(undefined);
        if (!next || !h) return;
        swallowClick();
        const code = codes[h.grip.what];
        if (e.altKey || h.grip.what === "turn") keepFrames(services, session, code, next.frames);
        else keepClearOfTrim(services, session, code, next.frames);
      },
      cancel() {
        held.current = undefined;
        setNow(undefined);
        session.dropPreview();
      },
    };
  }, [services, session, viewState]);
  return { pull, now };
}

/** The click that ends a drag chooses nothing. It comes at once or never; timers may be late, and the next press begins a click of its own. */
function swallowClick(): void {
  const swallow = (e: Event) => e.stopPropagation();
  const stop = () => {
    window.removeEventListener("click", swallow, { capture: true });
    window.removeEventListener("pointerdown", stop, { capture: true });
  };
  window.addEventListener("click", swallow, { capture: true, once: true });
  window.addEventListener("pointerdown", stop, { capture: true });
  setTimeout(stop, 0);
}
