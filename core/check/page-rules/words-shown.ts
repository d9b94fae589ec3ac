import { pageChanges } from "#core/document";
import { seenFrame, sizeFitting, withRoomFitted } from "#core/scene";
import { countWords, faceKey, familyOf } from "#core/words";
import type { Found } from "../finding.ts";
import { tellingTile } from "../fix-tile.ts";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";
import { leastReadablePt } from "../type-size.ts";
import { wordsOn } from "../words-on.ts";

type Detail =
  | { readonly code: "wordsHidden"; readonly words: number }
  | { readonly code: "lettersMissing"; readonly letters: readonly string[] }
  | { readonly code: "fontMissing"; readonly face: string };

type Fix = "growWords" | "shrinkWords";

/** Words that are not printed, or not in their own letters. */
export const wordsShown: PageRule<Detail, Fix> = {
  looksAt: "page",
  find: ({ page, format }, facts) =>
    wordsOn({ page, format }, facts).flatMap(({ tile, words, text, laid, at }): Found<Detail, Fix>[] => {
      const spots = [spot(page, tile, at)];
      const gone = (face: string) => ({ code: "fontMissing", severity: "wrong", face, spots, fixes: [] }) as const;
      if (!laid) return facts.setter ? [gone(faceKey(words.style))] : [];
      const found: Found<Detail, Fix>[] = [];
      // Another font would stand in for it, without a word.
      const used = new Set([words.style.font, ...(words.spans ?? []).flatMap((s) => s.font ?? [])]);
      for (const id of used) {
        const font = facts.setter?.font?.(id) ?? { name: familyOf(id)?.name ?? id, here: familyOf(id) !== undefined };
        if (!font.here) found.push(gone(font.name));
      }
      if (laid.hidden > 0)
        found.push({
          code: "wordsHidden",
          severity: "wrong",
          words: Math.min(laid.hidden, countWords(text)),
          spots: [spot(page, tile)],
          fixes: [
            ...(withRoomFitted(page, tile.id, facts) ? (["growWords"] as const) : []),
            ...(words.style.sizePt > leastReadablePt ? (["shrinkWords"] as const) : []),
          ],
        });
      if (laid.missing.length > 0)
        found.push({ code: "lettersMissing", severity: "wrong", letters: laid.missing, spots, fixes: [] });
      return found;
    }),
  fixes: {
    growWords: ({ on, tile, facts }) => {
      const page = tile && withRoomFitted(on, tile.id, facts);
      return page ? pageChanges(on.page, page) : [];
    },
    shrinkWords: tellingTile(({ filling, frame }, { on, facts }) => {
      if (filling.kind !== "words") return undefined;
      const at = { filling, frame: seenFrame(frame, on.format) };
      const fitting = sizeFitting(at, facts, leastReadablePt, filling.style.sizePt);
      return fitting && { filling: fitting };
    }),
  },
};
