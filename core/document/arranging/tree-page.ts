import {
  type Edge,
  inLineWith,
  leavesOf,
  mapLeaves,
  mirrored,
  released,
  type TreeNode,
  type TreeSeam,
  tracksWithSeamAt,
  treeSeams,
  withAtEdge,
  withBeside,
  withHalves,
  without,
  withoutEqual,
  withSeamAt,
} from "#core/arrange";
import { forTiles, treeOf } from "../arrangements/index.ts";
import { newTile } from "../page/new-tile.ts";
import { findTile, type Group, type Page, type Tile, treeIn, withGroup, withoutPieces } from "../page/page.ts";
import { groupAt, type PlacedGroup, type PlacedPage, placeAgain } from "../page/place-page.ts";
import { withTree } from "./lay-tree.ts";

/** What a hand does to the tree of a group. Each gives the page afterwards, the same one where nothing changes. */

/** The page with one of its groups edited; without it where nothing is left of it. */
export function onGroup(
  on: PlacedPage,
  at: PlacedGroup | undefined,
  edit: (at: PlacedGroup) => Group | undefined,
): Page {
  if (!at) return on.page;
  const next = edit(at);
  if (next === at.group) return on.page;
  return next ? withGroup(on.page, next) : withoutPieces(on.page, [at.group.id]);
}

/** The tree of a group's arrangement; that of a grid is read from how its tiles lie. */
export const treeOfGroup = (at: PlacedGroup | undefined): TreeNode | undefined =>
  at && treeOf(at.group.arrangement, at.room, at.gapMm);

const onTree = (
  on: PlacedPage,
  at: PlacedGroup | undefined,
  edit: (tree: TreeNode, at: PlacedGroup) => Group | undefined,
): Page =>
  onGroup(on, at, (group) => {
    const tree = treeOfGroup(group);
    return tree ? edit(tree, group) : group.group;
  });

/** Of a grid, whose seams are those of its tracks, there are none here. */
export function seamsOfGroup(at: PlacedGroup | undefined): readonly TreeSeam[] {
  if (!at || at.group.arrangement.kind === "grid" || treeIn(at.group)?.loose) return [];
  const tree = treeOfGroup(at);
  return tree ? treeSeams(tree, at.room, at.gapMm) : [];
}

/** A seam of a tree moved, with those that run on in its line unless it is to move `alone`. */
export const withSeamMoved = (on: PlacedPage, at: PlacedGroup, seam: TreeSeam, to: number, alone: boolean): Page =>
  onTree(on, at, (tree, { group, room, gapMm }) => {
    const line = alone ? [seam] : inLineWith(seam, seamsOfGroup(at), gapMm);
    const moved = line.reduce<TreeNode>((t, s) => withSeamAt(t, s, to, room, gapMm), tree);
    return moved === tree ? group : withTree(group, moved);
  });

/** The seam after track `index` of a grid moved so that its middle lies at `toMm` on the page; both sides follow. */
export const withTrackMoved = (
  on: PlacedPage,
  at: PlacedGroup,
  axis: "columns" | "rows",
  index: number,
  toMm: number,
): Page =>
  onGroup(on, at, ({ group, room, gapMm }) => {
    const grid = group.arrangement;
    if (grid.kind !== "grid" || index < 0 || index >= grid[axis].length - 1) return group;
    const [start, length] = axis === "columns" ? [room.x, room.w] : [room.y, room.h];
    const moved = tracksWithSeamAt(grid[axis], length, gapMm, index, toMm - start);
    return moved === grid[axis] ? group : { ...group, arrangement: { ...grid, [axis]: moved } };
  });

/**
 * A tile put in at an edge of another, or of the `whole` group that this one is of, of its own shape as far as that can be; the page where
 * it does not fit.
 */
export const withTileBeside = (
  on: PlacedPage,
  tile: Tile,
  shape: { readonly aspect: number; readonly shaped?: true },
  to: { readonly tileId: string; readonly edge: Edge; readonly whole?: boolean | undefined },
): Page =>
  onGroup(on, groupAt(on, to.tileId), (at) => {
    const tree = treeOfGroup(at);
    const { group } = at;
    if (!tree) return withOtherTiles(group, besideIn(group.tiles, tile, to));
    const leaf = { tileId: tile.id, ...shape };
    const grown = to.whole ? withAtEdge(tree, to.edge, leaf) : withBeside(tree, to.tileId, to.edge, leaf);
    if (grown === tree) return group;
    return withTree({ ...group, tiles: besideIn(group.tiles, tile, to) }, grown, { loose: false });
  });

/** A group whose arrangement is made anew for other tiles; as it was where it has a place for those alone that it has. */
function withOtherTiles(group: Group, tiles: readonly Tile[]): Group {
  const arrangement = forTiles(
    group.arrangement,
    tiles.map((t) => t.id),
  );
  return arrangement ? { ...group, arrangement, tiles } : group;
}

/** A photo put into a new tile at an edge of another; the page where it does not fit. */
export const insertBeside = (
  on: PlacedPage,
  what: {
    readonly photoId: string;
    readonly aspect: number;
    readonly tileId: string;
    readonly edge: Edge;
    readonly whole?: boolean | undefined;
  },
  newId: () => string,
): Page => withTileBeside(on, newTile(what.photoId, newId), { aspect: what.aspect }, what);

