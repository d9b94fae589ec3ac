import type { Rect, Size } from "#core/geometry";
import { around, treeBoxes } from "./tree.ts";
import { isLeaf, leavesOf, type TreeLeaf, type TreeNode } from "./tree-node.ts";

export interface AroundTask {
  readonly tree: TreeNode;
  readonly room: Rect;
  readonly gap: number;
  /** Tiles that stay exactly where they are. */
  readonly locked: ReadonlySet<string>;
  /** Parts whose seams a hand has set stay as they are, with what lies beside them. */
  readonly keepSet: boolean;
  /** A new tree for the tiles of a part that is free, in its room. */
  readonly solve: (leaves: readonly TreeLeaf[], room: Size) => TreeNode;
}

/**
 * Solves the free parts of a tree anew. The way from the root to a locked tile keeps its seams where they lie, so that
 * the tile does not move; free parts that lie beside each other along that way are fitted as one, into the box that they
 * have together.
 */
export function solveAround({ tree, room, gap, locked, keepSet, solve }: AroundTask): TreeNode {
  const boxes = treeBoxes(tree, room, gap);
  const holdsLock = (node: TreeNode) => leavesOf(node).some((l) => locked.has(l.tileId));
  const isFree = (node: TreeNode) => !holdsLock(node) && !(keepSet && hasSet(node));
  const visit = (node: TreeNode, path: readonly number[]): TreeNode => {
    const own = boxes.get(path.join("."))!;
    if (isFree(node)) return solve(leavesOf(node), own);
    if (isLeaf(node)) return node;
    if (!holdsLock(node)) return { ...node, parts: node.parts.map((part, i) => visit(part, [...path, i])) };
    const runs = inRuns(node.parts, isFree).map(([from, to]) => {
      const box = around(boxes.get([...path, from].join("."))!, boxes.get([...path, to].join("."))!);
      const leaves = node.parts.slice(from, to + 1).flatMap(leavesOf);
      return { box, part: isFree(node.parts[from]!) ? solve(leaves, box) : visit(node.parts[from]!, [...path, from]) };
    });
    if (runs.length === 1) return runs[0]!.part;
    const lengths = runs.map(({ box }) => (node.way === "side" ? box.w : box.h));
    const sum = lengths.reduce((a, b) => a + b, 0);
    const set = { shares: lengths.map((l) => l / sum), aspect: own.w / own.h };
    return { way: node.way, parts: runs.map((r) => r.part), set };
  };
  return visit(tree, []);
}

/** First and last of each run of parts that are free side by side; one that is not stands alone. */
function inRuns(parts: readonly TreeNode[], isFree: (part: TreeNode) => boolean): [number, number][] {
  const runs: [number, number][] = [];
  for (const [i, part] of parts.entries()) {
    const last = runs.at(-1);
    if (last && isFree(part) && isFree(parts[last[1]]!)) last[1] = i;
    else runs.push([i, i]);
  }
  return runs;
}

/** Whether a hand has moved a seam in a part of the tree. */
export const hasSet = (node: TreeNode): boolean => !isLeaf(node) && (node.set !== undefined || node.parts.some(hasSet));
