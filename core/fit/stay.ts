import type { Point, Size } from "#core/geometry";
import { coveringSize, type Framing, printedSize, settled } from "./cover.ts";

/** A box on a page: mm, and degrees about its centre. */
interface Box extends Size {
  readonly centre: Point;
  readonly turn: number;
}

/**
 * The framing after the tile's box has become another, with the photo where it was on the page: the box moves over it. Where the box reaches beyond the
 * photo, the photo goes along as far as it has to.
 */
export function stayed(aspect: number, from: Box, to: Box, framing: Framing): Framing {
  const at = settled(aspect, from, framing);
  const size = printedSize(aspect, from, at);
  const angle = (-(from.turn + at.turn) * Math.PI) / 180;
  const [dx, dy] = [to.centre.x - from.centre.x, to.centre.y - from.centre.y];
  const along = { x: dx * Math.cos(angle) - dy * Math.sin(angle), y: dx * Math.sin(angle) + dy * Math.cos(angle) };
  const turn = at.turn + from.turn - to.turn;
  return settled(aspect, to, {
    ...at,
    turn,
    zoom: size.h / coveringSize(aspect, to, turn).h,
    centre: { x: at.centre.x + ((at.flip ? -1 : 1) * along.x) / size.w, y: at.centre.y + along.y / size.h },
  });
}
