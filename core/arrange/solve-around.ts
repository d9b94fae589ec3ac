import type { Rect, Size } from "#core/geometry";
import { isLeaf, leavesOf, type TreeLeaf, type TreeNode, treeBoxes } from "./tree.ts";

export interface AroundTask {
  readonly tree: TreeNode;
  readonly room: Rect;
  readonly gap: number;
  /** Tiles that stay exactly where they are. */
  readonly locked: ReadonlySet<string>;
  /** Parts whose seams a hand has set stay as they are, with what lies beside them. */
  readonly keepSet: boolean;
  /** A new tree for the tiles of a part that is free, in its room. */
  readonly fit: (leaves: readonly TreeLeaf[], room: Size) => TreeNode;
}

/**
 * Solves the free parts of a tree anew. The way from the root to a locked tile keeps its seams where they lie, so that
 * the tile does not move; what hangs beside that way is fitted into the box that it has.
 */
export function solveAround(task: AroundTask): TreeNode {
  const boxes = treeBoxes(task.tree, task.room, task.gap);
  const visit = (node: TreeNode, path: readonly number[]): TreeNode => {
    if (isLeaf(node)) return node;
    const locks = leavesOf(node).some((l) => task.locked.has(l.tileId));
    if (!locks && !(task.keepSet && hasSet(node))) return task.fit(leavesOf(node), sizeOf(boxes.get(path.join("."))!));
    const parts = node.parts.map((part, i) => visit(part, [...path, i]));
    if (!locks) return { ...node, parts };
    const own = boxes.get(path.join("."))!;
    const lengths = node.parts.map((_, i) => {
      const box = boxes.get([...path, i].join("."))!;
      return node.way === "side" ? box.w : box.h;
    });
    const sum = lengths.reduce((a, b) => a + b, 0);
    return { ...node, parts, set: { shares: lengths.map((l) => l / sum), aspect: own.w / own.h } };
  };
  return visit(task.tree, []);
}

const sizeOf = ({ w, h }: Rect): Size => ({ w, h });

/** Whether a hand has moved a seam in a part of the tree. */
export const hasSet = (node: TreeNode): boolean => !isLeaf(node) && (node.set !== undefined || node.parts.some(hasSet));
