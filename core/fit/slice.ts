import { applyTo, inverse, type Point, type Rect } from "#core/geometry";
import { coveringSize, type Framing, photoMatrix, printedSize, settled, withinHalf } from "./cover.ts";

/** Where a tile lies that shows a part of a photo which runs through several: `turn` in degrees clockwise about its centre. Lengths in mm. */
export interface SliceFrame {
  readonly centre: Point;
  readonly width: number;
  readonly height: number;
  readonly turn: number;
}

/** How a tile looks at its part of a photo that covers `box`, as `whole` says. */
export function sliceFraming(aspect: number, box: Rect, whole: Framing, tile: SliceFrame): Framing {
  const size = printedSize(aspect, box, settled(aspect, box, whole));
  const turn = withinHalf(whole.turn - tile.turn);
  const least = coveringSize(aspect, { w: tile.width, h: tile.height }, turn);
  const centre = applyTo(inverse(photoMatrix(aspect, box, whole)), tile.centre);
  return { zoom: size.h / least.h, centre, turn, flip: whole.flip, slice: true };
}
