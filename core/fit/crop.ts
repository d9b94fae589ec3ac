import { centreOf, type Rect, type Size } from "#core/geometry";
import { coveringSize, type Framing, seenFrom, settled } from "./cover.ts";

/** The framing that shows all of a part of the photo, and as little else as the tile's shape allows. `part`: in shares of the photo. */
export function framingShowing(aspect: number, tile: Size, framing: Framing, part: Rect): Framing {
  const covering = coveringSize(aspect, tile, framing.turn);
  const seen = seenFrom(tile, framing.turn);
  const zoom = Math.min(seen.w / (part.w * covering.w), seen.h / (part.h * covering.h));
  return settled(aspect, tile, { ...framing, zoom, centre: centreOf(part) });
}
