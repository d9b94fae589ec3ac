import { autoFramed, type Change, type PlacedPage } from "#core/document";
import { sharpnessOf } from "#core/fit";
import type { Size } from "#core/geometry";
import { tellingTile } from "../fix-tile.ts";
import { sharpnessOn } from "../placed-sharpness.ts";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";
import { withSharperPlace, withSmallerTile } from "../softness.ts";

/** Below the lab's least a photo prints visibly soft; below what it wants it is only less crisp. */
export const sharpness: PageRule<
  { readonly code: "soft" | "lessSharp"; readonly ppi: number; readonly needsPpi: number; readonly largest: Size },
  "useSharper" | "sharperPlace" | "printSmaller"
> = {
  looksAt: "page",
  find: ({ page, format }, facts) => {
    const byId = new Map(page.tiles.map((t) => [t.id, t]));
    const told = new Set<string>();
    return sharpnessOn(page, facts).flatMap(({ tileId, photoId, ppi }) => {
      const tile = byId.get(tileId)!;
      const is = sharpnessOf(ppi, format);
      // A photo that runs through several tiles is one photo.
      const part = tile.through && tile.tile.through?.id;
      if (is === "sharp" || (part && told.has(part))) return [];
      if (part) told.add(part);
      const printed = tile.through ?? { w: tile.frame.width, h: tile.frame.height };
      const needsPpi = is === "soft" ? format.leastPpi : format.ppi;
      const share = ppi / needsPpi;
      return [
        {
          code: is === "soft" ? "soft" : "lessSharp",
          severity: is === "soft" ? "wrong" : "hint",
          ppi: Math.round(ppi),
          needsPpi,
          largest: { w: printed.w * share, h: printed.h * share },
          spots: [spot(page, tile)],
          fixes: part
            ? []
            : [
                ...(facts.sharperTwin(photoId) === undefined ? [] : (["useSharper"] as const)),
                ...(is === "soft" && withSharperPlace(page, tileId, facts) ? (["sharperPlace"] as const) : []),
                ...(is === "soft" && withSmallerTile(page, tileId, facts) ? (["printSmaller"] as const) : []),
              ],
        },
      ];
    });
  },
  fixes: {
    useSharper: tellingTile(({ filling }, { facts }) => {
      const photoId = filling.kind === "photo" ? facts.sharperTwin(filling.view.photoId) : undefined;
      return photoId === undefined ? undefined : { filling: { kind: "photo", view: autoFramed(photoId) } };
    }),
    sharperPlace: ({ on, tile, facts }) => replacedBy(tile && withSharperPlace(on, tile.id, facts)),
    printSmaller: ({ on, tile, facts }) => replacedBy(tile && withSmallerTile(on, tile.id, facts)),
  },
};

const replacedBy = (next: PlacedPage | undefined): readonly Change[] =>
  next ? [{ type: "replacePage", page: next.page }] : [];
