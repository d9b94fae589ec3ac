import { done, type Outcome, refused } from "#core/outcome";
import { type Border, findTile, mapTiles } from "../page.ts";
import { findPage, type Project, withPage } from "../project.ts";
import type { PutPage } from "./put-page.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Gives some tiles a corner or a border of their own. */
export interface DressTiles {
  readonly type: "dressTiles";
  readonly pageId: string;
  readonly tileIds: readonly string[];
  readonly cornerMm?: number;
  readonly border?: Border;
}

export function applyDressTiles(project: Project, change: DressTiles): Outcome<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const gone = change.tileIds.find((id) => !findTile(page, id));
  if (gone !== undefined) return refused("tileGone", { tileId: gone });
  const { cornerMm, border, tileIds } = change;
  const dressed = mapTiles(page, (tile) =>
    tileIds.includes(tile.id)
      ? {
          ...tile,
          outline: cornerMm === undefined ? tile.outline : { ...tile.outline, cornerMm },
          edge: border === undefined ? tile.edge : { ...tile.edge, border },
        }
      : tile,
  );
  return done(withPage(project, dressed));
}

export const invertDressTiles = (before: Project, change: DressTiles): PutPage => ({
  type: "putPage",
  page: findPage(before, change.pageId)!,
});
