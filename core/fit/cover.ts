import {
  chain,
  clamp,
  type Matrix,
  type Point,
  type Rect,
  rotation,
  type Size,
  scaling,
  translation,
} from "#core/geometry";

/** The part of a tile's view that arithmetic needs. `turn` in degrees clockwise, `centre` in shares of the photo. */
export interface Framing {
  readonly zoom: number;
  readonly centre: Point;
  readonly turn: number;
  readonly flip: boolean;
  /** All of the photo may be seen, so that the tile need not be covered. */
  readonly whole?: boolean;
  /** A part of a photo that covers more than this tile: it is as it was worked out, and not settled here. */
  readonly slice?: true;
}

/** A little above the middle where there is a choice: that is where heads are. */
export const firstFraming: Framing = { zoom: 1, centre: { x: 0.5, y: 0.42 }, turn: 0, flip: false };

/** Beyond this nothing prints sharp any more, and a drag becomes hard to steer. */
export const mostZoom = 12;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** The tile's box as the turned photo sees it: what the photo has to cover along its own sides. */
export function seenFrom(tile: Size, turn: number): Size {
  const cos = Math.abs(Math.cos(radians(turn)));
  const sin = Math.abs(Math.sin(radians(turn)));
  return { w: tile.w * cos + tile.h * sin, h: tile.w * sin + tile.h * cos };
}

/** The smallest size of a photo of this aspect that covers the tile when turned, in mm. */
export function coveringSize(aspect: number, tile: Size, turn: number): Size {
  const seen = seenFrom(tile, turn);
  const h = Math.max(seen.h, seen.w / aspect);
  return { w: h * aspect, h };
}

/** The zoom at which all of a turned photo just lies inside the tile; 1 covers it. */
function wholeZoom(aspect: number, tile: Size, turn: number): number {
  const covering = coveringSize(aspect, tile, turn);
  const turned = seenFrom(covering, turn);
  return Math.min(tile.w / turned.w, tile.h / turned.h);
}

const leastZoom = (aspect: number, tile: Size, f: Framing): number => (f.whole ? wholeZoom(aspect, tile, f.turn) : 1);

/** The photo's size on the page, in mm. */
export function printedSize(aspect: number, tile: Size, framing: Framing): Size {
  const least = coveringSize(aspect, tile, framing.turn);
  return { w: least.w * framing.zoom, h: least.h * framing.zoom };
}

/**
 * The nearest framing that covers the tile, unless the whole photo is asked for: zoom at least covering, centre moved in only as far as needed. Framings are
 * kept as a person set them and settled when drawn, so that a tile made narrow and wide again shows what it showed.
 */
export function settled(aspect: number, tile: Size, framing: Framing): Framing {
  if (framing.slice) return framing;
  const zoom = clamp(framing.zoom, leastZoom(aspect, tile, framing), mostZoom);
  const seen = seenFrom(tile, framing.turn);
  const size = printedSize(aspect, tile, { ...framing, zoom });
  const within = (c: number, part: number, whole: number) => {
    const half = Math.min(0.5, part / whole / 2);
    return clamp(c, half, 1 - half);
  };
  const centre = { x: within(framing.centre.x, seen.w, size.w), y: within(framing.centre.y, seen.h, size.h) };
  const same = zoom === framing.zoom && centre.x === framing.centre.x && centre.y === framing.centre.y;
  return same ? framing : { ...framing, zoom, centre };
}

/** Takes the photo's unit square to the page (mm). */
export function photoMatrix(aspect: number, tile: Rect, framing: Framing): Matrix {
  const at = settled(aspect, tile, framing);
  const size = printedSize(aspect, tile, at);
  return chain(
    translation(tile.x + tile.w / 2, tile.y + tile.h / 2),
    rotation(radians(at.turn)),
    scaling(at.flip ? -size.w : size.w, size.h),
    translation(-at.centre.x, -at.centre.y),
  );
}

/** The framing after the photo is dragged by (dx, dy) mm on the page; it stops where the tile would come bare. */
export function dragged(aspect: number, tile: Size, framing: Framing, by: Point): Framing {
  const at = settled(aspect, tile, framing);
  const size = printedSize(aspect, tile, at);
  const cos = Math.cos(radians(-at.turn));
  const sin = Math.sin(radians(-at.turn));
  const along = { x: by.x * cos - by.y * sin, y: by.x * sin + by.y * cos };
  const mirrored = at.flip ? -1 : 1;
  const centre = { x: at.centre.x - (mirrored * along.x) / size.w, y: at.centre.y - along.y / size.h };
  return settled(aspect, tile, { ...at, centre });
}

/** Zooms so that the point of the photo under `anchor` (mm from the tile's centre) stays under it. */
export function zoomed(
  aspect: number,
  tile: Size,
  framing: Framing,
  zoom: number,
  anchor: Point = { x: 0, y: 0 },
): Framing {
  const at = settled(aspect, tile, framing);
  const held = clamp(zoom, leastZoom(aspect, tile, at), mostZoom);
  const shift = held / at.zoom - 1;
  const closer = { ...at, zoom: held };
  // Growing about the tile's centre carries the anchor's point outwards; drag it back.
  return dragged(aspect, tile, closer, { x: -anchor.x * shift, y: -anchor.y * shift });
}

/** The quarter turns in a turn, and what is left of it, both in degrees. */
export function turnParts(turn: number): { readonly quarters: number; readonly fine: number } {
  const quarters = Math.round(turn / 90) * 90;
  return { quarters, fine: turn - quarters };
}

/** The same turn as a number from −180 to 180. */
export const withinHalf = (turn: number): number => turn - 360 * Math.round(turn / 360);
