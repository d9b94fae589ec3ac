import type { PlacedPage, PlacedTile } from "#core/document";
import { allSides } from "#core/geometry";
import { trimBox } from "#core/lab";
import { type Mask, maskPixels } from "#core/masks";
import { levelsOf, softOf, thrownBy } from "#core/scene";
import { tellingTile } from "../fix-tile.ts";
import { beyond, hairMm, spot, tileBox } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** Beyond this many deviations nobody sees a shadow against paper. */
const seenSigmas = 1.6;
/** A mask is measured as coarsely as still tells a line from a slope. */
const measurePpi = 75;
/** An edge this clear cannot be told from what lies behind it. */
const clear = 5;
const mostEdge = 0.05;

/** A shadow that the cut takes a part of, and a soft edge that ends before it is clear. */
export const softThings: PageRule<
  { readonly code: "shadowCut"; readonly beyondMm: number } | { readonly code: "softEnds"; readonly share: number },
  "noShadow" | "lowerShadow" | "evenSoft"
> = {
  looksAt: "page",
  find: ({ page, format }) => [
    ...page.tiles.flatMap((tile) => {
      const { shadow } = tile;
      if (shadow.falls !== "under" || shadow.strength === 0 || tile.filling.kind === "empty") return [];
      const [box, trim] = [tileBox(tile), trimBox(format)];
      // What goes over the cut itself takes its shadow along.
      if (beyond(box, trim) > -hairMm) return [];
      const { x, y, blurMm } = thrownBy(shadow, page.look.light, levelOf(page, tile));
      const far = seenSigmas * blurMm;
      const shade = { x: box.x + x - far, y: box.y + y - far, w: box.w + 2 * far, h: box.h + 2 * far };
      const beyondMm = beyond(shade, trim);
      if (beyondMm <= hairMm) return [];
      const fixes = ["lowerShadow" as const, "noShadow" as const];
      return [{ code: "shadowCut" as const, severity: "doubt" as const, beyondMm, spots: [spot(page, tile)], fixes }];
    }),
    ...page.tiles.flatMap((tile) => {
      const soft = Object.values(tile.soft).every((mm) => mm > 0) ? softOf(tile, format) : undefined;
      const share = soft ? hardShare(soft.mask) : 0;
      if (share <= mostEdge) return [];
      const fixes = ["evenSoft" as const];
      return [{ code: "softEnds" as const, severity: "doubt" as const, share, spots: [spot(page, tile)], fixes }];
    }),
  ],
  fixes: {
    noShadow: tellingTile(({ shadow }) => ({ shadow: { ...shadow, falls: "none" } })),
    lowerShadow: tellingTile((tile, { on }) => lowered(tile, on.look.light, beyond(tileBox(tile), trimBox(on.format)))),
    evenSoft: tellingTile(({ soft }) => ({ soft: allSides(Math.max(...Object.values(soft))) })),
  },
};

const levelOf = (page: PlacedPage, tile: PlacedTile): number => levelsOf(page.tiles).get(tile) ?? 1;

/** Of the pixels that an outline cuts, the share that is still seen. */
function hardShare(mask: Mask): number {
  const cover = mask.parts.find((p) => p.part === "cover");
  if (!cover) return 0;
  const seen = maskPixels(mask, measurePpi).bytes;
  const inside = maskPixels({ ...mask, parts: [cover] }, measurePpi).bytes;
  let [cut, hard] = [0, 0];
  for (let i = 0; i < seen.length; i += 1) {
    if (inside[i] === 0 || inside[i] === 255) continue;
    cut += 1;
    if (seen[i]! > clear) hard += 1;
  }
  return cut === 0 ? 0 : hard / cut;
}

/** As high as leaves all that is seen of the shadow on the page; `beyondMm` is how far the tile lies within. */
function lowered({ shadow }: PlacedTile, light: Parameters<typeof thrownBy>[1], beyondMm: number) {
  const room = -beyondMm;
  const { own: _, ...byLight } = shadow;
  const at = (liftMm: number) => thrownBy({ ...byLight, liftMm }, light, 1);
  for (let liftMm = 3; liftMm >= 0.1; liftMm -= 0.1) {
    const { x, y, blurMm } = at(liftMm);
    if (Math.max(Math.abs(x), Math.abs(y)) + seenSigmas * blurMm < room)
      return { shadow: { ...byLight, liftMm: Math.round(liftMm * 10) / 10 } };
  }
  return { shadow: { ...shadow, falls: "none" as const } };
}
