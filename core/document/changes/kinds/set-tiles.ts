import { ok, type Result, refused } from "#core/result";
import { type FreeTile, findTile, isGroup, type Page, type Tile } from "../../page/page.ts";
import { findPage, type Project, withPage } from "../../project/project.ts";
import type { ChangeKind } from "./kind.ts";
import { type Patch, patchAll, patched, unpatched } from "./patch.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** What a tile may be told. Of a tile in a group it is not where it lies: that is for its arrangement to say. */
export type TileFields = Omit<Tile, "id"> & Partial<Pick<FreeTile, "frame" | "byTemplate" | "tieId">>;

/** Tells tiles what they hold, where they lie, what they wear. */
export interface SetTiles {
  readonly type: "setTiles";
  readonly pageId: string;
  readonly items: readonly ({ readonly id: string } & Patch<TileFields>)[];
}

function apply(project: Project, change: SetTiles): Result<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const gone = change.items.find(({ id }) => !findTile(page, id));
  if (gone) return refused("tileGone", { tileId: gone.id });
  const byId = new Map(patchAll<TileFields, SetTiles["items"][number]>([], change.items).map((i) => [i.id, i]));
  return ok(withPage(project, withTiles(page, byId)));
}

function withTiles(page: Page, byId: ReadonlyMap<string, Patch<TileFields>>): Page {
  const told = <T extends Tile>(tile: T): T => {
    const patch = byId.get(tile.id);
    return patch ? patched<TileFields & T>(tile, patch as Patch<TileFields & T>) : tile;
  };
  const pieces = page.pieces.map((piece) => {
    if (!isGroup(piece)) return told(piece);
    const tiles = piece.tiles.map(told);
    return tiles.every((t, i) => t === piece.tiles[i]) ? piece : { ...piece, tiles };
  });
  return pieces.every((p, i) => p === page.pieces[i]) ? page : { ...page, pieces };
}

function invert(before: Project, change: SetTiles): SetTiles {
  const page = findPage(before, change.pageId)!;
  return {
    ...change,
    items: change.items.map((item) => ({
      id: item.id,
      ...unpatched<TileFields>(findTile(page, item.id)!, item),
    })),
  };
}

const merge = (first: SetTiles, next: SetTiles): SetTiles | undefined =>
  first.pageId === next.pageId
    ? { ...next, items: patchAll<TileFields, SetTiles["items"][number]>(first.items, next.items) }
    : undefined;

export const setTiles: ChangeKind<SetTiles, SetTiles> = {
  apply,
  invert,
  merge,
  pageId: (c) => c.pageId,
  assigns: true,
};
