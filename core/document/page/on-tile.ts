import type { Point } from "#core/geometry";
import { outlineOf } from "#core/outlines";
import { frameRect } from "./page.ts";
import type { PlacedTile } from "./place-page.ts";

/** Whether a point of the page, in mm, lies on a tile as it is turned and cut out. */
export function liesOn({ frame, outline, cornerMm }: PlacedTile, at: Point): boolean {
  const turn = (-frame.turn * Math.PI) / 180;
  const [x, y] = [at.x - frame.centre.x, at.y - frame.centre.y];
  const upright = {
    x: frame.centre.x + x * Math.cos(turn) - y * Math.sin(turn),
    y: frame.centre.y + x * Math.sin(turn) + y * Math.cos(turn),
  };
  const whole = frameRect(frame);
  return outlineOf(outline).holds({ whole, seen: whole, cornerMm }, upright);
}
