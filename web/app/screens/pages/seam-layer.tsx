import { type PointerEvent, useMemo, useState } from "react";
import { arrangedOn, frameRect, insideRect, type PlacedPage } from "#core/document";
import type { Rect } from "#core/geometry";
import { pages as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { direction, type Pressed } from "../../commands/keys.ts";
import { useSession } from "../../state/session/hooks.ts";
import { openPlaced } from "../../state/session/project-session.ts";
import { type PageSeam, pageSeams, snapped } from "./page-seams.ts";
import { type PageView, placeOf } from "./page-view.ts";
import css from "./seam-layer.module.css";

interface SeamLayerProps {
  readonly view: PageView;
  readonly page: PlacedPage;
}

/** Wide enough for a finger, however thin the gap is. */
const gripPx = 12;
const snapPx = 6;
const nudgeMm = 1;
const farNudgeMm = 5;

/** The seams between tiles, to be dragged or moved by arrow keys; both sides follow. */
export function SeamLayer({ view, page }: SeamLayerProps) {
  const session = useSession();
  const [held, setHeld] = useState<string>();
  const seams = useMemo(() => pageSeams(page), [page]);
  const movedTo = (s: PageSeam, atMm: number, alone: boolean) =>
    ({ type: "replacePage", page: s.moved(openPlaced(session.state.getState()), atMm, alone) }) as const;

  const grab = (e: PointerEvent<HTMLElement>, s: PageSeam) => {
    if (e.button !== 0) return;
    e.preventDefault();
    const handle = e.currentTarget;
    handle.focus();
    handle.setPointerCapture(e.pointerId);
    const start = s.across ? e.clientX : e.clientY;
    let atMm = s.at;
    let alone = e.altKey;
    setHeld(s.key);
    const move = (ev: globalThis.PointerEvent) => {
      const to = s.at + ((s.across ? ev.clientX : ev.clientY) - start) / view.scale;
      atMm = snapped(to, s.snaps, snapPx / view.scale);
      alone = ev.altKey;
      session.preview([movedTo(s, atMm, alone)]);
    };
    const end = (ev: globalThis.PointerEvent) => {
      handle.removeEventListener("pointermove", move);
      handle.removeEventListener("pointerup", end);
      handle.removeEventListener("pointercancel", end);
      setHeld(undefined);
      if (ev.type === "pointerup" && atMm !== s.at)
        session.commit({ code: "movedSeam", count: 1 }, [movedTo(s, atMm, alone)]);
      else session.dropPreview();
    };
    handle.addEventListener("pointermove", move);
    handle.addEventListener("pointerup", end);
    handle.addEventListener("pointercancel", end);
  };

  const keysOf = (s: PageSeam) => {
    const nudge = (byMm: number, alone: boolean) => (e: Pressed) => {
      const by = s.across ? direction(e).x : direction(e).y;
      if (by === 0) return false;
      session.commit({ code: "movedSeam", count: 1 }, [movedTo(s, s.at + by * byMm, alone)], {
        mergeKey: `seam-${s.key}`,
      });
      return true;
    };
    return hears("seam", {
      move: nudge(nudgeMm, false),
      moveFar: nudge(farNudgeMm, false),
      moveStretch: nudge(nudgeMm, true),
      moveStretchFar: nudge(farNudgeMm, true),
    });
  };

  const room = insideRect(page.look, page.format);
  const rects = arrangedOn(page).map((t) => frameRect(t.frame));
  return (
    <div className={css.layer}>
      {seams.map((s) => {
        const grip = gripOf(s, rects, view.scale, page.look.gapMm);
        const rect = s.across
          ? { x: s.at - grip / 2, y: s.from, w: grip, h: s.to - s.from }
          : { x: s.from, y: s.at - grip / 2, w: s.to - s.from, h: grip };
        const share = s.across ? (s.at - room.x) / room.w : (s.at - room.y) / room.h;
        return (
          // biome-ignore lint/a11y/useSemanticElements: a rule that is dragged and moved by keys, not a line across text
          <div
            key={s.key}
            role="separator"
            aria-orientation={s.across ? "vertical" : "horizontal"}
            aria-valuenow={Math.round(share * 100)}
            aria-valuemin={0}
            aria-valuemax={100}
            aria-label={s.label}
            aria-hidden={s.main ? undefined : true}
            title={words.seamHelp}
            tabIndex={s.main ? 0 : -1}
            className={`${css.seam} ${s.across ? css.across : css.down} ${held === s.key ? css.held : ""}`}
            style={placeOf(view, rect)}
            onPointerDown={(e) => grab(e, s)}
            onKeyDown={keysOf(s)}
          />
        );
      })}
    </div>
  );
}

/** How wide a seam can be gripped, in mm: a slim tile beside it keeps half of itself for the pointer. */
function gripOf(s: PageSeam, rects: readonly Rect[], scale: number, gapMm: number): number {
  let slimmest = Number.POSITIVE_INFINITY;
  for (const r of rects) {
    const [from, to, start, end] = s.across ? [r.y, r.y + r.h, r.x, r.x + r.w] : [r.x, r.x + r.w, r.y, r.y + r.h];
    const beside = to > s.from && from < s.to && start < s.at + gapMm && end > s.at - gapMm;
    if (beside) slimmest = Math.min(slimmest, end - start);
  }
  return Math.min(gripPx / scale, gapMm + slimmest / 2);
}
