import { ok, type Result, refused } from "#core/result";
import { mostTiles, type Page } from "../page.ts";
import { findPage, type Project, withPage } from "../project.ts";
import type { ChangeKind } from "./kind.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Replaces a page as a whole: a new arrangement, or the way back from a change that touched many tiles. */
export interface PutPage {
  readonly type: "putPage";
  readonly page: Page;
}

function apply(project: Project, change: PutPage): Result<Project, ChangeTrouble> {
  if (!findPage(project, change.page.id)) return refused("pageGone", { pageId: change.page.id });
  const tiles = change.page.tiles.length;
  if (tiles > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles });
  return ok(withPage(project, change.page));
}

const invert = (before: Project, change: PutPage): PutPage => ({
  type: "putPage",
  page: findPage(before, change.page.id)!,
});

export const putPage: ChangeKind<PutPage, PutPage> = {
  apply,
  invert,
  merge: (first, next) => (first.page.id === next.page.id ? next : undefined),
  pageId: ({ page }) => page.id,
};
