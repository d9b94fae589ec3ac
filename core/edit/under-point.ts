import { frameRect, type PlacedPage, type PlacedTile } from "#core/document";
import type { Point } from "#core/geometry";
import { outlineOf } from "#core/outlines";

/** Whether a point lies on a tile, as it is turned and cut out. */
export function holds({ frame, outline, cornerMm }: PlacedTile, at: Point): boolean {
  const turn = (-frame.turn * Math.PI) / 180;
  const [x, y] = [at.x - frame.centre.x, at.y - frame.centre.y];
  const upright = {
    x: frame.centre.x + x * Math.cos(turn) - y * Math.sin(turn),
    y: frame.centre.y + x * Math.sin(turn) + y * Math.cos(turn),
  };
  const whole = frameRect(frame);
  return outlineOf(outline).holds({ whole, seen: whole, cornerMm }, upright);
}

/** Every tile that lies under a point of the page, what covers the others first. `at` in mm. */
export const tilesUnder = (on: PlacedPage, at: Point): readonly string[] =>
  on.tiles.toReversed().flatMap((t) => (holds(t, at) ? [t.id] : []));
