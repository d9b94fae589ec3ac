import type { PageFormat } from "#core/lab";
import { frameRect, type Page } from "./page.ts";
import { refit } from "./solve-again.ts";
import { solvePage } from "./solve-page.ts";
import { seamsOfPage, withSeamMoved } from "./tree-page.ts";

/** Seams this near to a line of the other page are drawn onto it, as a share of the page's height. */
const reach = 0.12;
const tries = 12;
const onLine = 0.05;

/** The heights at which tiles of a page begin and end. */
function levels(page: Page): number[] {
  const all = page.tiles.flatMap((t) => {
    const r = frameRect(t.frame);
    return [r.y, r.y + r.h];
  });
  return [...new Set(all.map((y) => Math.round(y * 100) / 100))];
}

/** How many level lines two pages have in common, of those that run inside them. */
export function sharedLines(a: Page, b: Page): number {
  const inner = (page: Page) => {
    const all = levels(page);
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
export function matchedTo(
  model: Page,
  page: Page,
  format: PageFormat,
  aspectOf: (tileId: string) => number | undefined,
): Page {
  const { gapMm, margin, cornerMm, border, background } = model.look;
  const mirrored = { ...margin, left: margin.right, right: margin.left };
  const look = { ...page.look, gapMm, margin: mirrored, cornerMm, border, background };
  const dressed = solvePage(
    {
      ...page,
      look,
      tiles: page.tiles.map((t) => ({ ...t, outline: { ...t.outline, cornerMm }, edge: { ...t.edge, border } })),
    },
    format,
  );
  if (dressed.arrangement?.kind !== "tree" || dressed.arrangement.loose) return dressed;
  const { seed } = dressed.arrangement;
  const others = Array.from({ length: tries }, (_, k) =>
    refit(dressed, format, { seed: seed + k, keepSet: k === 0, aspectOf }),
  );
  const all = [dressed, ...others].map((p) => onLines(p, model, format));
  return all.reduce((best, p) => (sharedLines(p, model) > sharedLines(best, model) ? p : best));
}

function onLines(page: Page, model: Page, format: PageFormat): Page {
  const rows = seamsOfPage(model, format).filter((s) => !s.across);
  const lines = rows.length > 0 ? rows.map((s) => s.at) : middles(model);
  let now = page;
  for (let i = 0; ; i += 1) {
    const seam = seamsOfPage(now, format).filter((s) => !s.across)[i];
    if (!seam) return now;
    const near = lines
      .map((y) => ({ y, off: Math.abs(y - seam.at) }))
      .filter((l) => l.off <= reach * format.heightMm)
      .sort((a, b) => a.off - b.off)[0];
    if (near) now = withSeamMoved(now, format, seam, near.y, false);
  }
}

/** Of a grid: the middles of its gaps. */
function middles(page: Page): number[] {
  const tops = levels(page);
  return tops.map((y) => y + page.look.gapMm / 2);
}
