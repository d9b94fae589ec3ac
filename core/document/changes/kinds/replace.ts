import { ok, type Result, refused } from "#core/result";
import type { Page } from "../../page/page.ts";
import { findPage, type Project, withPage } from "../../project/project.ts";
import type { ChangeKind } from "./kind.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** A page as a whole in the place of the one with its id: laid out by a template, arranged anew. */
export interface ReplacePage {
  readonly type: "replacePage";
  readonly page: Page;
}

/** All pages at once, or the cover: pacing, another size, a snapshot. */
export interface ReplaceAll {
  readonly type: "replaceAll";
  readonly pages?: readonly Page[];
  readonly cover?: Page | null;
}

export const replacePage: ChangeKind<ReplacePage, ReplacePage> = {
  apply: (project: Project, { page }: ReplacePage): Result<Project, ChangeTrouble> =>
    findPage(project, page.id) ? ok(withPage(project, page)) : refused("pageGone", { pageId: page.id }),
  invert: (before, change) => ({ type: "replacePage", page: findPage(before, change.page.id)! }),
  merge: (first, next) => (first.page.id === next.page.id ? next : undefined),
  pageId: ({ page }) => page.id,
};

export const replaceAll: ChangeKind<ReplaceAll, ReplaceAll> = {
  apply(project, { pages = project.pages, cover = project.cover }) {
    if (pages.length === 0) return refused("lastPage");
    const same = pages.every((p, i) => p === project.pages[i]) && pages.length === project.pages.length;
    return ok(same && cover === project.cover ? project : { ...project, pages: same ? project.pages : pages, cover });
  },
  invert: (before, change) => ({
    type: "replaceAll",
    ...(change.pages === undefined ? {} : { pages: before.pages }),
    ...(change.cover === undefined ? {} : { cover: before.cover }),
  }),
  merge: (first, next) => ({ ...first, ...next }),
};
