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
import {
  aroundPoints,
  chain,
  combinedRings,
  flattened,
  type PathData,
  pathInShares,
  pathOfRings,
  type Rect,
  type Ring,
  scaling,
  transformed,
  translation,
} from "#core/geometry";
import { safeBox } from "#core/lab";
import { type Face, largestPt, letterShapes, mmOfPt, sharedLetterSize, smallestPt, type WordStyle } from "#core/words";
import { plainWords } from "./word-edits.ts";

/** Letters as the shapes of tiles, and one letter to a tile. */

/** Of a letter's height so much lies between the photos in it. */
const gapShare = 0.02;

/**
 * A word over the middle of the page, as wide as goes between its safe edges, each letter a tile of its own shape, or `each` tiles that make up its shape.
 * `fillings` go into them in turn, and round again where there are fewer.
 */
export function wordOfTiles(
  on: PlacedPage,
  text: string,
  face: Face,
  fillings: readonly Filling[],
  newId: () => string,
  each = 1,
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
  const toPage = chain(translation(x0, y0), scaling(size, size));
  const drawn = letters.map(({ text: name, path, box }) => ({
    name,
    path: transformed(path, toPage),
    box: { x: x0 + box.x * size, y: y0 + box.y * size, w: box.w * size, h: box.h * size },
  }));
  const gap = gapShare * Math.max(...drawn.map((l) => l.box.h));
  const shapes = each > 1 ? drawn.flatMap((letter) => piecesOf(letter, each, gap)) : drawn;
  return shapes.map(({ name, path, box }, i): FreeTile => {
    const frame: Frame = {
      centre: { x: box.x + box.w / 2, y: box.y + box.h / 2 },
      width: box.w,
      height: box.h,
      turn: 0,
    };
    const tile = newFreeTile(frame, fillings[i % fillings.length]!, newId);
    return { ...tile, name, outline: { kind: "path", path: pathInShares(path, box) } };
  });
}

interface Shape {
  readonly name: string;
  readonly path: PathData;
  /** Around it. */
  readonly box: Rect;
}

/** A letter cut into so many pieces, a gap apart; fewer where it has nothing in a part of its box. */
function piecesOf({ name, path, box }: Shape, count: number, gap: number): readonly Shape[] {
  const rings = flattened(path);
  return partsOf(box, count, gap).flatMap((part, i) => {
    const inside = combinedRings(rings, [ringOf(part)], "intersection");
    return inside.length === 0
      ? []
      : [{ name: `${name} ${i + 1}`, path: pathOfRings(inside), box: aroundPoints(inside.flat()) }];
  });
}

/** A rectangle in so many equal parts, cut across its longer side again and again. */
function partsOf(r: Rect, count: number, gap: number): readonly Rect[] {
  if (count <= 1) return [r];
  const first = Math.floor(count / 2);
  const across = r.w >= r.h;
  const length = (across ? r.w : r.h) - gap;
  if (length <= 0) return [r];
  const at = (length * first) / count;
  const [a, b] = across
    ? [
        { ...r, w: at },
        { ...r, x: r.x + at + gap, w: length - at },
      ]
    : [
        { ...r, h: at },
        { ...r, y: r.y + at + gap, h: length - at },
      ];
  return [...partsOf(a, first, gap), ...partsOf(b, count - first, gap)];
}

const ringOf = ({ x, y, w, h }: Rect): Ring => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];

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
