import type { Frame } from "#core/document";
import type { Point } from "#core/geometry";
import {
  boundsOf,
  cornersOf,
  type Handle,
  movedBy,
  resized,
  scaledAbout,
  straightened,
  turnedAbout,
  turnToward,
} from "./frames.ts";
import { type EqualGaps, type SnapLine, type SnapTargets, snapMove, snapPoint, snapSize } from "./snapping.ts";

export type Grip =
  | { readonly what: "move" }
  | { readonly what: "turn" }
  | { readonly what: "size"; readonly handle: Handle };

export interface Pull {
  readonly grip: Grip;
  /** As they lay when the hand took hold. */
  readonly frames: ReadonlyMap<string, Frame>;
  /** How far the hand went, in mm of the page. */
  readonly by: Point;
}

export interface PullOptions {
  readonly targets: SnapTargets;
  /** Nothing snaps that is further off, in mm; 0 where nothing is to snap. */
  readonly reachMm: number;
  readonly keepShape: boolean;
  readonly aboutCentre: boolean;
  /** Degrees in which a turn goes, where it goes in steps. */
  readonly step: number | undefined;
}

export interface Pulled {
  readonly frames: ReadonlyMap<string, Frame>;
  readonly lines: readonly SnapLine[];
  readonly gaps: readonly EqualGaps[];
}

/** What a hand on a grip does to one frame, or to several as one. */
export function pulled({ grip, frames, by }: Pull, how: PullOptions): Pulled {
  const all = [...frames.values()];
  const bounds = boundsOf(all);
  const named = (next: readonly Frame[], snapped: Partial<Pulled> = {}): Pulled => ({
    frames: new Map([...frames.keys()].map((id, i) => [id, next[i]!])),
    lines: snapped.lines ?? [],
    gaps: snapped.gaps ?? [],
  });
  if (grip.what === "move") {
    const snapped = snapMove(bounds, by, how.targets, how.reachMm);
    return named(
      all.map((f) => movedBy(f, snapped.by)),
      snapped,
    );
  }
  const middle = { x: bounds.x + bounds.w / 2, y: bounds.y + bounds.h / 2 };
  if (grip.what === "turn") {
    const [only, more] = all;
    if (only && !more) {
      // The grip stands over the middle of the upper side.
      const [a, b] = cornersOf(only) as [Point, Point];
      const at = { x: (a.x + b.x) / 2 + by.x, y: (a.y + b.y) / 2 + by.y };
      return named([{ ...only, turn: straightened(turnToward(only.centre, at, how.step)) }]);
    }
    return named(turnedAbout(all, middle, turnToward(middle, { x: middle.x + by.x, y: bounds.y + by.y }, how.step)));
  }
  const { handle } = grip;
  const [only, more] = all;
  if (only && !more) {
    const corner = pointOf(only, handle);
    const wanted = { x: corner.x + by.x, y: corner.y + by.y };
    // Of a turned one a side lies along no line of the page.
    const upright = only.turn % 180 === 0;
    const free = { x: upright && handle.x !== 0, y: upright && handle.y !== 0 && !(how.keepShape && handle.x !== 0) };
    const snapped = snapPoint(wanted, free, how.targets, how.reachMm);
    const to = { x: snapped.at.x - corner.x, y: snapped.at.y - corner.y };
    const like = likeOthers(only, handle, to, { ...how, free, lines: snapped.lines });
    return named([resized(only, handle, like.to, how)], { lines: snapped.lines, gaps: like.gaps });
  }
  const about = how.aboutCentre
    ? middle
    : { x: middle.x - (handle.x * bounds.w) / 2, y: middle.y - (handle.y * bounds.h) / 2 };
  const times = how.aboutCentre ? 2 : 1;
  const along = handle.x === 0 ? 0 : (times * handle.x * by.x) / bounds.w;
  const down = handle.y === 0 ? 0 : (times * handle.y * by.y) / bounds.h;
  return named(scaledAbout(all, about, 1 + (Math.abs(along) > Math.abs(down) ? along : down)));
}

/** A side that came to lie on no line is pulled to where the frame is as wide or as high as another tile. */
function likeOthers(
  frame: Frame,
  handle: Handle,
  to: Point,
  how: PullOptions & {
    readonly free: { readonly x: boolean; readonly y: boolean };
    readonly lines: readonly SnapLine[];
  },
): { readonly to: Point; readonly gaps: readonly EqualGaps[] } {
  const times = how.aboutCentre ? 2 : 1;
  // Upside down a handle lies on the other side of the page.
  const way = frame.turn % 360 === 0 ? 1 : -1;
  const next = { ...to };
  const gaps = (["x", "y"] as const).flatMap((axis): EqualGaps[] => {
    if (!how.free[axis] || how.lines.some((l) => l.axis === axis)) return [];
    const length = axis === "x" ? frame.width : frame.height;
    const sign = way * handle[axis] * times;
    const like = snapSize(axis, length + sign * to[axis], how.targets, how.reachMm * times);
    if (!like) return [];
    next[axis] = (like.mm - length) / sign;
    return [{ axis, gapMm: like.mm, gaps: [like.at] }];
  });
  return { to: next, gaps };
}

/** Where a handle of a frame is, as it lies. */
export function pointOf(frame: Frame, { x, y }: Handle): Point {
  const [a, b, c, d] = cornersOf(frame) as [Point, Point, Point, Point];
  const [u, v] = [(x + 1) / 2, (y + 1) / 2];
  const mix = (k: "x" | "y") => (1 - v) * ((1 - u) * a[k] + u * b[k]) + v * ((1 - u) * d[k] + u * c[k]);
  return { x: mix("x"), y: mix("y") };
}
