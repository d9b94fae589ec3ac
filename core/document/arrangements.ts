import {
  gridRects,
  leavesOf,
  looseRects,
  mapLeaves,
  type TreeNode,
  treeFromRects,
  treeRects,
  widestGap,
  widestTreeGap,
} from "#core/arrange";
import type { Rect } from "#core/geometry";
import { insertIn } from "#core/pockets";
import type { Arrangement, Grid, PocketArrangement, Tree } from "./page.ts";

/** All that has to be known of a kind of arrangement. Lengths in mm. */
interface ArrangementKind<A extends Arrangement> {
  tileIds(a: A): readonly string[];
  renamed(a: A, idOf: (id: string) => string): A;
  /** Where it puts each tile, before any of them reaches into the bleed. */
  place(a: A, room: Rect, gapMm: number): ReadonlyMap<string, Rect>;
  /** The widest gap that leaves every tile so much. */
  widestGap(a: A, room: Rect, leastMm: number): number;
  /** As a slicing tree, where straight cuts make it: slipping in, halving and taking away go by way of it. */
  asTree(a: A, room: Rect, gapMm: number): TreeNode | undefined;
  /** Rows and columns that share the page evenly, for how wide margins may be. */
  readonly tracks?: (a: A) => { readonly columns: number; readonly rows: number };
}

const grid: ArrangementKind<Grid> = {
  tileIds: (a) => a.cells.map((c) => c.tileId),
  renamed: (a, idOf) => ({ ...a, cells: a.cells.map((c) => ({ ...c, tileId: idOf(c.tileId) })) }),
  place(a, room, gapMm) {
    const rects = gridRects(a, room, gapMm);
    return new Map(a.cells.map((cell, i) => [cell.tileId, rects[i]!]));
  },
  widestGap: (a, room, leastMm) => widestGap(room, a.columns.length, a.rows.length, leastMm),
  asTree: (a, room, gapMm) => treeFromRects([...grid.place(a, room, gapMm)].map(([tileId, r]) => ({ tileId, ...r }))),
  tracks: (a) => ({ columns: a.columns.length, rows: a.rows.length }),
};

const tree: ArrangementKind<Tree> = {
  tileIds: (a) => leavesOf(a.tree).map((l) => l.tileId),
  renamed: (a, idOf) => ({
    ...a,
    tree: renamedTree(a.tree, idOf),
    lead: a.lead && { ...a.lead, tileId: idOf(a.lead.tileId) },
    together: a.together.map((group) => group.map(idOf)),
  }),
  place: (a, room, gapMm) => (a.loose ? looseRects(a.tree, room, gapMm) : treeRects(a.tree, room, gapMm)),
  widestGap: (a, room, leastMm) => widestTreeGap(a.tree, room, leastMm),
  asTree: (a) => a.tree,
};

const pockets: ArrangementKind<PocketArrangement> = {
  tileIds: (a) => a.places.map((p) => p.tileId),
  renamed: (a, idOf) => ({ ...a, places: a.places.map((p) => ({ ...p, tileId: idOf(p.tileId) })) }),
  place: (a) => new Map(a.places.map((p) => [p.tileId, insertIn(p.pocket, a.cardClearanceMm)])),
  widestGap: (_a, room, leastMm) => widestGap(room, 1, 1, leastMm),
  asTree: () => undefined,
};

const kinds: { readonly [K in Arrangement["kind"]]: ArrangementKind<Extract<Arrangement, { readonly kind: K }>> } = {
  grid,
  tree,
  pockets,
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

export const renamedTree = (node: TreeNode, idOf: (id: string) => string): TreeNode =>
  mapLeaves(node, (l) => ({ ...l, tileId: idOf(l.tileId) }));
