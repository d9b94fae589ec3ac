import { clamp, type Point, type Sides, type Size } from "#core/geometry";
import type { FaceBox } from "#core/photo";
import { coveringSize, type Framing } from "./cover.ts";
import { firstFramingFor, type PhotoShape } from "./first-framing.ts";

/** Whether a point of a tile, in shares of its width and height, lies on its shape. */
export type ShapeHolds = (at: Point) => boolean;

/** Places along the side that the photo can slide on. */
const slides = 9;
/** Points looked at across and down a face. */
const perFace = 4;
const headAbove = 0.3;

/** How much of the heads in a photo, by their size, its tile's shape hides: 0 none, 1 all. */
export function hiddenByShape(photo: PhotoShape, tile: Size, centre: Point, holds: ShapeHolds, zoom = 1): number {
  const faces = photo.focus?.faces ?? [];
  const least = coveringSize(photo.aspect, tile, 0);
  const size = { w: least.w * zoom, h: least.h * zoom };
  const at = (x: number, y: number): Point => ({
    x: 0.5 + ((x - centre.x) * size.w) / tile.w,
    y: 0.5 + ((y - centre.y) * size.h) / tile.h,
  });
  let [hidden, all] = [0, 0];
  for (const face of faces) {
    const weight = face.w * face.h;
    all += weight;
    hidden += weight * (1 - seenOf(face, at, holds));
  }
  return all === 0 ? 0 : hidden / all;
}

/** The share of a head, from its hair to its chin, that lies on the shape. */
function seenOf(f: FaceBox, at: (x: number, y: number) => Point, holds: ShapeHolds): number {
  const top = Math.max(0, f.y - headAbove * f.h);
  const high = f.y + f.h - top;
  let seen = 0;
  for (let i = 0; i < perFace; i += 1)
    for (let k = 0; k < perFace; k += 1)
      if (holds(at(f.x + (f.w * (i + 0.5)) / perFace, top + (high * (k + 0.5)) / perFace))) seen += 1;
  return seen / perFace ** 2;
}

/**
 * How a photo lies in a tile that is no rectangle: as `firstFramingFor` has it where the shape hides no head, else slid to where it hides the least,
 * and of places that hide as little the one nearest to that.
 */
export function firstFramingIn(photo: PhotoShape, tile: Size, lost: Sides, holds: ShapeHolds): Framing {
  const plain = firstFramingFor(photo, tile, lost);
  if (!photo.focus || photo.focus.faces.length === 0) return plain;
  const size = coveringSize(photo.aspect, tile, 0);
  const half = { x: Math.min(0.5, tile.w / size.w / 2), y: Math.min(0.5, tile.h / size.h / 2) };
  const within = (c: Point): Point => ({ x: clamp(c.x, half.x, 1 - half.x), y: clamp(c.y, half.y, 1 - half.y) });
  const tries = Array.from({ length: slides }, (_, i) => {
    const t = i / (slides - 1);
    return within({ x: half.x + t * (1 - 2 * half.x), y: half.y + t * (1 - 2 * half.y) });
  });
  let best = within(plain.centre);
  let least = hiddenByShape(photo, tile, best, holds);
  for (const centre of tries.toSorted((a, b) => far(a, plain.centre) - far(b, plain.centre))) {
    const hidden = hiddenByShape(photo, tile, centre, holds);
    if (hidden < least - 0.01) [best, least] = [centre, hidden];
  }
  return { ...plain, centre: best };
}

/** How much larger than it has to be a photo may be made so that faces come to lie in its tiles, and what that costs. */
const zooms = [1, 1.06, 1.12, 1.2, 1.3, 1.42] as const;
const zoomPrice = 0.25;
const gridSteps = 10;

/**
 * How one photo runs through several tiles: as large and so placed in the box around them that as little as can be of any head falls between them, and
 * no larger than that needs. `holds` says of a point of the box whether a tile lies there.
 */
export function framedThrough(photo: PhotoShape, box: Size, holds: ShapeHolds): Framing {
  const plain = firstFramingFor(photo, box);
  if (!photo.focus || photo.focus.faces.length === 0) return plain;
  const size = coveringSize(photo.aspect, box, 0);
  let best = plain;
  let least = Number.POSITIVE_INFINITY;
  for (const zoom of zooms) {
    const half = { x: box.w / size.w / zoom / 2, y: box.h / size.h / zoom / 2 };
    for (let i = 0; i <= gridSteps; i += 1)
      for (let k = 0; k <= gridSteps; k += 1) {
        const centre = {
          x: half.x + (i / gridSteps) * (1 - 2 * half.x),
          y: half.y + (k / gridSteps) * (1 - 2 * half.y),
        };
        const cost =
          hiddenByShape(photo, box, centre, holds, zoom) + zoomPrice * (zoom - 1) + 0.02 * far(centre, plain.centre);
        if (cost < least - 1e-9) [best, least] = [{ ...plain, zoom, centre }, cost];
      }
  }
  return best;
}

const far = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);
