import type { Edge } from "#core/arrange";
import type { OrnamentName, PaperName } from "#core/artwork";
import { arrangedOn, frameRect, groupAt, isArranged, liesOn, type PlacedPage } from "#core/document";
import type { Point, Rect } from "#core/geometry";
import type { OutlineName } from "#core/outlines";
import type { Section } from "#core/photo";

export type Dragged =
  | { readonly from: "shelf"; readonly photoId: string; readonly section: Section }
  | { readonly from: "tile"; readonly tileId: string }
  | { readonly from: "shapes"; readonly outline: OutlineName }
  | { readonly from: "drawn"; readonly paper: PaperName }
  | { readonly from: "ornaments"; readonly ornament: OrnamentName };

export type DropMeaning =
  | { readonly does: "nothing" }
  | { readonly does: "put"; readonly tileId: string; readonly photoId: string }
  | { readonly does: "swap"; readonly tileId: string; readonly withTileId: string }
  /** Beside a tile; `whole`: as a column or a row of its own at the edge of the group that this tile is of. */
  | {
      readonly does: "slip";
      readonly photoId: string;
      readonly tileId: string;
      readonly edge: Edge;
      readonly whole?: true;
    }
  | { readonly does: "move"; readonly movedId: string; readonly tileId: string; readonly edge: Edge }
  | { readonly does: "begin"; readonly photoId: string }
  /** It goes onto the page that faces this one. */
  | { readonly does: "face"; readonly tileId: string; readonly pageId: string }
  /** It lies on its own, over the rest. */
  | { readonly does: "lay"; readonly photoId: string; readonly at: Point }
  /** A new tile of that shape, over the rest. */
  | { readonly does: "shape"; readonly outline: OutlineName; readonly at: Point }
  /** It lies behind all of the page. */
  | { readonly does: "back"; readonly photoId: string }
  /** It lies over the rest. */
  | { readonly does: "ornament"; readonly ornament: OrnamentName; readonly at: Point }
  /** The tile is filled with it, or the page where there is none. */
  | { readonly does: "paper"; readonly paper: PaperName; readonly tileId: string | undefined };

/** How much of a tile, from each of its edges, counts as "beside it". */
const edgeShare = 0.22;

/**
 * What letting go at a point of the page means: in the middle of a tile it takes that place, near an edge or in a gap it slips in
 * beside, on an empty page it begins an arrangement, and beside all tiles it lies freely. A paper never slips in: where there is no tile
 * it lies behind the page. An ornament always lies freely. `at` in mm; missing off the page.
 */
export function meaningOfDrop(dragged: Dragged, on: PlacedPage, at: Point | undefined): DropMeaning {
  if (!at) return { does: "nothing" };
  if (dragged.from === "drawn") {
    const tile = on.tiles.findLast((t) => t.filling.kind !== "words" && liesOn(t, at));
    return { does: "paper", paper: dragged.paper, tileId: tile?.id };
  }
  if (dragged.from === "ornaments") return { does: "ornament", ornament: dragged.ornament, at };
  if (dragged.from === "shapes") return { does: "shape", outline: dragged.outline, at };
  if (dragged.from === "shelf" && dragged.section === "ornaments") return { does: "lay", photoId: dragged.photoId, at };
  // What lies freely lies over the others, and takes a photo where it holds one or nothing.
  const free = on.tiles.findLast((t) => !isArranged(t) && t.filling.kind !== "words" && liesOn(t, at));
  if (free && dragged.from === "shelf") return { does: "put", tileId: free.id, photoId: dragged.photoId };
  const tile = arrangedOn(on).findLast((t) => liesOn(t, at));
  if (dragged.from === "shelf" && dragged.section === "papers")
    return tile
      ? { does: "put", tileId: tile.id, photoId: dragged.photoId }
      : { does: "back", photoId: dragged.photoId };
  if (!tile) return besideTiles(dragged, on, at);
  const slips = groupAt(on, tile.id)?.group.arrangement.kind !== "pockets";
  const edge = slips && tile.filling.kind !== "empty" ? edgeAt(frameRect(tile.frame), at) : undefined;
  if (dragged.from === "shelf")
    return edge
      ? { does: "slip", photoId: dragged.photoId, tileId: tile.id, edge }
      : { does: "put", tileId: tile.id, photoId: dragged.photoId };
  if (tile.id === dragged.tileId) return { does: "nothing" };
  return edge
    ? { does: "move", movedId: dragged.tileId, tileId: tile.id, edge }
    : { does: "swap", tileId: dragged.tileId, withTileId: tile.id };
}

