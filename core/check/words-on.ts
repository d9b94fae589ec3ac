import type { Frame, PlacedPage, PlacedTile, Words } from "#core/document";
import { applyTo, type Rect } from "#core/geometry";
import { laidWords, seenFrame, wordsMatrix, wordsOf } from "#core/scene";
import type { LaidWords } from "#core/words";
import { boundsOf, cornersOf, spot } from "./places.ts";
import type { PageAt, PageFacts } from "./rule.ts";

export interface WordsOn {
  readonly tile: PlacedTile;
  readonly words: Words;
  readonly text: string;
  readonly laid: LaidWords | undefined;
  /** Around all letters, on the page. */
  readonly at: Rect;
}

const known = new WeakMap<PlacedPage, { readonly facts: PageFacts; readonly all: readonly WordsOn[] }>();

/** All words on a page, set as they are drawn. Rules that ask one after the other are given the same. */
export function wordsOn(at: Pick<PageAt, "page" | "format">, facts: PageFacts): readonly WordsOn[] {
  const before = known.get(at.page);
  if (before?.facts === facts) return before.all;
  const all = laidOn(at, facts);
  known.set(at.page, { facts, all });
  return all;
}

const laidOn = ({ page, format }: Pick<PageAt, "page" | "format">, facts: PageFacts): readonly WordsOn[] =>
  page.tiles.flatMap((tile): WordsOn[] => {
    if (tile.filling.kind !== "words") return [];
    const words = tile.filling;
    const text = wordsOf(words, facts);
    if (text.trim() === "") return [];
    const frame = seenFrame(tile.frame, format);
    const laid = laidWords(words, frame, facts);
    return [{ tile, words, text, laid, at: laid ? lettersBox(frame, words, laid) : spot(page, tile).at! }];
  });

/** The letters' own height, not the lines': leading may hang over an edge without a letter there. */
function lettersBox(frame: Frame, words: Words, laid: LaidWords): Rect {
  const m = wordsMatrix(frame, laid, words);
  const corners = laid.lines.flatMap((l) => {
    // Of words that are centred by their ink the line is as high as that.
    const r = words.style.ink
      ? { x: l.x, y: l.top, w: l.width, h: l.height }
      : { x: l.x, y: l.baseline - 0.72 * laid.sizeMm, w: l.width, h: 0.94 * laid.sizeMm };
    return cornersOf(r).map((p) => applyTo(m, p));
  });
  return corners.length > 0 ? boundsOf(corners) : { x: frame.centre.x, y: frame.centre.y, w: 0, h: 0 };
}
