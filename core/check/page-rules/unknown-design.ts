import { ornamentDesign, paperDesign } from "#core/artwork";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** A paper or an ornament that only a later version knows how to draw. */
export const unknownDesign: PageRule<{ readonly code: "unknownDesign"; readonly design: string }> = {
  looksAt: "page",
  find: ({ page }) => {
    const behind = page.look.paper;
    const told = { code: "unknownDesign", severity: "wrong", fixes: [] } as const;
    const ofPage =
      behind && !paperDesign(behind.design)
        ? [{ ...told, design: behind.design, spots: [{ pageId: page.id, tileIds: [] }] }]
        : [];
    const ofTiles = page.tiles.flatMap((tile) => {
      const { filling } = tile;
      const design =
        filling.kind === "paper" && !paperDesign(filling.paper.design)
          ? filling.paper.design
          : filling.kind === "ornament" && !ornamentDesign(filling.ornament.design)
            ? filling.ornament.design
            : undefined;
      return design === undefined ? [] : [{ ...told, design, spots: [spot(page, tile)] }];
    });
    return [...ofPage, ...ofTiles];
  },
  fixes: {},
};
