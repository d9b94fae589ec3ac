import type { Point, Size } from "#core/geometry";
import { dragged, type Framing, settled, zoomed } from "./cover.ts";

/**
 * The framing after fingers that lay at `from` have moved to `to` (mm from the tile's centre): one drags the photo, two
 * also zoom and turn it about the point between them.
 */
export function pinched(
  aspect: number,
  tile: Size,
  framing: Framing,
  from: readonly Point[],
  to: readonly Point[],
): Framing {
  const [a, b] = from;
  const [c, d] = to;
  if (!a || !c) return framing;
  if (!b || !d) return dragged(aspect, tile, framing, { x: c.x - a.x, y: c.y - a.y });
  const start = settled(aspect, tile, framing);
  const was = { x: b.x - a.x, y: b.y - a.y };
  const is = { x: d.x - c.x, y: d.y - c.y };
  const ratio = Math.hypot(is.x, is.y) / Math.max(1e-6, Math.hypot(was.x, was.y));
  const angle = Math.atan2(is.y, is.x) - Math.atan2(was.y, was.x);
  const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 };
  const closer = zoomed(aspect, tile, start, start.zoom * ratio, middle);
  const turned = { ...closer, turn: closer.turn + (angle * 180) / Math.PI };
  // Turning goes about the tile's centre; what lay between the fingers is brought back under them.
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const carried = { x: middle.x * cos - middle.y * sin, y: middle.x * sin + middle.y * cos };
  return dragged(aspect, tile, turned, { x: (c.x + d.x) / 2 - carried.x, y: (c.y + d.y) / 2 - carried.y });
}

/** How far, in degrees, a line from `a` to `b` is off from lying level or standing upright, whichever is nearer. */
export function leanOf(a: Point, b: Point): number {
  const angle = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  return angle - 90 * Math.round(angle / 90);
}