/** What letting go means where no tile lies. */
function besideTiles(
  dragged: Exclude<Dragged, { readonly from: "shapes" | "drawn" | "ornaments" }>,
  on: PlacedPage,
  at: Point,
): DropMeaning {
  const near = nearestIn(on, at);
  if (near && dragged.from === "shelf") return { does: "slip", photoId: dragged.photoId, ...near };
  const outer = near ? undefined : outerEdge(on, at);
  if (outer && dragged.from === "shelf") return { does: "slip", photoId: dragged.photoId, ...outer, whole: true };
  if (near && dragged.from === "tile" && near.tileId !== dragged.tileId)
    return { does: "move", movedId: dragged.tileId, ...near };
  if (dragged.from !== "shelf" || on.groups.some((g) => g.group.arrangement.kind === "pockets"))
    return { does: "nothing" };
  return arrangedOn(on).length === 0
    ? { does: "begin", photoId: dragged.photoId }
    : { does: "lay", photoId: dragged.photoId, at };
}

/** In a gap of a group: the tile that is nearest, and its edge that the point lies beyond. */
function nearestIn(on: PlacedPage, at: Point): { readonly tileId: string; readonly edge: Edge } | undefined {
  const group = on.groups.findLast((g) => g.group.arrangement.kind !== "pockets" && within(g.room, at));
  if (!group) return undefined;
  const beyond = group.tiles.map((t) => {
    const r = frameRect(t.frame);
    const [edge, mm] = (
      [
        ["left", r.x - at.x],
        ["right", at.x - r.x - r.w],
        ["top", r.y - at.y],
        ["bottom", at.y - r.y - r.h],
      ] as const
    ).reduce((most, s) => (s[1] > most[1] ? s : most));
    return { tileId: t.id, edge, mm };
  });
  const [first, ...rest] = beyond;
  if (!first) return undefined;
  const { tileId, edge } = rest.reduce((least, b) => (b.mm < least.mm ? b : least), first);
  return { tileId, edge };
}

/** How far outside of a group a point still means its edge. */
const outerReachMm = 6;

/** Just outside of a group: the edge that the point lies beyond, by one of its tiles. */
function outerEdge(on: PlacedPage, at: Point): { readonly tileId: string; readonly edge: Edge } | undefined {
  for (const { group, room, tiles } of on.groups.toReversed()) {
    const [tile] = tiles;
    if (!tile || group.arrangement.kind === "pockets") continue;
    const beyond = [
      ["left", room.x - at.x],
      ["right", at.x - room.x - room.w],
      ["top", room.y - at.y],
      ["bottom", at.y - room.y - room.h],
    ] as const;
    const [edge, mm] = beyond.reduce((most, b) => (b[1] > most[1] ? b : most));
    if (mm > 0 && mm <= outerReachMm) return { tileId: tile.id, edge };
  }
  return undefined;
}

const within = (r: Rect, p: Point): boolean => p.x >= r.x && p.y >= r.y && p.x <= r.x + r.w && p.y <= r.y + r.h;

/** The edge that a point lies near, by the side's own length. */
function edgeAt(r: Rect, p: Point): Edge | undefined {
  const shares: readonly (readonly [Edge, number])[] = [
    ["left", (p.x - r.x) / r.w],
    ["right", (r.x + r.w - p.x) / r.w],
    ["top", (p.y - r.y) / r.h],
    ["bottom", (r.y + r.h - p.y) / r.h],
  ];
  const [edge, share] = shares.reduce((best, s) => (s[1] < best[1] ? s : best));
  return share < edgeShare ? edge : undefined;
}
