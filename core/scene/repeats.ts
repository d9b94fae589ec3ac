import type { View } from "#core/document";
import {
  applyTo,
  chain,
  combinedRings,
  flattened,
  inverse,
  type Matrix,
  type PathData,
  type Point,
  pathOfRings,
  type Rect,
  rotation,
  scaling,
  translation,
} from "#core/geometry";
import { rad, under } from "./paper.ts";
import type { PhotoStep } from "./steps.ts";

export type Repeats = NonNullable<View["repeats"]>;

/** Pieces overlap by so much of themselves, where a softened edge would let through what lies behind. */
const grown = 1.03;
/** Pieces that are mirrored have nothing beyond their edge to overlap with; they are stretched by so many mm. */
const stretchedMm = 0.3;
/** More pieces than this would take seconds, and nobody could tell them apart. */
const mostPieces = 400;

/** A picture's mm: as wide as it lies on paper. */
interface Sheet {
  readonly w: number;
  readonly h: number;
}
/** What is laid again and again: two sides, and where in the picture it begins. */
interface Piece {
  readonly a: Point;
  readonly b: Point;
  readonly from: Point;
}

/**
 * The steps that lay a picture as a paper inside an outline: one for each piece, from back to front, each a little under the next. `anchor` is where
 * it begins; `reach` the outline's box on the page.
 */
export function repeatSteps(
  { photoId, tone, repeats }: View,
  aspect: number,
  { anchor, clip, reach }: { readonly anchor: Matrix; readonly clip: PathData; readonly reach: Rect },
): readonly PhotoStep[] {
  if (!repeats) return [];
  const outline = flattened(clip);
  const bare = { draw: "photo" as const, photoId, ...(tone ? { tone } : {}) };
  for (let wideMm = repeats.wideMm; ; wideMm *= 1.5) {
    const sheet = { w: wideMm, h: wideMm / aspect };
    const place = chain(anchor, translation(repeats.shift.x, repeats.shift.y), rotation(rad(repeats.turn)));
    const pieces = piecesOver(sheet, repeats, under(place, reach));
    if (!pieces) continue;
    return pieces.flatMap(({ matrix, corners }): PhotoStep[] => {
      const seen = combinedRings([corners.map((p) => applyTo(place, p))], outline, "intersection");
      return seen.length === 0 ? [] : [{ ...bare, matrix: chain(place, matrix), clip: pathOfRings(seen) }];
    });
  }
}

interface Laid {
  /** The picture's unit square to the sheet. */
  readonly matrix: Matrix;
  /** What of it is seen. */
  readonly corners: readonly Point[];
}

/** All pieces that reach into an area; undefined where they are too many. */
function piecesOver(sheet: Sheet, { pattern }: Repeats, area: Rect): readonly Laid[] | undefined {
  const piece = pattern && pieceOf(sheet, pattern);
  const { a, b } = piece ?? { a: { x: sheet.w, y: 0 }, b: { x: 0, y: sheet.h } };
  const back = inverse({ a: a.x, b: a.y, c: b.x, d: b.y, e: 0, f: 0 });
  const { x, y, w, h } = area;
  const at = [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ].map((p) => applyTo(back, p));
  const [i0, i1] = [Math.floor(Math.min(...at.map((p) => p.x))) - 1, Math.ceil(Math.max(...at.map((p) => p.x)))];
  const [j0, j1] = [Math.floor(Math.min(...at.map((p) => p.y))) - 1, Math.ceil(Math.max(...at.map((p) => p.y)))];
  if ((i1 - i0 + 1) * (j1 - j0 + 1) > mostPieces) return undefined;
  const found: Laid[] = [];
  for (let j = j0; j <= j1; j += 1)
    for (let i = i0; i <= i1; i += 1) {
      const begins = { x: i * a.x + j * b.x, y: i * a.y + j * b.y };
      found.push(piece ? again(sheet, piece, begins) : mirrored(sheet, begins, i, j));
    }
  return found;
}

/** As many repeats as the picture holds: the larger a piece, the fewer of them. Undefined where not even one is in it. */
function pieceOf({ w, h }: Sheet, { a, b }: NonNullable<Repeats["pattern"]>): Piece | undefined {
  const one = { x: a.x * w, y: a.y * w };
  const long = Math.hypot(one.x, one.y);
  if (long < 1e-6) return undefined;
  // Stripes are the same all along: any way along them will do.
  const two = b ? { x: b.x * w, y: b.y * w } : { x: -one.y / long, y: one.x / long };
  const fits = (n: number, m: number): boolean =>
    Math.abs(n * one.x) + Math.abs(m * two.x) <= w / grown && Math.abs(n * one.y) + Math.abs(m * two.y) <= h / grown;
  const step = b ? 1 : Math.max(w, h) / 40;
  if (!fits(1, step)) return undefined;
  let best = { n: 1, m: step };
  for (let n = 1; fits(n, step); n += 1)
    for (let m = step; fits(n, m); m += step) if (n * m > best.n * best.m) best = { n, m };
  const [p, q] = [
    { x: best.n * one.x, y: best.n * one.y },
    { x: best.m * two.x, y: best.m * two.y },
  ];
  return { a: p, b: q, from: { x: (w - p.x - q.x) / 2, y: (h - p.y - q.y) / 2 } };
}

function again({ w, h }: Sheet, { a, b, from }: Piece, begins: Point): Laid {
  const middle = { x: begins.x + (a.x + b.x) / 2, y: begins.y + (a.y + b.y) / 2 };
  const corner = (i: number, j: number): Point => ({
    x: middle.x + (grown / 2) * (i * a.x + j * b.x),
    y: middle.y + (grown / 2) * (i * a.y + j * b.y),
  });
  return {
    matrix: chain(translation(begins.x - from.x, begins.y - from.y), scaling(w, h)),
    corners: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)],
  };
}

function mirrored({ w, h }: Sheet, { x, y }: Point, i: number, j: number): Laid {
  const by = stretchedMm;
  const [sx, sy] = [i % 2 === 0 ? 1 : -1, j % 2 === 0 ? 1 : -1];
  return {
    matrix: chain(
      translation(x + w / 2, y + h / 2),
      scaling(sx * (w + 2 * by), sy * (h + 2 * by)),
      translation(-0.5, -0.5),
    ),
    corners: [
      { x: x - by, y: y - by },
      { x: x + w + by, y: y - by },
      { x: x + w + by, y: y + h + by },
      { x: x - by, y: y + h + by },
    ],
  };
}
