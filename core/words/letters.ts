import type { PathData, Rect, Size } from "#core/geometry";
import type { Face, Glyph } from "./face.ts";

/** Letters by their ink: what they fill, not the width that they are set with. Lengths in em, y down from the baseline. */

export interface LetterShape {
  readonly text: string;
  /** As it stands in the word, so that kerning is kept. */
  readonly path: PathData;
  readonly box: Rect;
}

const none: Rect = { x: 0, y: 0, w: 0, h: 0 };

/** Around all points of a path; a curve lies within its handles, and fonts have points where it is widest. */
function boxOf(path: PathData): Rect {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const s of path) {
    if (s[0] === "Z") continue;
    for (let i = 1; i < s.length; i += 2) {
      left = Math.min(left, s[i] as number);
      right = Math.max(right, s[i] as number);
      top = Math.min(top, s[i + 1] as number);
      bottom = Math.max(bottom, s[i + 1] as number);
    }
  }
  return left <= right ? { x: left, y: top, w: right - left, h: bottom - top } : none;
}

const moved = (path: PathData, x: number, y: number): PathData =>
  path.map((s) =>
    s[0] === "Z"
      ? s
      : s[0] === "C"
        ? (["C", s[1] + x, s[2] + y, s[3] + x, s[4] + y, s[5] + x, s[6] + y] as const)
        : ([s[0], s[1] + x, s[2] + y] as const),
  );

/** The letters of a word as shapes, in their places; what has no ink, as a space, is left out. */
export function letterShapes(text: string, face: Face): readonly LetterShape[] {
  let pen = 0;
  const byCluster = new Map<number, PathData>();
  for (const g of face.shape(text)) {
    const path = moved(face.outline(g.file, g.id), pen + g.dx, -g.dy);
    byCluster.set(g.cluster, [...(byCluster.get(g.cluster) ?? []), ...path]);
    pen += g.advance;
  }
  const starts = [...byCluster.keys()].sort((a, b) => a - b);
  return starts.flatMap((start, i): LetterShape[] => {
    const path = byCluster.get(start)!;
    const box = boxOf(path);
    if (box.w <= 0 || box.h <= 0) return [];
    return [{ text: text.slice(start, starts[i + 1] ?? text.length), path, box }];
  });
}

/** The ink of glyphs set one after the other. */
export function inkBox(glyphs: readonly Glyph[], face: Face): Rect {
  let pen = 0;
  const all: PathData[number][] = [];
  for (const g of glyphs) {
    all.push(...moved(face.outline(g.file, g.id), pen + g.dx, -g.dy));
    pen += g.advance;
  }
  return boxOf(all);
}

/** How high capitals stand, by the ink of an H. */
export const capHeight = (face: Face): number => -inkBox(face.shape("H"), face).y || face.ascent;

/**
 * The largest size in mm at which every letter fits its own tile, all at one size. Those of a set stand on one baseline, so that the tallest and the
 * deepest say how high they are; one alone only has to fit itself.
 */
export function sharedLetterSize(
  letters: readonly { readonly text: string; readonly tile: Size }[],
  face: Face,
  insetMm: number,
): number {
  const boxes = letters.map((l) => inkBox(face.shape(l.text), face));
  const alone = letters.length === 1;
  const cap = capHeight(face);
  // From the middle of the capitals, which comes to lie in the middle of each tile.
  const above = Math.max(...boxes.map((b) => -b.y)) - cap / 2;
  const below = Math.max(...boxes.map((b) => b.y + b.h)) + cap / 2;
  const sizes = letters.flatMap(({ tile }, i) => {
    const [w, h] = [tile.w - 2 * insetMm, tile.h - 2 * insetMm];
    const box = boxes[i]!;
    if (box.w <= 0) return [];
    return [Math.min(w / box.w, alone ? h / box.h : h / (2 * Math.max(above, below)))];
  });
  return sizes.length === 0 ? 0 : Math.max(0, Math.min(...sizes));
}
