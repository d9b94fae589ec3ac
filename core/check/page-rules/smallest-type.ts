import { findTile } from "#core/document";
import { fillingOf, tellingTile } from "../fix-tile.ts";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";
import { leastReadablePt, sizedTo } from "../type-size.ts";
import { wordsOn } from "../words-on.ts";

/** Letters smaller than the lab prints, or than can be read on photo paper. */
export const smallestType: PageRule<
  { readonly code: "wordsSmall"; readonly sizePt: number; readonly leastPt: number; readonly byLab?: true },
  "enlargeWords"
> = {
  looksAt: "page",
  find: ({ page, format, asks }, facts) =>
    wordsOn({ page, format }, facts).flatMap(({ tile, words, laid, at }) => {
      const { sizePt } = words.style;
      const asked = asks?.leastTypePt ?? 0;
      const leastPt = Math.max(leastReadablePt, asked);
      if (!laid || sizePt >= leastPt) return [];
      const running = findTile(page.page, tile.id) === undefined;
      return [
        {
          code: "wordsSmall" as const,
          severity: sizePt < asked ? ("wrong" as const) : ("doubt" as const),
          sizePt,
          leastPt,
          ...(sizePt < asked && { byLab: true as const }),
          spots: [spot(page, tile, at)],
          fixes: running ? [] : (["enlargeWords"] as const),
        },
      ];
    }),
  fixes: {
    enlargeWords: tellingTile((tile, { on, facts, asks }) =>
      fillingOf(sizedTo(Math.max(leastReadablePt, asks?.leastTypePt ?? 0), tile, on.format, facts)),
    ),
  },
};
