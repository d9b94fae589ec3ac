import type { Rect } from "#core/geometry";
import type { TreeNode } from "./tree-node.ts";

/** What was put down by eye. */
export interface RoughRect extends Rect {
  readonly tileId: string;
}

const share = (overlap: number, length: number): number => overlap / Math.max(length, 1e-6);

/**
 * The slicing tree nearest to rectangles that were put down roughly: cut again and again where they reach least over each other, measured by how
 * large what is cut is, so that small overlaps and crooked rows do no harm. Each leaf keeps the shape that it was given.
 */
export function treeFromRough(rects: readonly RoughRect[]): TreeNode | undefined {
  const [only, second] = rects;
  if (!only) return undefined;
  if (!second) return { tileId: only.tileId, aspect: only.w / Math.max(only.h, 1e-6) };
  const cuts = (["side", "stack"] as const).flatMap((way) => {
    const start = (r: Rect) => (way === "side" ? r.x : r.y);
    const length = (r: Rect) => (way === "side" ? r.w : r.h);
    const sorted = rects.toSorted((a, b) => start(a) + length(a) / 2 - start(b) - length(b) / 2);
    const all = Math.max(...rects.map((r) => start(r) + length(r))) - Math.min(...rects.map(start));
    return sorted.slice(1).map((_, i) => {
      const [before, after] = [sorted.slice(0, i + 1), sorted.slice(i + 1)];
      const over = Math.max(...before.map((r) => start(r) + length(r))) - Math.min(...after.map(start));
      return { way, before, after, cost: share(over, all) };
    });
  });
  const best = cuts.reduce((a, b) => (b.cost < a.cost - 1e-9 ? b : a));
  const parts = [treeFromRough(best.before)!, treeFromRough(best.after)!].flatMap((t) =>
    "way" in t && t.way === best.way ? t.parts : [t],
  );
  return { way: best.way, parts };
}
