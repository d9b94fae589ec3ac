import { ok, type Result, refused } from "#core/result";
import { mostTiles, type Page } from "../page.ts";
import { findPage, type Project, withPage } from "../project.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Replaces a page as a whole: a new arrangement, or the way back from a change that touched many tiles. */
export interface PutPage {
  readonly type: "putPage";
  readonly page: Page;
}

export function applyPutPage(project: Project, change: PutPage): Result<Project, ChangeTrouble> {
  if (!findPage(project, change.page.id)) return refused("pageGone", { pageId: change.page.id });
  const tiles = change.page.tiles.length;
  if (tiles > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles });
  return ok(withPage(project, change.page));
}

export const invertPutPage = (before: Project, change: PutPage): PutPage => ({
  type: "putPage",
  page: findPage(before, change.page.id)!,
});
