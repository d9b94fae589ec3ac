import { isFree, type PlacedTile } from "#core/document";
import type { PageRule } from "../facts.ts";
import { cutEdges, hairMm, spot, tileBox } from "../places.ts";

/** So near to the trim that it is meant to reach it. */
const reachesMm = 0.6;

export const colours = (tile: PlacedTile): boolean =>
  tile.filling.kind === "photo" ||
  tile.filling.kind === "colour" ||
  (tile.filling.kind === "words" && tile.filling.card !== null);

/** What ends at the trim shows a white line wherever the knife falls a little outside of it. */
export const shortOfBleed: PageRule = ({ page, format }) => {
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
};
