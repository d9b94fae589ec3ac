import type { BookCover, BookPaper, BookRules } from "./schema/book.ts";

export type { BookCover, BookPaper, BookRules } from "./schema/book.ts";

/** The nearest number of pages that the lab binds: not fewer than asked for, as far as there are such. */
export function boundPages(rules: BookRules, wanted: number): number {
  const { least, most, step } = rules.pages;
  if (wanted <= least) return least;
  return Math.min(most, least + Math.ceil((wanted - least) / step) * step);
}

/** Whether the lab binds just so many. */
export const bindsSo = (rules: BookRules, pages: number): boolean =>
  pages >= rules.pages.least && pages <= rules.pages.most && (pages - rules.pages.least) % rules.pages.step === 0;

/** All numbers of pages that the lab binds. */
export function pageCounts(rules: BookRules): number[] {
  const { least, most, step } = rules.pages;
  return Array.from({ length: (most - least) / step + 1 }, (_, i) => least + i * step);
}

/** Beyond the last row of a table its last width goes on. */
export function spineMm(cover: BookCover, paper: BookPaper, pages: number): number {
  if (cover.spine.kind === "leaves") return cover.spine.baseMm + Math.ceil(pages / 2) * paper.leafMm;
  const { rows } = cover.spine;
  return (rows.find((r) => pages <= r.upToPages) ?? rows.at(-1)!).mm;
}
