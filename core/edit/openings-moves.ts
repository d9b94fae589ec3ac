import type { Page } from "#core/document";

/** Pages that are seen at the same time, in the order of the book. */
type Row = { readonly pages: readonly Page[] };

const rowOf = (rows: readonly Row[], pageId: string | undefined) =>
  rows.findIndex((r) => r.pages.some((p) => p.id === pageId));

/**
 * How many pages come before those that are let go on the page `onto`, of all others. An opening goes before another one, or behind it where
 * that one came later, and never between its pages; a page by itself likewise. Nothing where it was let go on itself.
 */
export function placeOnto(
  rows: readonly Row[],
  ids: readonly string[],
  onto: string,
  asOpening = ids.length > 1,
): number | undefined {
  if (ids.includes(onto)) return undefined;
  if (asOpening) {
    const from = rowOf(rows, ids[0]);
    const before = rows.filter((_, i) => i !== from).slice(0, rowOf(rows, onto));
    return before.reduce((sum, r) => sum + r.pages.length, 0);
  }
  const pages = rows.flatMap((r) => r.pages);
  const [from, to] = [ids[0], onto].map((id) => pages.findIndex((p) => p.id === id)) as [number, number];
  // Let go on a later page, it comes to lie behind that one, where it was taken out.
  return from < 0 || to < 0 ? undefined : to;
}

/** The page that lies beside the open one, or over or under it in lines of `across` openings. */
export function pageToward(
  rows: readonly Row[],
  openId: string,
  { x, y }: { readonly x: number; readonly y: number },
  across: number,
): Page | undefined {
  const pages = rows.flatMap((r) => r.pages);
  if (x !== 0) return pages[pages.findIndex((p) => p.id === openId) + x];
  const row = rowOf(rows, openId);
  const place = rows[row]?.pages.findIndex((p) => p.id === openId) ?? 0;
  const there = rows[row + y * across];
  return there?.pages[place] ?? there?.pages.at(-1);
}
