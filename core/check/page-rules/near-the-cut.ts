import type { Change, PlacedPage } from "#core/document";
import type { PageFormat } from "#core/lab";
import { seenFrame } from "#core/scene";
import type { Edge } from "../finding.ts";
import { tellingTile } from "../fix-tile.ts";
import { cutEdges, hairMm, spot, tileBox } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** A knife may fall so far off: what is left of something thinner looks crooked, or is gone. */
const leastMm = 2;
/** A lab that wants more kept free for words does not mean that a white edge has to be that wide. */
const mostMm = 5;

/** How wide something has to be beside a cut, by how exactly this lab cuts. */
const cuttingToleranceMm = ({ safeMm }: PageFormat): number => Math.min(mostMm, Math.max(leastMm, safeMm));

/** A margin or a border at the edge of the page that is thinner than the knife is exact. */
export const nearTheCut: PageRule<
  | { readonly code: "thinMargin"; readonly marginMm: number; readonly edges: readonly Edge[] }
  | { readonly code: "thinBorder"; readonly leftMm: number },
  "fullBleed" | "widerMargin" | "dropBorder"
> = {
  looksAt: "page",
  find: ({ page, format }) => {
    const { margin } = page.look;
    const tolerance = cuttingToleranceMm(format);
    const thin = (Object.entries(margin) as [Edge, number][]).filter(
      ([edge, mm]) =>
        mm > hairMm &&
        mm < tolerance &&
        cutEdges({ x: 0, y: 0, w: 0, h: 0 }, format).edges.some((e) => e.edge === edge),
    );
    const margins =
      thin.length > 0 && page.groups.some((g) => g.group.arrangement.kind !== "pockets")
        ? [
            {
              code: "thinMargin" as const,
              severity: "doubt" as const,
              marginMm: Math.min(...thin.map(([, mm]) => mm)),
              edges: thin.map(([edge]) => edge),
              spots: [{ pageId: page.id, tileIds: [] }],
              fixes: ["fullBleed" as const, "widerMargin" as const],
            },
          ]
        : [];
    const borders = page.tiles.flatMap((tile) => {
      const { widthMm } = tile.border;
      if (widthMm === 0 || tile.filling.kind === "empty" || tile.frame.turn !== 0) return [];
      const lost = cutEdges(tileBox(tile), format).edges.filter((e) => e.outMm > hairMm);
      // Of a tile that goes on to the end of the bleed, the border is measured from the cut.
      const bled = seenFrame(tile.frame, format) !== tile.frame;
      const leftMm = bled ? widthMm : Math.min(...lost.map((e) => widthMm - e.outMm));
      if (lost.length === 0 || leftMm >= tolerance) return [];
      return [
        {
          code: "thinBorder" as const,
          severity: "doubt" as const,
          leftMm: Math.max(0, leftMm),
          spots: [spot(page, tile)],
          fixes: ["dropBorder" as const],
        },
      ];
    });
    return [...margins, ...borders];
  },
  fixes: {
    fullBleed: ({ on }) => marginOf(on, () => 0),
    widerMargin: ({ on }) => marginOf(on, () => Math.max(3, on.format.safeMm)),
    dropBorder: tellingTile(({ border }) => ({ border: { ...border, widthMm: 0 } })),
  },
};

/** Sides with too thin a margin are given another. */
function marginOf(on: PlacedPage, instead: () => number): readonly Change[] {
  const { top, right, bottom, left } = on.look.margin;
  const side = (mm: number) => (mm > 0 && mm < cuttingToleranceMm(on.format) ? instead() : mm);
  const margin = { top: side(top), right: side(right), bottom: side(bottom), left: side(left) };
  return [{ type: "setPages", items: [{ id: on.id, set: { margin } }] }];
}
