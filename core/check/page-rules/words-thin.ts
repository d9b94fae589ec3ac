import { luminance } from "#core/colour";
import { familyOf, thinnestStroke } from "#core/words";
import { tellingTile } from "../fix-tile.ts";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";
import { wordsOn } from "../words-on.ts";

/** Light strokes that are thinner fill in with what is around them: 0.4 pt, in mm. */
const leastLightMm = 0.141;
/** What counts as a dark ground, as light from 0 to 1. */
const dark = 0.18;

/** Light letters on a dark ground whose thin strokes close up in print. */
export const wordsThin: PageRule<
  { readonly code: "wordsThin"; readonly strokeMm: number; readonly leastMm: number },
  "boldWords"
> = {
  looksAt: "page",
  find: ({ page, format }, facts) =>
    wordsOn({ page, format }, facts).flatMap(({ tile, words, laid, at }) => {
      const ground = laid && facts.behind?.(tile.id, at);
      const look = laid?.looks[0];
      const face = look && facts.setter?.face(look.face);
      if (!ground || !look || !face || words.card || ground.light > dark || luminance(look.colour) <= ground.light)
        return [];
      const strokeMm = thinnestStroke(face) * look.sizeMm;
      if (strokeMm === 0 || strokeMm >= leastLightMm) return [];
      const { style } = words;
      return [
        {
          code: "wordsThin" as const,
          severity: "doubt" as const,
          strokeMm,
          leastMm: leastLightMm,
          spots: [spot(page, tile, at)],
          fixes: familyOf(style.font)?.bold && !style.bold ? (["boldWords"] as const) : [],
        },
      ];
    }),
  fixes: {
    boldWords: tellingTile(({ filling }) =>
      filling.kind === "words" ? { filling: { ...filling, style: { ...filling.style, bold: true } } } : undefined,
    ),
  },
};
