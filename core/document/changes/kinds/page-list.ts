import { ok, type Result, refused } from "#core/result";
import type { Page } from "../../page/page.ts";
import { firstOnRight, hasFacingPages, spreadsHold } from "../../project/book.ts";
import { findPage, type Project } from "../../project/project.ts";
import type { ChangeKind } from "./kind.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Puts new pages where they are to stand; each place counts those put in before it. */
export interface InsertPages {
  readonly type: "insertPages";
  readonly pages: readonly { readonly page: Page; readonly at: number }[];
}

/** Takes pages out; the last one stays. */
export interface RemovePages {
  readonly type: "removePages";
  readonly pageIds: readonly string[];
}

/** Takes pages out of the row and puts them in again, in their order, so that the first is the `to`-th, from 0. */
export interface MovePages {
  readonly type: "movePages";
  readonly pageIds: readonly string[];
  readonly to: number;
}

/** All pages in another order: the way back from a move. */
export interface OrderPages {
  readonly type: "orderPages";
  readonly pageIds: readonly string[];
}

export const mostPages = 1000;

/** What moves pages about in their row and leaves each as it is. */
export type RowChange = InsertPages | RemovePages | MovePages | OrderPages;

/** The row afterwards; the same row when nothing changed. */
export function rowAfter(project: Project, change: RowChange): Result<readonly Page[], ChangeTrouble> {
  const row = reordered(project, change);
  if (!row.ok || !hasFacingPages(project)) return row;
  return spreadsHold(row.value, firstOnRight(project)) ? row : refused("spreadSplit");
}

function apply(project: Project, change: RowChange): Result<Project, ChangeTrouble> {
  const row = rowAfter(project, change);
  if (!row.ok) return row;
  const pages = row.value;
  const same = pages.length === project.pages.length && pages.every((p, i) => p === project.pages[i]);
  return ok(same ? project : { ...project, pages });
}

function reordered(project: Project, change: RowChange): Result<readonly Page[], ChangeTrouble> {
  switch (change.type) {
    case "insertPages":
      return withInserted(project.pages, change);
    case "removePages":
      return withoutRemoved(project, change);
    case "movePages":
      return moved(project, change);
    case "orderPages":
      return inOrder(project.pages, change);
  }
}

function withInserted(row: readonly Page[], change: InsertPages): Result<readonly Page[], ChangeTrouble> {
  if (row.length + change.pages.length > mostPages) return refused("tooManyPages", { most: mostPages });
  const pages = [...row];
  for (const { page, at } of change.pages) {
    if (pages.some((p) => p.id === page.id)) return refused("pageThere", { pageId: page.id });
    pages.splice(Math.max(0, Math.min(at, pages.length)), 0, page);
  }
  return ok(pages);
}

function withoutRemoved(project: Project, change: RemovePages): Result<readonly Page[], ChangeTrouble> {
  const gone = change.pageIds.find((id) => !findPage(project, id));
  if (gone !== undefined) return refused("pageGone", { pageId: gone });
  const out = new Set(change.pageIds);
  const pages = project.pages.filter((p) => !out.has(p.id));
  return pages.length === 0 ? refused("lastPage") : ok(pages);
}

function moved({ pages: row }: Project, change: MovePages): Result<readonly Page[], ChangeTrouble> {
  const gone = change.pageIds.find((id) => !row.some((p) => p.id === id));
  if (gone !== undefined) return refused("pageGone", { pageId: gone });
  const out = new Set(change.pageIds);
  const rest = row.filter((p) => !out.has(p.id));
  const to = Math.max(0, Math.min(change.to, rest.length));
  return ok(rest.toSpliced(to, 0, ...row.filter((p) => out.has(p.id))));
}

function inOrder(row: readonly Page[], change: OrderPages): Result<readonly Page[], ChangeTrouble> {
  const byId = new Map(row.map((p) => [p.id, p]));
  const pages = change.pageIds.flatMap((id) => byId.get(id) ?? []);
  return pages.length === row.length ? ok(pages) : refused("pageGone");
}

const invertInsertPages = (_before: Project, change: InsertPages): RemovePages => ({
  type: "removePages",
  pageIds: change.pages.map((p) => p.page.id),
});

function invertRemovePages(before: Project, change: RemovePages): InsertPages {
  const out = new Set(change.pageIds);
  const pages = before.pages.flatMap((page, at) => (out.has(page.id) ? [{ page, at }] : []));
  return { type: "insertPages", pages };
}

const invertMovePages = (before: Project): OrderPages => ({
  type: "orderPages",
  pageIds: before.pages.map((p) => p.id),
});

export const insertPages: ChangeKind<InsertPages, RemovePages> = { apply, invert: invertInsertPages };
export const removePages: ChangeKind<RemovePages, InsertPages> = { apply, invert: invertRemovePages };
export const movePages: ChangeKind<MovePages, OrderPages> = { apply, invert: invertMovePages };
/** Of two orders in a row the later one counts. */
export const orderPages: ChangeKind<OrderPages, OrderPages> = {
  apply,
  invert: invertMovePages,
  merge: (_first, next) => next,
};
