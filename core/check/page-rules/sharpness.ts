import { allTiles, frameRect, framingOf, type Page } from "#core/document";
import { effectivePpi, sharpnessOf } from "#core/fit";
import type { PageFormat } from "#core/lab";
import type { PageFacts, PageRule } from "../facts.ts";
import { spot } from "../places.ts";

export interface PlacedSharpness {
  readonly pageId: string;
  readonly tileId: string;
  readonly photoId: string;
  /** Photo pixels to the inch on paper. */
  readonly ppi: number;
}

/** How sharp every photo on a page prints. */
export const sharpnessOn = (page: Page, format: PageFormat, facts: Pick<PageFacts, "known" | "photo">) =>
  allTiles(page).flatMap((tile): PlacedSharpness[] => {
    if (tile.filling.kind !== "photo") return [];
    const { view } = tile.filling;
    const [photo, seen] = [facts.known(view.photoId), facts.photo(view.photoId)];
    if (!photo || !seen) return [];
    const framing = framingOf(view, seen, tile.frame, format);
    const ppi = effectivePpi(photo, frameRect(tile.frame), framing);
    return [{ pageId: page.id, tileId: tile.id, photoId: photo.id, ppi }];
  });

/** Below the lab's least a photo prints visibly soft; below what it wants it is only less crisp. */
export const sharpness: PageRule = ({ page, format }, facts) => {
  const byId = new Map(allTiles(page).map((t) => [t.id, t]));
  return sharpnessOn(page, format, facts).flatMap(({ tileId, photoId, ppi }) => {
    const tile = byId.get(tileId)!;
    const is = sharpnessOf(ppi, format);
    if (is === "sharp") return [];
    const needsPpi = is === "soft" ? format.leastPpi : format.ppi;
    const share = ppi / needsPpi;
    return [
      {
        code: is === "soft" ? "soft" : "lessSharp",
        weight: is === "soft" ? "wrong" : "hint",
        ppi: Math.round(ppi),
        needsPpi,
        largest: { w: tile.frame.width * share, h: tile.frame.height * share },
        spots: [spot(page, tile)],
        mends: facts.sharperTwin(photoId) === undefined ? [] : ["useSharper"],
      },
    ];
  });
};
