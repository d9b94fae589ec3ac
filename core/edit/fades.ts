import type { Change, Page, PlacedTile, View } from "#core/document";
import type { PhotoShape } from "#core/fit";
import { applyTo, chain, clamp, inverse, type Matrix, type Point } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { Stroke } from "#core/masks";
import { ownToPage, strokeToOwn } from "#core/scene";
import { viewsChange } from "./tone.ts";

/** As many as a view is read back with. */
export const mostFadeStrokes = 500;
const mostPoints = 600;

/** What is brushed with; `radiusMm` as it is seen on the page. */
export interface Brush {
  readonly does: Stroke["does"];
  readonly radiusMm: number;
  readonly hardness: number;
  readonly strength: number;
}

/** A stroke's units to the page, as a tile shows its photo now. */
export function strokeToPage(tile: PlacedTile, photo: PhotoShape, format: PageFormat): Matrix | undefined {
  if (tile.filling.kind !== "photo") return undefined;
  return chain(ownToPage(tile), strokeToOwn(tile, tile.filling.view, photo, format));
}

export type StrokePoint = Stroke["points"][number];

/**
 * What a hand drew on the page (mm) as a stroke in the photo's own space, with no more points than can be seen: the line is simplified once (Douglas
 * and Peucker, 1973), to an eightieth of the brush for a hard one, less finely for a soft one, and that is what is kept and painted.
 */
export function brushedStroke(line: readonly Point[], brush: Brush, toPage: Matrix): Stroke | undefined {
  const back = inverse(toPage);
  const scale = Math.hypot(back.a, back.b);
  const radius = clamp(Math.round(brush.radiusMm * scale), 1, 20_000);
  const points = line.map((p): StrokePoint => {
    const at = applyTo(back, p);
    return [inRange(at.x), inRange(at.y), radius];
  });
  if (points.length === 0) return undefined;
  const { does, hardness, strength } = brush;
  let tolerance = (radius / 20) * (1.2 - hardness);
  let kept = simplified(points, tolerance);
  for (; kept.length > mostPoints; tolerance *= 1.5) kept = simplified(points, tolerance);
  return { does, hardness: clamp(hardness, 0, 0.8), strength: clamp(strength, 0, 1), points: kept };
}

export const inRange = (v: number): number => clamp(Math.round(v), -20_000, 30_000);

function simplified(points: readonly StrokePoint[], tolerance: number): readonly StrokePoint[] {
  const keep = new Set([0, points.length - 1]);
  const spans: (readonly [number, number])[] = [[0, points.length - 1]];
  for (let span = spans.pop(); span; span = spans.pop()) {
    const [from, to] = span;
    let [furthest, far] = [from, tolerance];
    for (let i = from + 1; i < to; i += 1) {
      const d = fromLine(points[i]!, points[from]!, points[to]!);
      if (d > far) [furthest, far] = [i, d];
    }
    if (furthest === from) continue;
    keep.add(furthest);
    spans.push([from, furthest], [furthest, to]);
  }
  return points.filter((_, i) => keep.has(i));
}

function fromLine([x, y]: StrokePoint, [ax, ay]: StrokePoint, [bx, by]: StrokePoint): number {
  const [ux, uy] = [bx - ax, by - ay];
  const t = clamp(((x - ax) * ux + (y - ay) * uy) / (ux * ux + uy * uy || 1), 0, 1);
  return Math.hypot(x - ax - t * ux, y - ay - t * uy);
}

/** The photos in these tiles with strokes that `strokesOf` makes of those that they have. */
export const fadeChange = (
  page: Page,
  tileIds: readonly string[],
  strokesOf: (strokes: readonly Stroke[]) => readonly Stroke[],
): Change => viewsChange(page, tileIds, (view) => withFade(view, strokesOf(view.fade ?? [])));

function withFade({ fade: _, ...view }: View, strokes: readonly Stroke[]): View {
  return strokes.length === 0 ? view : { ...view, fade: strokes };
}
