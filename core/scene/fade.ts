import { framingOf, type PlacedTile, pictureRect, type View } from "#core/document";
import { type PhotoShape, photoMatrix } from "#core/fit";
import { chain, type Matrix, scaling, translation } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { type MaskPart, maskOf, strokeUnits } from "#core/masks";
import { ownBox, ownToPage } from "./soft.ts";
import type { PlacedMask } from "./steps.ts";

/** A stroke's units to the unit square of a photo of this shape. */
export const strokeToUnit = (aspect: number): Matrix =>
  scaling(Math.max(1, 1 / aspect) / strokeUnits, Math.max(1, aspect) / strokeUnits);

/** A stroke's units to the mm around the tile's middle, unturned. */
export function strokeToOwn(tile: PlacedTile, view: View, photo: PhotoShape, format: PageFormat): Matrix {
  const { x, y } = tile.frame.centre;
  const matrix = photoMatrix(photo.aspect, pictureRect(tile), framingOf(view, photo, tile, format));
  return chain(translation(-x, -y), matrix, strokeToUnit(photo.aspect));
}

/** What strokes leave of a tile's photo, as parts of a mask around its middle; none where nothing was brushed. */
export function fadeParts(tile: PlacedTile, photo: PhotoShape | undefined, format: PageFormat): readonly MaskPart[] {
  if (tile.filling.kind !== "photo" || !tile.filling.view.fade || !photo) return [];
  const { view } = tile.filling;
  return [{ part: "strokes", strokes: view.fade!, toMm: strokeToOwn(tile, view, photo, format) }];
}

/** Where a photo is stretched a little under its neighbour it is as faded as beside it. */
const spareMm = 1;

/** What a photo is drawn through where parts of it are brushed away. */
export function fadeOf(tile: PlacedTile, photo: PhotoShape, format: PageFormat): PlacedMask | undefined {
  const parts = fadeParts(tile, photo, format);
  return parts.length === 0 ? undefined : { mask: maskOf(parts, ownBox(tile, spareMm)), place: ownToPage(tile) };
}
