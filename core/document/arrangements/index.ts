import type { TreeNode } from "#core/arrange";
import type { Rect, Sides } from "#core/geometry";
import type { Arrangement } from "../page/page.ts";
import { grid } from "./grid.ts";
import type { ArrangementKind, ShapedPlace } from "./kind.ts";
import { pockets } from "./pockets.ts";
import { rows } from "./rows.ts";
import { tiling } from "./tiling.ts";
import { tree } from "./tree.ts";

export { bestRows } from "./rows.ts";
export { renamedTree } from "./tree.ts";

/** A new arrangement is a file here, a line in this list, and its schema in `schema/page.ts`. */
const kinds: { readonly [K in Arrangement["kind"]]: ArrangementKind<Extract<Arrangement, { readonly kind: K }>> } = {
  grid,
  tree,
  rows,
  pockets,
  tiling,
};
const kindOf = (a: Arrangement) => kinds[a.kind] as ArrangementKind<Arrangement>;

export const tileIdsOf = (a: Arrangement): readonly string[] => kindOf(a).tileIds(a);
export const rectsOf = (a: Arrangement, room: Rect, gapMm: number): ReadonlyMap<string, Rect> =>
  kindOf(a).place(a, room, gapMm);
export const withTileIds = (a: Arrangement, idOf: (id: string) => string): Arrangement => kindOf(a).renamed(a, idOf);
export const widestGapOf = (a: Arrangement, room: Rect, leastMm: number): number =>
  kindOf(a).widestGap(a, room, leastMm);
export const treeOf = (a: Arrangement, room: Rect, gapMm: number): TreeNode | undefined =>
  kindOf(a).asTree(a, room, gapMm);
export const tracksOf = (a: Arrangement | undefined): { readonly columns: number; readonly rows: number } =>
  (a && kindOf(a).tracks?.(a)) ?? { columns: 1, rows: 1 };
/** Tiles in shapes of their own; nothing where they are rectangles. */
export const shapedBy = (
  a: Arrangement,
  room: Rect,
  gapMm: number,
  reach: Sides,
): ReadonlyMap<string, ShapedPlace> | undefined => kindOf(a).shaped?.(a, room, gapMm, reach);
/** Made anew for other tiles; nothing where a tree says where they go, or they cannot be others. */
export const forTiles = (a: Arrangement, tileIds: readonly string[]): Arrangement | undefined =>
  kindOf(a).withTiles?.(a, tileIds);
export const bleeds = (a: Arrangement): boolean => kindOf(a).bleeds;
