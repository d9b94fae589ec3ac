import type { Rect, Size } from "#core/geometry";
import { cropOf } from "./spans.ts";
import { treeRects } from "./tree.ts";
import { isLeaf, leavesOf, type TreeNode, type TreeSplit } from "./tree-node.ts";

/** Of a crop against uneven sizes: as in the search, where the crop is not the same for all. */
const cropPrice = 10;
/** A photo that loses more than this loses what it shows. */
const tooMuch = 0.35;
const sweeps = 3;
const steps = 24;

/**
 * Moves the seams of a tree of very few photos away from where all are cropped alike, where that makes the mean crop less
 * or the sizes more even: with two photos on a page, one of them whole and the other cropped is often the better page.
 */
export function relaxed(tree: TreeNode, room: Size, gap: number, weights: ReadonlyMap<string, number>): TreeNode {
  const whole: Rect = { x: 0, y: 0, ...room };
  const leaves = leavesOf(tree);
  const wanted = [...weights.values()].reduce((a, b) => a + b, 0);
  const cost = (node: TreeNode): number => {
    const rects = treeRects(node, whole, gap);
    const areas = leaves.map(({ tileId }) => rects.get(tileId)!.w * rects.get(tileId)!.h);
    const sum = areas.reduce((a, b) => a + b, 0);
    let [crop, apart, worst] = [0, 0, 0];
    for (const [i, leaf] of leaves.entries()) {
      const r = rects.get(leaf.tileId)!;
      const own = cropOf(leaf.aspect, r.w / r.h);
      crop += own / leaves.length;
      worst = Math.max(worst, own);
      apart += Math.abs(Math.log(((areas[i]! / sum) * wanted) / weights.get(leaf.tileId)!)) / leaves.length;
    }
    return cropPrice * (crop + Math.max(0, worst - tooMuch)) + apart ** 2;
  };
  let best = withShares(tree, whole, gap);
  let least = cost(best);
  for (let sweep = 0; sweep < sweeps; sweep += 1)
    for (const path of splitPaths(best))
      for (let k = 1; k < steps; k += 1) {
        const trial = withFirstShare(best, path, k / steps);
        const c = cost(trial);
        if (c < least - 1e-9) [best, least] = [trial, c];
      }
  return least < cost(tree) - 1e-6 ? best : tree;
}

/** The same tree with its shares written out where they are now. */
function withShares(tree: TreeNode, room: Rect, gap: number): TreeNode {
  const rects = treeRects(tree, room, gap);
  const visit = (node: TreeNode): { readonly node: TreeNode; readonly w: number; readonly h: number } => {
    if (isLeaf(node)) return { node, ...rects.get(node.tileId)! };
    const parts = node.parts.map(visit);
    const gaps = gap * (parts.length - 1);
    const side = node.way === "side";
    const lengths = parts.map((p) => (side ? p.w : p.h));
    const sum = lengths.reduce((a, b) => a + b, 0);
    const [w, h] = side ? [sum + gaps, parts[0]!.h] : [parts[0]!.w, sum + gaps];
    const set = { shares: lengths.map((l) => l / sum), aspect: w / h };
    return { node: { ...node, parts: parts.map((p) => p.node), set }, w, h };
  };
  return visit(tree).node;
}

function splitPaths(node: TreeNode, path: readonly number[] = []): (readonly number[])[] {
  return isLeaf(node) ? [] : [path, ...node.parts.flatMap((part, i) => splitPaths(part, [...path, i]))];
}

/** The split at `path` with its first part given a share, the others keeping theirs among themselves. */
function withFirstShare(node: TreeNode, [first, ...rest]: readonly number[], share: number): TreeNode {
  const split = node as TreeSplit;
  if (first !== undefined)
    return { ...split, parts: split.parts.with(first, withFirstShare(split.parts[first]!, rest, share)) };
  const { shares, aspect } = split.set!;
  const others = 1 - shares[0]!;
  return { ...split, set: { aspect, shares: shares.map((s, i) => (i === 0 ? share : (s / others) * (1 - share))) } };
}
