import { inheritsDress } from "../fillings/index.ts";
import { lookOf, withLook } from "../page/look.ts";
import { frameRect, mapTiles, type Page, treeIn } from "../page/page.ts";
import { arrangedOn, groupAt, type PlacedPage, placeAgain } from "../page/place-page.ts";
import { refit } from "./solve-again.ts";
import { onGroup, seamsOfGroup, withSeamMoved } from "./tree-page.ts";

/** Seams this near to a line of the other page are drawn onto it, as a share of the page's height. */
const reach = 0.12;
const tries = 12;
const onLine = 0.05;

/** The heights at which tiles of a page begin and end. */
function levels(on: PlacedPage): number[] {
  const all = arrangedOn(on).flatMap((t) => {
    const r = frameRect(t.frame);
    return [r.y, r.y + r.h];
  });
  return [...new Set(all.map((y) => Math.round(y * 100) / 100))];
}

/** How many level lines two pages have in common, of those that run inside them. */
export function sharedLines(a: PlacedPage, b: PlacedPage): number {
  const inner = (on: PlacedPage) => {
    const all = levels(on);
    const [top, foot] = [Math.min(...all), Math.max(...all)];
    return all.filter((y) => y > top + 1 && y < foot - 1);
  };
  const others = inner(b);
  return inner(a).filter((y) => others.some((o) => Math.abs(o - y) <= onLine)).length;
}

/**
 * A page made to go with the one that faces it: the same gaps, margins and dress, and level seams on the other's lines where
 * any come near them. The one that shares the most lines of some arrangements of its own photos.
 */
export function matchedTo(model: PlacedPage, on: PlacedPage, aspectOf: (tileId: string) => number | undefined): Page {
  const { gapMm, margin, cornerMm, border, shadow, soft, background, paper } = model.look;
  const mirrored = { ...margin, left: margin.right, right: margin.left };
  const dress = { cornerMm, border, shadow, soft, background, paper };
  const look = { ...lookOf(on.page, on.style), gapMm, margin: mirrored, ...dress };
  const dressed = placeAgain(on, mapTiles(withLook(on.page, look, on.style), undressed));
  const at = groupAt(dressed);
  const tree = treeIn(at?.group);
  if (!at || !tree || tree.loose) return dressed.page;
  const others = Array.from({ length: tries }, (_, k) =>
    placeAgain(
      dressed,
      onGroup(dressed, at, (g) => refit(g, { seed: tree.seed + k, keepSet: k === 0, aspectOf })),
    ),
  );
  const all = [dressed, ...others].map((p) => onLines(p, model));
  return all.reduce((best, p) => (sharedLines(p, model) > sharedLines(best, model) ? p : best)).page;
}

/** A tile of an arrangement wears what its page wears. */
const undressed: Parameters<typeof mapTiles>[1] = (tile) => {
  if ("frame" in tile || !inheritsDress(tile.filling)) return tile;
  const { cornerMm: _, border: __, ...rest } = tile;
  return (tile.cornerMm === undefined && tile.border === undefined ? tile : rest) as typeof tile;
};

function onLines(on: PlacedPage, model: PlacedPage): PlacedPage {
  const rows = seamsOfGroup(groupAt(model)).filter((s) => !s.across);
  const lines = rows.length > 0 ? rows.map((s) => s.at) : middles(model);
  let now = on;
  for (let i = 0; ; i += 1) {
    const at = groupAt(now);
    const seam = seamsOfGroup(at).filter((s) => !s.across)[i];
    if (!seam || !at) return now;
    const near = lines
      .map((y) => ({ y, off: Math.abs(y - seam.at) }))
      .filter((l) => l.off <= reach * on.format.heightMm)
      .sort((a, b) => a.off - b.off)[0];
    if (near) now = placeAgain(now, withSeamMoved(now, at, seam, near.y, false));
  }
}

/** Of a grid: the middles of its gaps. */
const middles = (on: PlacedPage): number[] => levels(on).map((y) => y + on.look.gapMm / 2);
