import { clamp, type Point, type Sides, type Size } from "#core/geometry";
import type { FaceBox, Focus } from "#core/photo";
import { coveringSize, type Framing, firstFraming } from "./cover.ts";

/** What first framing knows of a photo. */
export interface PhotoShape {
  readonly aspect: number;
  readonly focus: Focus | null;
}

const noSides: Sides = { top: 0, right: 0, bottom: 0, left: 0 };

/**
 * How a photo lies in a tile that nobody has framed by hand: just covering it, with as many heads as can be inside whole,
 * and the focus near the middle. `lost` is how much of the tile, in mm on each side, the cut or the gutter may take: heads
 * keep out of that too, where the photo allows.
 */
export function firstFramingFor(photo: PhotoShape, tile: Size, lost: Sides = noSides): Framing {
  const { focus, aspect } = photo;
  if (!focus) return firstFraming;
  const size = coveringSize(aspect, tile, 0);
  const heads = focus.faces.map(headOf);
  const place = (
    point: number,
    at: (h: Span2) => Span,
    tilePart: number,
    photoPart: number,
    before: number,
    after: number,
  ) => bestMiddle(heads.map(at), point, tilePart / photoPart, before / photoPart, after / photoPart);
  const centre: Point = {
    x: place(focus.point.x, (h) => h.x, tile.w, size.w, lost.left, lost.right),
    y: place(focus.point.y, (h) => h.y, tile.h, size.h, lost.top, lost.bottom),
  };
  return { ...firstFraming, centre };
}

interface Span {
  readonly from: number;
  readonly to: number;
  readonly weight: number;
}
interface Span2 {
  readonly x: Span;
  readonly y: Span;
}

/** The whole head around a face: hair above it, ears beside it, a little chin. */
function headOf(f: FaceBox): Span2 {
  const weight = f.w * f.h;
  return {
    x: { from: Math.max(0, f.x - 0.15 * f.w), to: Math.min(1, f.x + 1.15 * f.w), weight },
    y: { from: Math.max(0, f.y - 0.45 * f.h), to: Math.min(1, f.y + 1.12 * f.h), weight },
  };
}

/**
 * Where along one side the window of length `seen` (all in shares of the photo) has its middle. Only places where a head
 * just comes in or the point lies in the middle can be best, so trying those is exact.
 */
function bestMiddle(heads: readonly Span[], point: number, seen: number, before: number, after: number): number {
  const half = Math.min(0.5, seen / 2);
  const within = (c: number) => clamp(c, half, 1 - half);
  // The visible window lies between c - half + before and c + half - after.
  const tries = [point, ...heads.flatMap((h) => [h.from + half - before, h.to - half + after, (h.from + h.to) / 2])];
  let best = within(point);
  let bestScore = Number.NEGATIVE_INFINITY;
  for (const c of tries.map(within)) {
    const [from, to] = [c - half + before, c + half - after];
    const whole = heads.reduce((sum, h) => sum + (h.from >= from - 1e-9 && h.to <= to + 1e-9 ? h.weight : 0), 0);
    const partly = heads.reduce((sum, h) => sum + h.weight * overlap(h, from, to), 0);
    // Whole heads first, then as much of the others as possible, then nearness to the focus.
    const score = whole * 1000 + partly * 10 - Math.abs(c - point) * 0.1;
    if (score > bestScore + 1e-12) {
      best = c;
      bestScore = score;
    }
  }
  return best;
}

const overlap = (h: Span, from: number, to: number): number =>
  h.to > h.from ? Math.max(0, Math.min(h.to, to) - Math.max(h.from, from)) / (h.to - h.from) : 0;
