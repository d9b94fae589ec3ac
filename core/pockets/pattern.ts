import type { Rect } from "#core/geometry";
import { ok, type Result, refused } from "#core/result";
import { mmPerInch } from "#core/units";
import type { PocketPattern } from "./schema/pattern.ts";

export type { PocketPattern } from "./schema/pattern.ts";

/** Strip with the holes, at the inner edge; the other edges are welded. */
const stripMm = 14;
const edgeMm = 3;
/** Welded seam between two pockets. */
const weldMm = 2;
/** A pocket is so much larger than the card that it is named for. */
const playMm = 2;

/** Rows of pockets, each row by the widths and one height of its cards in inches; as wide and high as its pockets make it. */
function inRows(
  id: string,
  name: string,
  binder: string,
  rows: readonly (readonly [height: number, ...widths: number[]])[],
): PocketPattern {
  const pockets: Rect[] = [];
  let y = edgeMm;
  let right = 0;
  for (const [height, ...widths] of rows) {
    let x = stripMm;
    const h = height * mmPerInch + playMm;
    for (const width of widths) {
      const w = width * mmPerInch + playMm;
      pockets.push({ x, y, w, h });
      x += w + weldMm;
    }
    right = Math.max(right, x - weldMm);
    y += h + weldMm;
  }
  return {
    id,
    name,
    binder,
    widthMm: tidy(right + edgeMm),
    heightMm: tidy(y - weldMm + edgeMm),
    pockets: pockets.map(tidyRect),
  };
}

const tidy = (v: number): number => Math.round(v * 100) / 100;
const tidyRect = (r: Rect): Rect => ({ x: tidy(r.x), y: tidy(r.y), w: tidy(r.w), h: tidy(r.h) });

const times = (n: number, row: readonly [number, ...number[]]) => Array.from({ length: n }, () => row);
const a6 = [5.83, 4.13, 4.13] as const;

/** Patterns that come along, by the binder that they are for. */
export const shippedPatterns: readonly PocketPattern[] = [
  inRows("12-nine-squares", "9 square, 4 × 4 in", "12 × 12 in", times(3, [4, 4, 4, 4])),
  inRows("12-six-level", "6 landscape, 6 × 4 in", "12 × 12 in", times(3, [4, 6, 6])),
  inRows("12-twelve-upright", "12 portrait, 3 × 4 in", "12 × 12 in", times(3, [4, 3, 3, 3, 3])),
  inRows("12-four-large", "4 large, 6 × 6 in", "12 × 12 in", times(2, [6, 6, 6])),
  inRows("12-mixed", "Mixed, 6 × 4 and 3 × 4 in", "12 × 12 in", [
    [4, 6, 3, 3],
    [4, 3, 3, 6],
    [4, 6, 3, 3],
  ]),
  inRows("12-one", "The whole page, 12 × 12 in", "12 × 12 in", [[12, 12]]),
  inRows("85-nine-cards", "9 cards, 2½ × 3½ in", "8½ × 11 in", times(3, [3.5, 2.5, 2.5, 2.5])),
  inRows("85-four-upright", "4 portrait, 4 × 5 in", "8½ × 11 in", times(2, [5, 4, 4])),
  inRows("85-level-and-squares", "2 portrait and 2 square, 4 × 6 and 4 × 4 in", "8½ × 11 in", [
    [6, 4, 4],
    [4, 4, 4],
  ]),
  inRows("912-nine-upright", "9 portrait, 3 × 4 in", "9 × 12 in", times(3, [4, 3, 3, 3])),
  inRows("912-mixed", "Mixed, 6 × 4 and 3 × 4 in", "9 × 12 in", [
    [4, 6, 3],
    [4, 3, 6],
    [4, 6, 3],
  ]),
  inRows("912-six-squares", "6 square, 4 × 4 in", "9 × 12 in", times(3, [4, 4, 4])),
  inRows("68-four-upright", "4 portrait, 3 × 4 in", "6 × 8 in", times(2, [4, 3, 3])),
  inRows("68-two-level", "2 landscape, 6 × 4 in", "6 × 8 in", times(2, [4, 6])),
  inRows("68-one-and-two", "1 landscape and 2 portrait", "6 × 8 in", [
    [4, 6],
    [4, 3, 3],
  ]),
  inRows("a4-four-a6", "4 of A6", "A4", [a6, a6]),
  inRows("a4-nine-cards", "9 cards, 63 × 88 mm", "A4", times(3, [3.465, 2.48, 2.48, 2.48])),
  inRows("a4-two-a5", "2 of A5, landscape", "A4", times(2, [5.83, 8.27])),
];

export interface TypedPattern {
  readonly columns: number;
  readonly rows: number;
  readonly pocketWidthMm: number;
  readonly pocketHeightMm: number;
  readonly apartMm: number;
  readonly fromLeftMm: number;
  readonly fromTopMm: number;
}

/** A pattern of equal pockets from numbers; the page is as large as they need. */
export function typedPattern(
  t: TypedPattern,
  given: { readonly id: string; readonly name: string; readonly binder: string },
): Result<PocketPattern, "noPockets" | "tooManyPockets" | "pageTooLarge"> {
  if (!(t.columns >= 1 && t.rows >= 1 && t.pocketWidthMm > 5 && t.pocketHeightMm > 5)) return refused("noPockets");
  if (t.columns * t.rows > 60) return refused("tooManyPockets", { most: 60 });
  const pockets = Array.from({ length: t.columns * t.rows }, (_, i) => ({
    x: tidy(t.fromLeftMm + (i % t.columns) * (t.pocketWidthMm + t.apartMm)),
    y: tidy(t.fromTopMm + Math.floor(i / t.columns) * (t.pocketHeightMm + t.apartMm)),
    w: t.pocketWidthMm,
    h: t.pocketHeightMm,
  }));
  const last = pockets.at(-1)!;
  const [widthMm, heightMm] = [tidy(last.x + last.w + edgeMm), tidy(last.y + last.h + edgeMm)];
  if (widthMm > 1000 || heightMm > 1000) return refused("pageTooLarge", { mostMm: 1000 });
  return ok({ ...given, widthMm, heightMm, pockets });
}

/** The same pockets as the back shows them. */
export const backOf = (p: PocketPattern): PocketPattern => ({
  ...p,
  pockets: p.pockets.map((r) => ({ ...r, x: tidy(p.widthMm - r.x - r.w) })),
});

/** A card is a little smaller than its pocket, and lies in its middle. */
export const insertIn = (pocket: Rect, lessMm: number): Rect => {
  const [dx, dy] = [Math.min(lessMm, pocket.w / 2) / 2, Math.min(lessMm, pocket.h / 2) / 2];
  return { x: pocket.x + dx, y: pocket.y + dy, w: pocket.w - 2 * dx, h: pocket.h - 2 * dy };
};
