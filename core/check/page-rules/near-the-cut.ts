import type { PageFormat } from "#core/lab";
import { seenFrame } from "#core/scene";
import type { PageRule } from "../facts.ts";
import type { Edge } from "../finding.ts";
import { cutEdges, hairMm, spot, tileBox } from "../places.ts";

/** A knife may fall so far off: what is left of something thinner looks crooked, or is gone. */
const leastMm = 2;
/** A lab that wants more kept free for words does not mean that a white edge has to be that wide. */
const mostMm = 5;

/** How wide something has to be beside a cut, by how exactly this lab cuts. */
export const cuttingToleranceMm = ({ safeMm }: PageFormat): number => Math.min(mostMm, Math.max(leastMm, safeMm));

/** A margin or a border at the edge of the page that is thinner than the knife is exact. */
export const nearTheCut: PageRule = ({ page, format }) => {
  const { margin } = page.look;
  const tolerance = cuttingToleranceMm(format);
  const thin = (Object.entries(margin) as [Edge, number][]).filter(
    ([edge, mm]) =>
      mm > hairMm && mm < tolerance && cutEdges({ x: 0, y: 0, w: 0, h: 0 }, format).edges.some((e) => e.edge === edge),
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
};
