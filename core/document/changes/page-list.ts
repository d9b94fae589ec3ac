import { done, type Outcome, refused } from "#core/outcome";
import { firstOnRight, formatOf, spreadsHold } from "../book.ts";
import { mostTiles, type Page } from "../page.ts";
import { findPage, type Project } from "../project.ts";
import { solvePage } from "../solve-page.ts";
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

export function applyInsertPages(project: Project, change: InsertPages): Outcome<Project, ChangeTrouble> {
  if (project.pages.length + change.pages.length > mostPages) return refused("tooManyPages", { most: mostPages });
  const pages = [...project.pages];
  for (const { page, at } of change.pages) {
    const tiles = page.tiles.length;
    if (tiles > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles });
    if (pages.some((p) => p.id === page.id)) return refused("pageThere", { pageId: page.id });
    pages.splice(Math.max(0, Math.min(at, pages.length)), 0, page);
  }
  return change.pages.length === 0 ? done(project) : inRow(project, pages);
}

export const invertInsertPages = (change: InsertPages): RemovePages => ({
  type: "removePages",
  pageIds: change.pages.map((p) => p.page.id),
});

export function applyRemovePages(project: Project, change: RemovePages): Outcome<Project, ChangeTrouble> {
  const out = new Set(change.pageIds);
  const gone = change.pageIds.find((id) => !findPage(project, id));
  if (gone !== undefined) return refused("pageGone", { pageId: gone });
  const pages = project.pages.filter((p) => !out.has(p.id));
  if (pages.length === 0) return refused("lastPage");
  return out.size === 0 ? done(project) : inRow(project, pages);
}

export function invertRemovePages(before: Project, change: RemovePages): InsertPages {
  const out = new Set(change.pageIds);
  const pages = before.pages.flatMap((page, at) => (out.has(page.id) ? [{ page, at }] : []));
  return { type: "insertPages", pages };
}

export function applyMovePages(project: Project, change: MovePages): Outcome<Project, ChangeTrouble> {
  const gone = change.pageIds.find((id) => !project.pages.some((p) => p.id === id));
  if (gone !== undefined) return refused("pageGone", { pageId: gone });
  const out = new Set(change.pageIds);
  const moved = project.pages.filter((p) => out.has(p.id));
  const rest = project.pages.filter((p) => !out.has(p.id));
  const pages = rest.toSpliced(Math.max(0, Math.min(change.to, rest.length)), 0, ...moved);
  return pages.every((p, i) => p === project.pages[i]) ? done(project) : inRow(project, pages);
}

export const invertMovePages = (before: Project): OrderPages => ({
  type: "orderPages",
  pageIds: before.pages.map((p) => p.id),
});

export function applyOrderPages(project: Project, change: OrderPages): Outcome<Project, ChangeTrouble> {
  const byId = new Map(project.pages.map((p) => [p.id, p]));
  const pages = change.pageIds.flatMap((id) => byId.get(id) ?? []);
  if (pages.length !== project.pages.length) return refused("pageGone");
  return pages.every((p, i) => p === project.pages[i]) ? done(project) : inRow(project, pages);
}

/** Pages in a new order. One that came to lie on the other side of the fold is fitted to that side. */
function inRow(project: Project, pages: readonly Page[]): Outcome<Project, ChangeTrouble> {
  if (project.kind === "collage") return done({ ...project, pages });
  if (!spreadsHold(pages, firstOnRight(project))) return refused("spreadSplit");
  const after: Project = { ...project, pages };
  const fitted = pages.map((page) => {
    const was = findPage(project, page.id) ? formatOf(project, page) : undefined;
    const now = formatOf(after, page);
    return was === now ? page : solvePage(page, now);
  });
  return done({ ...after, pages: fitted });
}
