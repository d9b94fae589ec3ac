import { countWords, faceKey, familyOf } from "#core/words";
import type { Found } from "../finding.ts";
import { fillingOf, tellingTile } from "../fix-tile.ts";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";
import { leastReadablePt, sizedTo } from "../type-size.ts";
import { wordsOn } from "../words-on.ts";

type Detail =
  | { readonly code: "wordsHidden"; readonly words: number }
  | { readonly code: "lettersMissing"; readonly letters: readonly string[] }
  | { readonly code: "fontMissing"; readonly face: string };

/** Words that are not printed, or not in their own letters. */
export const wordsShown: PageRule<Detail, "shrinkWords"> = {
  looksAt: "page",
  find: ({ page, format }, facts) =>
    wordsOn({ page, format }, facts).flatMap(({ tile, words, text, laid, at }): Found<Detail, "shrinkWords">[] => {
      const spots = [spot(page, tile, at)];
      const gone = (face: string) => ({ code: "fontMissing", severity: "wrong", face, spots, fixes: [] }) as const;
      if (!laid) return facts.setter ? [gone(faceKey(words.style))] : [];
      const found: Found<Detail, "shrinkWords">[] = [];
      // Another font would stand in for it, without a word.
      if (!familyOf(words.style.font)) found.push(gone(words.style.font));
      if (laid.hidden > 0)
        found.push({
          code: "wordsHidden",
          severity: "wrong",
          words: Math.min(laid.hidden, countWords(text)),
          spots: [spot(page, tile)],
          fixes: words.style.sizePt > leastReadablePt ? ["shrinkWords"] : [],
        });
      if (laid.missing.length > 0)
        found.push({ code: "lettersMissing", severity: "wrong", letters: laid.missing, spots, fixes: [] });
      return found;
    }),
  fixes: {
    /** The largest size, in quarters of a point, at which all words show. */
    shrinkWords: tellingTile((tile, { on, facts }) => {
      if (tile.filling.kind !== "words") return undefined;
      for (let pt = Math.floor(tile.filling.style.sizePt * 4 - 1) / 4; pt >= leastReadablePt; pt -= 0.25) {
        const next = sizedTo(pt, tile, on.format, facts);
        if (next) return fillingOf(next);
      }
      return undefined;
    }),
  },
};
