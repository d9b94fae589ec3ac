import { chain, type PathData, record, rotation, transformed, translation } from "#core/geometry";
import { outlineOf } from "#core/outlines";
import { frameRect } from "./page.ts";
import type { PlacedTile } from "./place-page.ts";

/** A tile's outline where it lies on the page, turned as it is. In mm. */
export function tileLine({ frame, outline, cornerMm }: Pick<PlacedTile, "frame" | "outline" | "cornerMm">): PathData {
  const whole = frameRect(frame);
  const upright = record((to) => outlineOf(outline).trace({ whole, seen: whole, cornerMm }, to));
  if (frame.turn === 0) return upright;
  const { x, y } = frame.centre;
  return transformed(upright, chain(translation(x, y), rotation((frame.turn * Math.PI) / 180), translation(-x, -y)));
}
