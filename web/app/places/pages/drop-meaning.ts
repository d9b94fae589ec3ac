export type Dragged =
  | { readonly from: "shelf"; readonly photoId: string }
  | { readonly from: "tile"; readonly tileId: string };

export type DropMeaning =
  | { readonly does: "nothing" }
  | { readonly does: "put"; readonly tileId: string; readonly photoId: string }
  | { readonly does: "swap"; readonly tileId: string; readonly withTileId: string }
  | { readonly does: "begin"; readonly photoId: string };

/** What letting go means. `over` has a tile's id over a tile, and none over the bare page. */
export function meaningOfDrop(dragged: Dragged, over: { readonly tileId?: string } | undefined): DropMeaning {
  if (!over) return { does: "nothing" };
  if (dragged.from === "shelf")
    return over.tileId === undefined
      ? { does: "begin", photoId: dragged.photoId }
      : { does: "put", tileId: over.tileId, photoId: dragged.photoId };
  if (over.tileId === undefined || over.tileId === dragged.tileId) return { does: "nothing" };
  return { does: "swap", tileId: dragged.tileId, withTileId: over.tileId };
}
