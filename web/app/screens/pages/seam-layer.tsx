import { memo, type PointerEvent, useMemo, useState } from "react";
import { arrangedOn, frameRect, insideRect, type PlacedPage } from "#core/document";
import type { Rect } from "#core/geometry";
import { pages as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { direction, type Pressed } from "../../commands/keys.ts";
import { shownPlaced, useProject, useSession } from "../../state/session/hooks.ts";
import { openPlaced } from "../../state/session/project-session.ts";
import { type PageSeam, pageSeams, snapped } from "./page-seams.ts";
import { type PageView, placeOf } from "./page-view.ts";
import css from "./seam-layer.module.css";

/** Wide enough for a finger, however thin the gap is. */
const gripPx = 12;
const snapPx = 6;
const nudgeMm = 1;
const farNudgeMm = 5;

interface SeamLayerProps {
  readonly view: PageView;
  /** The page without the gesture that is going on. */
  readonly page: PlacedPage;
}

/**
 * The seams between tiles, to be dragged or moved by arrow keys; both sides follow. While one is dragged all of these stay where they were: a line of its own
 * shows where it is.
 */
export const SeamLayer = memo(function SeamLayer({ view, page }: SeamLayerProps) {
  const [held, setHeld] = useState<HeldSeam>();
  const seams = useMemo(() => {
    const rects = arrangedOn(page).map((t) => frameRect(t.frame));
    const room = insideRect(page.look, page.format);
    return pageSeams(page).map((seam) => (
      <SeamSpot
        key={seam.key}
        seam={seam}
        grip={gripOf(seam, rects, view.scale, page.look.gapMm)}
        share={seam.across ? (seam.at - room.x) / room.w : (seam.at - room.y) / room.h}
        view={view}
        hold={setHeld}
      />
    ));
  }, [page, view]);
  return (
    <div className={`${css.layer} ${held ? css.dragged : ""}`}>
      {seams}
      {held && <SeamLine view={view} held={held} />}
    </div>
  );
});

interface HeldSeam {
  readonly key: string;
  readonly grip: number;
}

/** Where the dragged seam is at this moment. */
function SeamLine({ view, held: { key, grip } }: { readonly view: PageView; readonly held: HeldSeam }) {
  const page = useProject(shownPlaced);
  const seam = useMemo(() => pageSeams(page).find((s) => s.key === key), [page, key]);
  if (!seam) return null;
  return (
    <div
      className={`${css.seam} ${css.held} ${directionOf(seam)}`}
      style={placeOf(view, spotOf(seam, grip))}
      aria-hidden
    />
  );
}

const directionOf = (s: PageSeam): string => (s.across ? css.across! : css.down!);

const spotOf = (s: PageSeam, grip: number): Rect =>
  s.across
    ? { x: s.at - grip / 2, y: s.from, w: grip, h: s.to - s.from }
    : { x: s.from, y: s.at - grip / 2, w: s.to - s.from, h: grip };

interface SeamSpotProps {
  readonly seam: PageSeam;
  /** How wide it can be gripped, in mm. */
  readonly grip: number;
  /** Where it is, of the page between its margins. */
  readonly share: number;
  readonly view: PageView;
  hold(held: HeldSeam | undefined): void;
}

function SeamSpot({ seam, grip, share, view, hold }: SeamSpotProps) {
  const session = useSession();
  const movedTo = (atMm: number, alone: boolean) =>
    ({ type: "replacePage", page: seam.moved(openPlaced(session.state.getState()), atMm, alone) }) as const;

  const grab = (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0) return;
    e.preventDefault();
    const handle = e.currentTarget;
    handle.focus();
    handle.setPointerCapture(e.pointerId);
    const start = seam.across ? e.clientX : e.clientY;
    const snaps = seam.snaps();
    let atMm = seam.at;
    let alone = e.altKey;
    hold({ key: seam.key, grip });
    const move = (ev: globalThis.PointerEvent) => {
      const to = seam.at + ((seam.across ? ev.clientX : ev.clientY) - start) / view.scale;
      atMm = snapped(to, snaps, snapPx / view.scale);
      alone = ev.altKey;
      session.preview([movedTo(atMm, alone)]);
    };
    const end = (ev: globalThis.PointerEvent) => {
      handle.removeEventListener("pointermove", move);
      handle.removeEventListener("pointerup", end);
      handle.removeEventListener("pointercancel", end);
      hold(undefined);
      if (ev.type === "pointerup" && atMm !== seam.at)
        session.commit({ code: "movedSeam", count: 1 }, [movedTo(atMm, alone)]);
      else session.dropPreview();
    };
    handle.addEventListener("pointermove", move);
    handle.addEventListener("pointerup", end);
    handle.addEventListener("pointercancel", end);
  };

  const nudge = (byMm: number, alone: boolean) => (e: Pressed) => {
    const by = seam.across ? direction(e).x : direction(e).y;
    if (by === 0) return false;
    session.commit({ code: "movedSeam", count: 1 }, [movedTo(seam.at + by * byMm, alone)], {
      mergeKey: `seam-${seam.key}`,
    });
    return true;
  };
  const onKeyDown = hears("seam", {
    move: nudge(nudgeMm, false),
    moveFar: nudge(farNudgeMm, false),
    moveStretch: nudge(nudgeMm, true),
    moveStretchFar: nudge(farNudgeMm, true),
  });

  return (
    // biome-ignore lint/a11y/useSemanticElements: a rule that is dragged and moved by keys, not a line across text
    <div
      role="separator"
      aria-orientation={seam.across ? "vertical" : "horizontal"}
      aria-valuenow={Math.round(share * 100)}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-label={seam.label}
      aria-hidden={seam.main ? undefined : true}
      title={words.seamHelp}
      tabIndex={seam.main ? 0 : -1}
      className={`${css.seam} ${directionOf(seam)}`}
      style={placeOf(view, spotOf(seam, grip))}
      onPointerDown={grab}
      onKeyDown={onKeyDown}
    />
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
