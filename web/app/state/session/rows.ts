import {
  firstOnRight,
  hasFacingPages,
  openingsOf,
  type Page,
  type Project,
  pagesBefore,
  pagesOf,
} from "#core/document";

/** Pages that are seen together: both of an opening, or one by itself. */
export interface Row {
  readonly key: string;
  readonly pages: readonly Page[];
  /** Of the first leaf, from 1. */
  readonly number: number;
  /** Of a book's page that has no other beside it. */
  readonly on: "left" | "right" | undefined;
}

export function rowsOf(project: Project): Row[] {
  if (!hasFacingPages(project)) {
    const before = pagesBefore(project.pages);
    return project.pages.map((page, i) => ({ key: page.id, pages: [page], number: before[i]! + 1, on: undefined }));
  }
  return openingsOf(project.pages, firstOnRight(project)).map((o) => {
    const pages = pagesOf(o);
    const on = pages.length === 2 || o.spread ? undefined : o.left ? "left" : "right";
    return { key: pages[0]!.id, pages, number: o.firstNumber, on };
  });
}
