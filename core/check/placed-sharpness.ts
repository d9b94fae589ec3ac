import { framingOf, type PlacedPage, pictureRect } from "#core/document";
import { effectivePpi } from "#core/fit";
import { mmPerInch } from "#core/units";
import type { PageFacts } from "./rule.ts";

export interface PlacedSharpness {
  readonly pageId: string;
  readonly tileId: string;
  readonly photoId: string;
  /** Photo pixels to the inch on paper. */
  readonly ppi: number;
}

/** How sharp every photo on a page prints. */
export const sharpnessOn = (page: PlacedPage, facts: Pick<PageFacts, "known" | "photo">) =>
  page.tiles.flatMap((tile): PlacedSharpness[] => {
    if (tile.filling.kind !== "photo") return [];
    const { view } = tile.filling;
    const [photo, seen] = [facts.known(view.photoId), facts.photo(view.photoId)];
    if (!photo || !seen) return [];
    const ppi = view.repeats
      ? (mmPerInch * photo.widthPx) / view.repeats.wideMm
      : effectivePpi(photo, pictureRect(tile), framingOf(view, seen, tile, page.format));
    return [{ pageId: page.id, tileId: tile.id, photoId: photo.id, ppi }];
  });
