import { ok, type Result, refused } from "#core/result";
import { type Filling, findTile, mapTiles } from "../page.ts";
import { findPage, type Project, withPage } from "../project.ts";
import type { ChangeKind } from "./kind.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Puts fillings into tiles: a photo in, a photo out, two swapped, a view reframed. */
export interface FillTiles {
  readonly type: "fillTiles";
  readonly pageId: string;
  readonly fillings: readonly { readonly tileId: string; readonly filling: Filling }[];
}

function apply(project: Project, change: FillTiles): Result<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const byTile = new Map(change.fillings.map((f) => [f.tileId, f.filling]));
  const gone = change.fillings.find((f) => !findTile(page, f.tileId));
  if (gone) return refused("tileGone", { tileId: gone.tileId });
  const filled = mapTiles(page, (tile) => {
    const filling = byTile.get(tile.id);
    return filling && filling !== tile.filling ? { ...tile, filling } : tile;
  });
  return ok(withPage(project, filled));
}

function invert(before: Project, change: FillTiles): FillTiles {
  const page = findPage(before, change.pageId)!;
  return {
    ...change,
    fillings: change.fillings.map(({ tileId }) => ({ tileId, filling: findTile(page, tileId)!.filling })),
  };
}

/** The later filling of a tile is the one that counts. */
function merge(first: FillTiles, next: FillTiles): FillTiles | undefined {
  if (first.pageId !== next.pageId) return undefined;
  const byTile = new Map([...first.fillings, ...next.fillings].map((f) => [f.tileId, f]));
  return { ...next, fillings: [...byTile.values()] };
}

export const fillTiles: ChangeKind<FillTiles, FillTiles> = { apply, invert, merge, pageId: (change) => change.pageId };
