import type { Page } from "#core/document";

/** Lines on a page to lay things by. */

export type Guide = NonNullable<Page["guides"]>[number];

/** A tenth of a millimetre is as exact as anybody lays a line. */
const rounded = (mm: number): number => Math.round(mm * 10) / 10;

const withGuides = (page: Page, guides: readonly Guide[]): Page => {
  const { guides: _, ...bare } = page;
  return guides.length === 0 ? bare : { ...bare, guides };
};

export const guideAdded = (page: Page, guide: Guide): Page =>
  withGuides(page, [...(page.guides ?? []), { ...guide, mm: rounded(guide.mm) }]);

/** The line with that number elsewhere; off the page it is gone. */
export function guideMoved(page: Page, at: number, mm: number, mostMm: number): Page {
  const guides = page.guides ?? [];
  if (!guides[at]) return page;
  const off = mm < 0 || mm > mostMm;
  return withGuides(
    page,
    off ? guides.toSpliced(at, 1) : guides.map((g, i) => (i === at ? { ...g, mm: rounded(mm) } : g)),
  );
}

export const guideRemoved = (page: Page, at: number): Page =>
  page.guides?.[at] ? withGuides(page, page.guides.toSpliced(at, 1)) : page;

/** So many at most on a page. */
const mostGuides = 100;

/** The page with a line on both sides of every column (`x`) or row (`y`), `count` of them from one mm to another, so far apart; where it has one already it gets no second. */
export function guidesInTracks(
  page: Page,
  axis: Guide["axis"],
  tracks: { readonly count: number; readonly gapMm: number; readonly fromMm: number; readonly toMm: number },
): Page {
  const { count, gapMm, fromMm, toMm } = tracks;
  const each = (toMm - fromMm - gapMm * (count - 1)) / count;
  if (!(count >= 1) || each <= 0) return page;
  const lines = Array.from({ length: count }, (_, i) => fromMm + i * (each + gapMm)).flatMap((at) => [at, at + each]);
  const there = [...(page.guides ?? [])];
  for (const mm of lines.map(rounded))
    if (there.length < mostGuides && !there.some((g) => g.axis === axis && g.mm === mm)) there.push({ axis, mm });
  return withGuides(page, there);
}

export const guidesCleared = (page: Page): Page => withGuides(page, []);
