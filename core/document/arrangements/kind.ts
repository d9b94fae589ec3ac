import type { TreeNode } from "#core/arrange";
import type { Rect, Sides } from "#core/geometry";
import type { Outline } from "../schema/page.ts";

/** Where a tile lies whose shape its arrangement decides. */
export interface ShapedPlace {
  readonly rect: Rect;
  readonly outline: Outline;
}

/** All that has to be known of a kind of arrangement. Lengths in mm. */
export interface ArrangementKind<A> {
  /** In the order in which they are read. */
  tileIds(a: A): readonly string[];
  renamed(a: A, idOf: (id: string) => string): A;
  /** Where it puts each tile, before any of them reaches into the bleed. */
  place(a: A, room: Rect, gapMm: number): ReadonlyMap<string, Rect>;
  /**
   * Where it puts tiles that are no rectangles, and as what: `reach` is how far each side of the room that lies on the cut goes on into the bleed.
   */
  readonly shaped?: (a: A, room: Rect, gapMm: number, reach: Sides) => ReadonlyMap<string, ShapedPlace>;
  /** Made anew for other tiles, where no tree says where one more goes. */
  readonly withTiles?: (a: A, tileIds: readonly string[]) => A;
  /** The widest gap that leaves every tile so much. */
  widestGap(a: A, room: Rect, leastMm: number): number;
  /** As a slicing tree, where straight cuts make it: slipping in, halving and taking away go by way of it. */
  asTree(a: A, room: Rect, gapMm: number): TreeNode | undefined;
  /** Rows and columns that share the page evenly, for how wide margins may be. */
  readonly tracks?: (a: A) => { readonly columns: number; readonly rows: number };
  /** Whether tiles at the trim reach on into the bleed. */
  readonly bleeds: boolean;
}
