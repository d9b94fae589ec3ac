import { done, type Outcome, refused } from "#core/outcome";
import { mostTiles, type Page } from "../page.ts";
import { findPage, type Project } from "../project.ts";
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

/** Takes a page out of the row and puts it in again so that it is the `to`-th, from 0. */
export interface MovePage {
  readonly type: "movePage";
  readonly pageId: string;
  readonly to: number;
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
  return done(change.pages.length === 0 ? project : { ...project, pages });
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
  return done(out.size === 0 ? project : { ...project, pages });
}

export function invertRemovePages(before: Project, change: RemovePages): InsertPages {
  const out = new Set(change.pageIds);
  const pages = before.pages.flatMap((page, at) => (out.has(page.id) ? [{ page, at }] : []));
  return { type: "insertPages", pages };
}

export function applyMovePage(project: Project, change: MovePage): Outcome<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const from = project.pages.indexOf(page);
  const to = Math.max(0, Math.min(change.to, project.pages.length - 1));
  return done(from === to ? project : { ...project, pages: project.pages.toSpliced(from, 1).toSpliced(to, 0, page) });
}

export const invertMovePage = (before: Project, change: MovePage): MovePage => ({
  ...change,
  to: before.pages.findIndex((p) => p.id === change.pageId),
});
