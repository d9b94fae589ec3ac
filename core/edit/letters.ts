import {
  type Filling,
  type Frame,
  type FreeTile,
  findPlaced,
  mapTiles,
  newFreeTile,
  type Page,
  type PlacedPage,
  withFree,
} from "#core/document";
import { pathInShares } from "#core/geometry";
import { safeBox } from "#core/lab";
import { type Face, largestPt, letterShapes, mmOfPt, sharedLetterSize, smallestPt, type WordStyle } from "#core/words";
import { plainWords } from "./word-edits.ts";

/** Letters as the shapes of tiles, and one letter to a tile. */

/**
 * A word over the middle of the page, as wide as goes between its safe edges, each letter a tile of its own shape. `fillings` go into them in turn, and
 * round again where there are fewer.
 */
export function wordOfTiles(
  on: PlacedPage,
  text: string,
  face: Face,
  fillings: readonly Filling[],
  newId: () => string,
): readonly FreeTile[] {
  const letters = letterShapes(text, face);
  if (letters.length === 0 || fillings.length === 0) return [];
  const safe = safeBox(on.format);
  const left = Math.min(...letters.map((l) => l.box.x));
  const right = Math.max(...letters.map((l) => l.box.x + l.box.w));
  const top = Math.min(...letters.map((l) => l.box.y));
  const bottom = Math.max(...letters.map((l) => l.box.y + l.box.h));
  const size = Math.min(safe.w / (right - left), safe.h / (bottom - top));
  const x0 = safe.x + (safe.w - (right - left) * size) / 2 - left * size;
  const y0 = safe.y + (safe.h - (bottom - top) * size) / 2 - top * size;
  return letters.map(({ text: letter, path, box }, i): FreeTile => {
    const [width, height] = [box.w * size, box.h * size];
    const frame: Frame = {
      centre: { x: x0 + box.x * size + width / 2, y: y0 + box.y * size + height / 2 },
      width,
      height,
      turn: 0,
    };
    const tile = newFreeTile(frame, fillings[i % fillings.length]!, newId);
    return { ...tile, name: letter, outline: { kind: "path", path: pathInShares(path, box) } };
  });
}

export const withWordOfTiles = (page: Page, tiles: readonly FreeTile[]): Page =>
  tiles.reduce<Page>((now, tile) => withFree(now, tile), page);

/** Of a tile's shorter side a letter leaves so much free on every side. */
const airShare = 0.08;

/** One letter in each of these tiles, in their order, all at the largest size at which every one fits; letters that are left over stay out. */
export function lettersInTiles(
  on: PlacedPage,
  tileIds: readonly string[],
  text: string,
  style: WordStyle,
  face: Face,
): Page {
  const letters = [...new Intl.Segmenter(undefined, { granularity: "grapheme" }).segment(text)]
    .map((s) => s.segment)
    .filter((s) => s.trim() !== "");
  const placed = tileIds.flatMap((id) => findPlaced(on, id) ?? []).slice(0, letters.length);
  if (placed.length === 0) return on.page;
  const sized = placed.map((t, i) => ({ text: letters[i]!, tile: { w: t.frame.width, h: t.frame.height } }));
  const insetMm = airShare * Math.min(...sized.flatMap(({ tile }) => [tile.w, tile.h]));
  const sizeMm = sharedLetterSize(sized, face, insetMm);
  const sizePt = Math.min(largestPt, Math.max(smallestPt, sizeMm / mmOfPt(1)));
  const own: WordStyle = {
    ...style,
    sizePt,
    insetMm: 0,
    turn: 0,
    ink: placed.length === 1 ? "alone" : "set",
  };
  const letterOf = new Map(placed.map((t, i) => [t.id, letters[i]!]));
  return mapTiles(on.page, (t) => {
    const letter = letterOf.get(t.id);
    return letter === undefined ? t : { ...t, filling: plainWords(own, "title", letter) };
  });
}
