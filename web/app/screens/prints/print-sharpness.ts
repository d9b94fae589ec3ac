import { frameRect, type PlacedPage, photoIdOf } from "#core/document";
import { effectivePpi, type Sharpness, sharpnessOf } from "#core/fit";
import type { Photo } from "#core/photo";

/** How sharp a photo comes out on its print. */
export function sharpnessOnPrint({ tiles, format }: PlacedPage, photo: Photo): Sharpness | undefined {
  const tile = tiles.find((t) => photoIdOf(t) === photo.id);
  if (tile?.filling.kind !== "photo") return undefined;
  return sharpnessOf(effectivePpi(photo, frameRect(tile.frame), tile.filling.view), format);
}
