import { contrastOf, luminance } from "#core/colour";
import { type Frame, findTile, isFree, type PlacedPage, type PlacedTile, type Words } from "#core/document";
import { applyTo, type Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { laidWords, seenFrame, wordsMatrix, wordsOf } from "#core/scene";
import { countWords, faceKey, familyOf, type LaidWords } from "#core/words";
import type { PageAt, PageFacts, PageRule } from "../facts.ts";
import type { Found } from "../finding.ts";
import { boundsOf, cornersOf, riskOf, spot } from "../places.ts";

/** Smaller letters run together on photo paper. */
export const leastReadablePt = 6;
/** By WCAG 2.2's measure; paper in lamp light is no better than a screen. */
const leastContrast = 2.5;
const lostContrast = 1.5;

export interface WordsOn {
  readonly tile: PlacedTile;
  readonly words: Words;
  readonly text: string;
  readonly laid: LaidWords | undefined;
  /** Around all letters, on the page. */
  readonly at: Rect;
}

/** All words on a page, set as they are drawn. */
export const wordsOn = ({ page, format }: Pick<PageAt, "page" | "format">, facts: PageFacts): readonly WordsOn[] =>
  page.tiles.flatMap((tile): WordsOn[] => {
    if (tile.filling.kind !== "words") return [];
    const words = tile.filling;
    const text = wordsOf(words, facts.photo);
    if (text.trim() === "") return [];
    const frame = seenFrame(tile.frame, format);
    const laid = facts.setter && laidWords(text, words.style, frame, facts.setter);
    return [{ tile, words, text, laid, at: laid ? lettersBox(frame, words, laid) : spot(page, tile).at! }];
  });

/** The letters' own height, not the lines': leading may hang over an edge without a letter there. */
function lettersBox(frame: Frame, words: Words, laid: LaidWords): Rect {
  const m = wordsMatrix(frame, laid, words.style.turn);
  const corners = laid.lines.flatMap((l) => {
    const r = { x: l.x, y: l.baseline - 0.72 * laid.sizeMm, w: l.width, h: 0.94 * laid.sizeMm };
    return cornersOf(r).map((p) => applyTo(m, p));
  });
  return corners.length > 0 ? boundsOf(corners) : { x: frame.centre.x, y: frame.centre.y, w: 0, h: 0 };
}

/** Every way in which words do not reach a reader. */
export const words: PageRule = ({ page, format }, facts) =>
  wordsOn({ page, format }, facts).flatMap(({ tile, words: w, text, laid, at }): Found[] => {
    const spots = [spot(page, tile, at)];
    const running = findTile(page.page, tile.id) === undefined;
    if (!laid)
      return facts.setter ? [{ code: "fontMissing", severity: "wrong", face: faceKey(w.style), spots, fixes: [] }] : [];
    const found: Found[] = [];
    // Another font would stand in for it, without a word.
    if (!familyOf(w.style.font))
      found.push({ code: "fontMissing", severity: "wrong", face: w.style.font, spots, fixes: [] });
    if (laid.hidden > 0)
      found.push({
        code: "wordsHidden",
        severity: "wrong",
        words: Math.min(laid.hidden, countWords(text)),
        spots: [spot(page, tile)],
        fixes: w.style.sizePt > leastReadablePt ? ["shrinkWords"] : [],
      });
    if (laid.missing.length > 0)
      found.push({ code: "lettersMissing", severity: "wrong", letters: laid.missing, spots, fixes: [] });
    if (w.style.sizePt < leastReadablePt)
      found.push({
        code: "wordsSmall",
        severity: "doubt",
        sizePt: w.style.sizePt,
        leastPt: leastReadablePt,
        spots,
        fixes: running ? [] : ["enlargeWords"],
      });
    const risk = laid.lines.length > 0 ? riskOf(at, format) : undefined;
    if (risk)
      found.push({
        code: "wordsAtRisk",
        severity: risk.risk === "near" ? "doubt" : "wrong",
        ...risk,
        spots,
        fixes: isFree(page.page, tile.id)
          ? ["moveInside"]
          : withWiderInset(page, tile, format, facts)
            ? ["insetWords"]
            : [],
      });
    const ground = facts.behind?.(tile.id, at);
    if (ground) {
      const contrast = worstContrast(w.style.colour, ground);
      if (contrast < leastContrast)
        found.push({
          code: "wordsFaint",
          severity: contrast < lostContrast ? "wrong" : "doubt",
          contrast,
          spots,
          fixes: readableInk(ground) ? ["readableInk"] : [],
        });
    }
    return found;
  });

const insetStepMm = 0.5;
const mostInsetMm = 30;

/** Words in a tile of an arrangement with as much room around them as they need to be safe; nothing where they do not fit then. */
export function withWiderInset(
  page: PlacedPage,
  tile: PlacedTile,
  format: PageFormat,
  facts: PageFacts,
): PlacedTile | undefined {
  const { filling } = tile;
  if (filling.kind !== "words") return undefined;
  for (let insetMm = filling.style.insetMm + insetStepMm; insetMm <= mostInsetMm; insetMm += insetStepMm) {
    const next: PlacedTile = { ...tile, filling: { ...filling, style: { ...filling.style, insetMm } } };
    const [on] = wordsOn({ page: { ...page, tiles: [next] }, format }, facts);
    if (!on?.laid || on.laid.hidden > 0) return undefined;
    if (!riskOf(on.at, format)) return next;
  }
  return undefined;
}

/** Against the tenth of the ground that is nearest in lightness; 1 where it lies on both sides. */
function worstContrast(colour: string, ground: { readonly dark: number; readonly light: number }): number {
  const l = luminance(colour);
  if (l > ground.dark && l < ground.light) return 1;
  return Math.min(contrastOf(l, ground.dark), contrastOf(l, ground.light));
}

/** Whichever of near-black and white can be read there; nothing where neither can. */
export function readableInk(ground: { readonly dark: number; readonly light: number }): string | undefined {
  const inks = ["#1b2521", "#ffffff"].map((ink) => ({ ink, contrast: worstContrast(ink, ground) }));
  const best = inks.reduce((a, b) => (b.contrast > a.contrast ? b : a));
  return best.contrast >= leastContrast ? best.ink : undefined;
}
