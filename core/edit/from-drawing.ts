import { allTiles, mostTiles, type Page, type PlacedPage, tileOfShape } from "#core/document";
import type { DrawnShapes } from "#core/drawings";
import { ok, type Result, refused } from "#core/result";

/** A drawing's shapes as tiles that lie freely. */

/** A drawing of nearly the page's size is meant to be just so large. */
const sameSizeMm = 2;

/**
 * The page with every closed shape as a tile where it lies in the drawing: one that fits stays as large as it is drawn, in the middle unless it has the
 * page's own size, and a larger one is made as large as the page. Failure code: `tooManyTiles`.
 */
export function drawingOnPage(
  on: PlacedPage,
  drawing: DrawnShapes,
  newId: () => string,
): Result<{ readonly page: Page; readonly tileIds: readonly string[] }, "tooManyTiles"> {
  const at = laidOut(on.format, drawing);
  const tiles = drawing.shapes.flatMap((shape) => tileOfShape(shape, newId, at) ?? []);
  const all = allTiles(on.page).length + tiles.length;
  if (all > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles: all });
  return ok({ page: { ...on.page, pieces: [...on.page.pieces, ...tiles] }, tileIds: tiles.map((t) => t.id) });
}

interface SizeMm {
  readonly widthMm: number;
  readonly heightMm: number;
}

/** How many times as large a drawing comes onto a page, and where its corner lies, in mm. */
export function laidOut(
  { widthMm, heightMm }: SizeMm,
  drawing: SizeMm,
): { readonly k: number; readonly dx: number; readonly dy: number } {
  const nearlyFits = drawing.widthMm <= widthMm + sameSizeMm && drawing.heightMm <= heightMm + sameSizeMm;
  const k = nearlyFits ? 1 : Math.min(widthMm / drawing.widthMm, heightMm / drawing.heightMm);
  const [w, h] = [drawing.widthMm * k, drawing.heightMm * k];
  const same = Math.abs(w - widthMm) <= sameSizeMm && Math.abs(h - heightMm) <= sameSizeMm;
  return same ? { k, dx: 0, dy: 0 } : { k, dx: (widthMm - w) / 2, dy: (heightMm - h) / 2 };
}