/** In the list of tiles a new one is read before or after its neighbour. */
function besideIn(
  tiles: readonly Tile[],
  tile: Tile,
  { tileId, edge }: { readonly tileId: string; readonly edge: Edge },
) {
  const at = tiles.findIndex((t) => t.id === tileId);
  return tiles.toSpliced(at + (edge === "left" || edge === "top" ? 0 : 1), 0, tile);
}

/** A tile taken from its place and slipped in at an edge of another, in its own group or in that one's. */
export function withTileMoved(
  on: PlacedPage,
  tileId: string,
  to: { readonly tileId: string; readonly edge: Edge },
): Page {
  const from = groupAt(on, tileId);
  const tile = findTile(on.page, tileId);
  const tree = treeOfGroup(from);
  if (from && tile && !tree) return withCellMoved(on, from, tile, to);
  const leaf = tree && leavesOf(tree).find((l) => l.tileId === tileId);
  if (!from || !tile || !leaf || tileId === to.tileId) return on.page;
  if (!from.group.tiles.some((t) => t.id === to.tileId)) {
    const taken = removeTiles(on, [tileId]);
    const there = withTileBeside(placeAgain(on, taken), tile, withoutEqual(leaf), to);
    return there === taken ? on.page : there;
  }
  return onTree(on, from, (all, { group, room, gapMm }) => {
    const left = without(all, tileId, room, gapMm);
    if (!left) return group;
    const moved = withBeside(released(left), to.tileId, to.edge, leaf);
    const tiles = besideIn(
      group.tiles.filter((t) => t.id !== tileId),
      tile,
      to,
    );
    return withTree({ ...group, tiles }, moved, { loose: false });
  });
}

/** The same for a tile of a pattern, whose cells follow the order of its tiles. */
function withCellMoved(
  on: PlacedPage,
  from: PlacedGroup,
  tile: Tile,
  to: { readonly tileId: string; readonly edge: Edge },
): Page {
  const others = from.group.tiles.filter((t) => t.id !== tile.id);
  if (others.some((t) => t.id === to.tileId))
    return onGroup(on, from, ({ group }) => withOtherTiles(group, besideIn(others, tile, to)));
  const taken = removeTiles(on, [tile.id]);
  if (taken === on.page) return on.page;
  const { width, height } = from.tiles.find((t) => t.id === tile.id)!.frame;
  const there = withTileBeside(placeAgain(on, taken), tile, { aspect: width / height }, to);
  return there === taken ? on.page : there;
}

/** Tiles taken off the page, the ones beside them taking their room. */
export function removeTiles(on: PlacedPage, tileIds: readonly string[]): Page {
  let now = on;
  for (const { group } of on.groups) {
    const these = tileIds.filter((id) => group.tiles.some((t) => t.id === id));
    if (these.length === 0) continue;
    const page = onGroup(
      now,
      now.groups.find((g) => g.group.id === group.id),
      (at) => {
        let left = treeOfGroup(at);
        if (!left) {
          const others = at.group.tiles.filter((t) => !these.includes(t.id));
          const fixed = forTiles(at.group.arrangement, []) === undefined;
          return others.length > 0 || fixed ? withOtherTiles(at.group, others) : undefined;
        }
        for (const id of these) left = left && without(left, id, at.room, at.gapMm);
        return left && withTree(at.group, left);
      },
    );
    now = placeAgain(now, page);
  }
  return now.page;
}

export function splitTile(on: PlacedPage, tileId: string, way: "side" | "stack", newId: () => string): Page {
  return onTree(on, groupAt(on, tileId), (tree, { group }) => {
    const { cornerMm } = findTile(on.page, tileId)!;
    const tile: Tile = { ...newTile(undefined, newId), ...(cornerMm === undefined ? {} : { cornerMm }) };
    const cut = withHalves(tree, tileId, way, tile.id);
    return withTree({ ...group, tiles: besideIn(group.tiles, tile, { tileId, edge: "right" }) }, cut, { loose: false });
  });
}

/** A tile wanted in another shape; the others make room. */
export const setTileAspect = (on: PlacedPage, tileId: string, aspect: number): Page =>
  onTree(on, groupAt(on, tileId), (tree, { group }) =>
    withTree(
      group,
      mapLeaves(released(tree), (l) => (l.tileId === tileId ? { ...l, aspect, shaped: true as const } : l)),
      { loose: false },
    ),
  );

/** All groups of the page mirrored, each in its room. */
export const withPageMirrored = (on: PlacedPage, way: "side" | "stack"): Page =>
  on.groups.reduce(
    (page, { group }) =>
      onTree(
        placeAgain(on, page),
        placeAgain(on, page).groups.find((g) => g.group.id === group.id),
        (tree, at) => withTree(at.group, mirrored(tree, way)),
      ),
    on.page,
  );

/** Where the seams of a group would lie if no hand had moved them. */
export const withReleased = (group: Group): Group => {
  const tree = treeIn(group);
  return tree ? withTree(group, released(tree.tree)) : group;
};
