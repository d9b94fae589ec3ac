import {
  allTiles,
  type Filling,
  type FreeTile,
  mostTiles,
  newFreeTile,
  type Page,
  type PlacedPage,
} from "#core/document";
import type { DrawnShape, DrawnShapes } from "#core/drawings";
import { type PathData, pathInShares, type Rect } from "#core/geometry";
import { ok, type Result, refused } from "#core/result";

/** A drawing's shapes as tiles that lie freely. */

/** A drawing of nearly the page's size is meant to be just so large. */
const sameSizeMm = 2;
/** Smaller tiles nobody could take hold of. */
const leastSideMm = 0.2;

/**
 * The page with every closed shape as a tile where it lies in the drawing: one that fits stays as large as it is drawn, in the middle unless it has the
 * page's own size, and a larger one is made as large as the page. Failure code: `tooManyTiles`.
 */
export function drawingOnPage(
  on: PlacedPage,
  drawing: DrawnShapes,
  newId: () => string,
): Result<{ readonly page: Page; readonly tileIds: readonly string[] }, "tooManyTiles"> {
  const { widthMm, heightMm } = on.format;
  const k = Math.min(1, (widthMm + sameSizeMm) / drawing.widthMm, (heightMm + sameSizeMm) / drawing.heightMm);
  const [w, h] = [drawing.widthMm * k, drawing.heightMm * k];
  const same = Math.abs(w - widthMm) <= sameSizeMm && Math.abs(h - heightMm) <= sameSizeMm;
  const [dx, dy] = same ? [0, 0] : [(widthMm - w) / 2, (heightMm - h) / 2];
  const tiles = drawing.shapes.flatMap((shape) => tileOf(shape, k, dx, dy, newId));
  const all = allTiles(on.page).length + tiles.length;
  if (all > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles: all });
  return ok({ page: { ...on.page, pieces: [...on.page.pieces, ...tiles] }, tileIds: tiles.map((t) => t.id) });
}

function tileOf(shape: DrawnShape, k: number, dx: number, dy: number, newId: () => string): FreeTile[] {
  const box = boundsOf(shape.path);
  if (box.w * k < leastSideMm || box.h * k < leastSideMm) return [];
  const filling: Filling = shape.fill === undefined ? { kind: "empty" } : { kind: "colour", colour: shape.fill };
  const frame = {
    centre: { x: dx + (box.x + box.w / 2) * k, y: dy + (box.y + box.h / 2) * k },
    width: box.w * k,
    height: box.h * k,
    turn: 0,
  };
  const tile: FreeTile = {
    ...newFreeTile(frame, filling, newId),
    outline: { kind: "path", path: pathInShares(shape.path, box) },
  };
  return [
    {
      ...tile,
      ...(shape.name ? { name: shape.name } : {}),
      ...(shape.stroke ? { border: { widthMm: shape.stroke.widthMm * k, colour: shape.stroke.colour } } : {}),
      ...(shape.opacity < 1 ? { opacity: shape.opacity } : {}),
    },
  ];
}

/** Around a path as it is drawn: a curve's own ends, not its handles. */
function boundsOf(path: PathData): Rect {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = (x: number, y: number) => {
    left = Math.min(left, x);
    right = Math.max(right, x);
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
  };
  let [px, py] = [0, 0];
  for (const s of path) {
    if (s[0] === "Z") continue;
    if (s[0] === "C")
      for (let i = 1; i < 16; i += 1) {
        const [t, r] = [i / 16, 1 - i / 16];
        const mix = (a: number, b: number, c: number, d: number) =>
          r ** 3 * a + 3 * r * r * t * b + 3 * r * t * t * c + t ** 3 * d;
        take(mix(px, s[1], s[3], s[5]), mix(py, s[2], s[4], s[6]));
      }
    [px, py] = s[0] === "C" ? [s[5], s[6]] : [s[1], s[2]];
    take(px, py);
  }
  return { x: left, y: top, w: right - left, h: bottom - top };
}
