import type { Rect } from "#core/geometry";
import type { TreeNode } from "./tree-node.ts";

/**
 * The slicing tree of tiles as they lie, each with the shape it has now, so that solving it changes nothing; undefined
 * where they cannot be cut apart by straight cuts all the way across. Overlaps up to `slack` mm are rounding.
 */
export function treeFromRects(
  tiles: readonly (Rect & { readonly tileId: string })[],
  slack = 0.05,
): TreeNode | undefined {
  const [only, second] = tiles;
  if (!only) return undefined;
  if (!second) return { tileId: only.tileId, aspect: only.w / only.h };
  for (const way of ["stack", "side"] as const) {
    const groups = apart(tiles, way === "side", slack);
    if (groups.length < 2) continue;
    const parts = groups.map((g) => treeFromRects(g, slack));
    return parts.every((p) => p !== undefined) ? { way, parts: parts as TreeNode[] } : undefined;
  }
  return undefined;
}

/** Tiles in groups between which a cut runs from edge to edge. */
function apart<T extends Rect>(tiles: readonly T[], across: boolean, slack: number): T[][] {
  const start = (r: Rect) => (across ? r.x : r.y);
  const end = (r: Rect) => (across ? r.x + r.w : r.y + r.h);
  const groups: T[][] = [];
  let reach = Number.NEGATIVE_INFINITY;
  for (const tile of tiles.toSorted((a, b) => start(a) - start(b))) {
    if (start(tile) >= reach - slack) groups.push([tile]);
    else groups.at(-1)!.push(tile);
    reach = Math.max(reach, end(tile));
  }
  return groups;
}
