import {
  type Edge,
  inLineWith,
  leavesOf,
  mapLeaves,
  mirrored,
  released,
  type TreeNode,
  type TreeSeam,
  treeFromRects,
  treeSeams,
  withBeside,
  withHalves,
  without,
  withSeamAt,
} from "#core/arrange";
import type { PageFormat } from "#core/lab";
import { newTile } from "./lay-photos.ts";
import { withTree } from "./lay-tree.ts";
import { findTile, type Page, type Tile } from "./page.ts";
import { rectsOf, roomRect } from "./solve-page.ts";

/** The tree of a page's arrangement; that of a grid is read from how its tiles lie. */
export function treeOfPage(page: Page, format: PageFormat): TreeNode | undefined {
  const { arrangement } = page;
  if (!arrangement || arrangement.kind === "pockets") return undefined;
  if (arrangement.kind === "tree") return arrangement.tree;
  const rects = rectsOf(arrangement, roomRect(page.look, format), page.look.gapMm);
  return treeFromRects([...rects].map(([tileId, r]) => ({ tileId, ...r })));
}

export function seamsOfPage(page: Page, format: PageFormat): readonly TreeSeam[] {
  return page.arrangement?.kind === "tree" && !page.arrangement.loose
    ? treeSeams(page.arrangement.tree, roomRect(page.look, format), page.look.gapMm)
    : [];
}

/** A seam of a tree moved, with those that run on in its line unless it is to move `alone`. */
export function withSeamMoved(page: Page, format: PageFormat, seam: TreeSeam, at: number, alone: boolean): Page {
  if (page.arrangement?.kind !== "tree") return page;
  const room = roomRect(page.look, format);
  const { gapMm } = page.look;
  const line = alone ? [seam] : inLineWith(seam, seamsOfPage(page, format), gapMm);
  const { tree } = page.arrangement;
  const moved = line.reduce<TreeNode>((t, s) => withSeamAt(t, s, at, room, gapMm), tree);
  return moved === tree ? page : withTree(page, format, moved);
}

/** A tile put in at an edge of another, of its own shape as far as that can be; the page where it does not fit. */
export function withTileBeside(
  page: Page,
  format: PageFormat,
  tile: Tile,
  shape: { readonly aspect: number; readonly shaped?: true },
  to: { readonly tileId: string; readonly edge: Edge },
): Page {
  const tree = treeOfPage(page, format);
  if (!tree) return page;
  const grown = withBeside(tree, to.tileId, to.edge, { tileId: tile.id, ...shape });
  return grown === tree
    ? page
    : withTree({ ...page, tiles: besideIn(page.tiles, tile, to) }, format, grown, { loose: false });
}

/** A photo put into a new tile at an edge of another; the page where it does not fit. */
export function insertBeside(
  page: Page,
  format: PageFormat,
  what: { readonly photoId: string; readonly aspect: number; readonly tileId: string; readonly edge: Edge },
  newId: () => string,
): Page {
  return withTileBeside(page, format, newTile(page, what.photoId, newId), { aspect: what.aspect }, what);
}

/** In the list of tiles a new one is read before or after its neighbour. */
function besideIn(
  tiles: readonly Tile[],
  tile: Tile,
  { tileId, edge }: { readonly tileId: string; readonly edge: Edge },
) {
  const at = tiles.findIndex((t) => t.id === tileId);
  return tiles.toSpliced(at + (edge === "left" || edge === "top" ? 0 : 1), 0, tile);
}

/** A tile taken from its place and slipped in at an edge of another. */
export function withTileMoved(
  page: Page,
  format: PageFormat,
  tileId: string,
  to: { readonly tileId: string; readonly edge: Edge },
): Page {
  const tree = treeOfPage(page, format);
  const tile = findTile(page, tileId);
  if (!tree || !tile || tileId === to.tileId) return page;
  const leaf = leavesOf(tree).find((l) => l.tileId === tileId);
  const left = without(tree, tileId, roomRect(page.look, format), page.look.gapMm);
  if (!leaf || !left) return page;
  const moved = withBeside(released(left), to.tileId, to.edge, leaf);
  const tiles = besideIn(
    page.tiles.filter((t) => t !== tile),
    tile,
    to,
  );
  return withTree({ ...page, tiles }, format, moved, { loose: false });
}

/** Tiles taken off the page, the ones beside them taking their room. */
export function removeTiles(page: Page, format: PageFormat, tileIds: readonly string[]): Page {
  const tree = treeOfPage(page, format);
  if (!tree) return page;
  const room = roomRect(page.look, format);
  let left: TreeNode | undefined = tree;
  for (const id of tileIds) left = left && without(left, id, room, page.look.gapMm);
  return left ? withTree(page, format, left) : { ...page, tiles: [], arrangement: null };
}

export function splitTile(
  page: Page,
  format: PageFormat,
  tileId: string,
  way: "side" | "stack",
  newId: () => string,
): Page {
  const tree = treeOfPage(page, format);
  if (!tree || !findTile(page, tileId)) return page;
  const tile = { ...newTile(page, undefined, newId), outline: findTile(page, tileId)!.outline };
  const cut = withHalves(tree, tileId, way, tile.id);
  return withTree({ ...page, tiles: besideIn(page.tiles, tile, { tileId, edge: "right" }) }, format, cut, {
    loose: false,
  });
}

/** A tile wanted in another shape; the others make room. */
export function setTileAspect(page: Page, format: PageFormat, tileId: string, aspect: number): Page {
  const tree = treeOfPage(page, format);
  if (!tree) return page;
  return withTree(
    page,
    format,
    mapLeaves(released(tree), (l) => (l.tileId === tileId ? { ...l, aspect, shaped: true as const } : l)),
    {
      loose: false,
    },
  );
}

export function withPageMirrored(page: Page, format: PageFormat, way: "side" | "stack"): Page {
  const tree = treeOfPage(page, format);
  return tree ? withTree(page, format, mirrored(tree, way)) : page;
}

/** Where the seams of the page would lie if no hand had moved them. */
export const withReleased = (page: Page, format: PageFormat): Page =>
  page.arrangement?.kind === "tree" ? withTree(page, format, released(page.arrangement.tree)) : page;
