import { flattened, insetRings, type PathSink, type Rect, record, ringsHold, traceRings } from "#core/geometry";
import type { OutlineKind } from "./outline.ts";

/** An outline that is known by its line alone: what lies on it and the edge of its border follow from that. */
export function drawn<S extends object>(
  draw: (box: Rect, to: PathSink, settings: S, cornerMm: number) => void,
  first: S,
  hasCorners = false,
): OutlineKind<S> {
  // As large as what the cut leaves of its frame: on into the bleed it would be cut flat.
  const rings = (box: Rect, settings: S, cornerMm: number) =>
    flattened(record((to) => draw(box, to, settings, cornerMm)));
  return {
    trace: ({ seen, cornerMm }, to, settings) => draw(seen, to, settings, cornerMm),
    inset: ({ seen, cornerMm }, byMm, to, settings) =>
      traceRings(insetRings(rings(seen, settings, cornerMm), byMm), to),
    holds: ({ seen, cornerMm }, p, settings) => ringsHold(rings(seen, settings, cornerMm), p),
    fillsFrame: () => false,
    hasCorners,
    first,
  };
}

/** Points stretched until they touch all four sides of a box. */
export function traceStretched(points: readonly (readonly [number, number])[], box: Rect, to: PathSink): void {
  const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - left, Math.max(...ys) - top];
  traceRings(
    [points.map(([x, y]) => ({ x: box.x + ((x - left) / w) * box.w, y: box.y + ((y - top) / h) * box.h }))],
    to,
  );
}
