import { type Frame, isFree, type PlacedTile } from "#core/document";
import { bleedBox, type PageFormat } from "#core/lab";
import type { Edge } from "../finding.ts";
import { tellingTile } from "../fix-tile.ts";
import { cutEdges, hairMm, spot, tileBox } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** So near to the trim that it is meant to reach it. */
const reachesMm = 0.6;

export const colours = (tile: PlacedTile): boolean =>
  tile.filling.kind === "photo" ||
  tile.filling.kind === "colour" ||
  tile.filling.kind === "paper" ||
  (tile.filling.kind === "words" && tile.filling.card !== null);

/** What ends at the trim shows a white line wherever the knife falls a little outside of it. */
export const shortOfBleed: PageRule<
  { readonly code: "shortOfBleed"; readonly edges: readonly Edge[]; readonly bleedMm: number },
  "reachBleed"
> = {
  looksAt: "page",
  find: ({ page, format }) => {
    if (format.bleedMm === 0) return [];
    return page.tiles.flatMap((tile) => {
      if (!colours(tile) || tile.frame.turn !== 0) return [];
      const { edges } = cutEdges(tileBox(tile), format);
      const short = edges.filter((e) => e.outMm > -reachesMm && e.outMm < format.bleedMm - hairMm);
      if (short.length === 0) return [];
      return [
        {
          code: "shortOfBleed",
          severity: "wrong",
          edges: short.map((e) => e.edge),
          bleedMm: format.bleedMm,
          spots: [spot(page, tile)],
          fixes: isFree(page.page, tile.id) ? ["reachBleed"] : [],
        },
      ];
    });
  },
  fixes: { reachBleed: tellingTile((tile, { on }) => ({ frame: reachingBleed(tile, on.format) })) },
};

/** Those edges moved out to the bleed that lie at the trim. */
function reachingBleed(tile: PlacedTile, format: PageFormat): Frame {
  const r = tileBox(tile);
  const box = bleedBox(format);
  let [x0, y0, x1, y1] = [r.x, r.y, r.x + r.w, r.y + r.h];
  for (const { edge, outMm } of cutEdges(r, format).edges) {
    if (outMm < -1) continue;
    if (edge === "left") x0 = Math.min(x0, box.x);
    if (edge === "top") y0 = Math.min(y0, box.y);
    if (edge === "right") x1 = Math.max(x1, box.x + box.w);
    if (edge === "bottom") y1 = Math.max(y1, box.y + box.h);
  }
  const centre = { x: (x0 + x1) / 2, y: (y0 + y1) / 2 };
  return { ...tile.frame, centre, width: x1 - x0, height: y1 - y0 };
}
