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
