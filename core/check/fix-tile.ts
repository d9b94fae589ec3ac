import type { Change, Filling, Patch, PlacedTile, TileFields } from "#core/document";
import type { FixAt } from "./rule.ts";

/** What a tile is told. */
export type Told = NonNullable<Patch<TileFields>["set"]>;

/** A fix that tells one tile something; none where there is nothing to tell. */
export const tellingTile =
  (told: (tile: PlacedTile, at: FixAt) => Told | undefined) =>
  (at: FixAt): readonly Change[] => {
    const { tile } = at;
    const set = tile && told(tile, at);
    return set ? [{ type: "setTiles", pageId: at.on.id, items: [{ id: tile.id, set }] }] : [];
  };

/** A fix of a tile's filling, by the tile as it would be. */
export const fillingOf = (tile: PlacedTile | undefined): { readonly filling: Filling } | undefined =>
  tile && { filling: tile.filling };
