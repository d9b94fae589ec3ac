import type { Frame } from "#core/document";
import type { Rect } from "#core/geometry";
import { boundsOf, movedBy } from "./frames.ts";

export const alignments = ["left", "centre", "right", "top", "middle", "bottom"] as const;
export type Alignment = (typeof alignments)[number];

/** Frames moved so that their sides or middles lie on those of a rectangle: of all of them, of the page, or of one. */
export function aligned(frames: readonly Frame[], to: Rect, how: Alignment): readonly Frame[] {
  return frames.map((f) => {
    const r = boundsOf([f]);
    const across = { left: to.x - r.x, centre: to.x + to.w / 2 - (r.x + r.w / 2), right: to.x + to.w - (r.x + r.w) };
    const down = { top: to.y - r.y, middle: to.y + to.h / 2 - (r.y + r.h / 2), bottom: to.y + to.h - (r.y + r.h) };
    return movedBy(f, {
      x: how in across ? across[how as keyof typeof across] : 0,
      y: how in down ? down[how as keyof typeof down] : 0,
    });
  });
}

/** All gaps between frames in their order along an axis the same; the outermost two stay where they are. */
export function sharedOut(frames: readonly Frame[], axis: "x" | "y"): readonly Frame[] {
  const of = frames.map((f, i) => {
    const r = boundsOf([f]);
    return axis === "x" ? { i, from: r.x, length: r.w } : { i, from: r.y, length: r.h };
  });
  const sorted = of.toSorted((a, b) => a.from + a.length / 2 - (b.from + b.length / 2));
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last || frames.length < 3) return frames;
  const whole = last.from + last.length - first.from;
  const gap = (whole - sorted.reduce((sum, s) => sum + s.length, 0)) / (sorted.length - 1);
  let at = first.from;
  const moved = [...frames];
  for (const { i, from, length } of sorted) {
    moved[i] = movedBy(frames[i]!, axis === "x" ? { x: at - from, y: 0 } : { x: 0, y: at - from });
    at += length + gap;
  }
  return moved;
}

/** All as wide, or as high, as one of them. */
export const madeAs = (frames: readonly Frame[], like: Frame, what: "width" | "height"): readonly Frame[] =>
  frames.map((f) => ({ ...f, [what]: like[what] }));
