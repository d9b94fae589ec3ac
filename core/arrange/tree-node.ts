/** A place for one photo. `aspect` is the shape it would have by itself. */
export interface TreeLeaf {
  readonly tileId: string;
  readonly aspect: number;
  /** A person gave it this shape, whatever photo lies in it. */
  readonly shaped?: true | undefined;
  /** Tiles with the same number have the same area. */
  readonly equal?: number | undefined;
}

/** Two or more parts side by side, or stacked. A part never holds parts of its own way: they would be one row. */
export interface TreeSplit {
  readonly way: "side" | "stack";
  readonly parts: readonly TreeNode[];
  /** Set where a hand moved a seam: shares of the length that the gaps leave, and the shape of the whole part. */
  readonly set?: { readonly shares: readonly number[]; readonly aspect: number } | undefined;
}

/** A slicing tree: the room is cut again and again, each time all the way across a part. */
export type TreeNode = TreeLeaf | TreeSplit;

export const isLeaf = (node: TreeNode): node is TreeLeaf => "tileId" in node;

export function leavesOf(node: TreeNode): readonly TreeLeaf[] {
  return isLeaf(node) ? [node] : node.parts.flatMap(leavesOf);
}

export function mapLeaves(node: TreeNode, edit: (leaf: TreeLeaf) => TreeLeaf): TreeNode {
  return isLeaf(node) ? edit(node) : { ...node, parts: node.parts.map((part) => mapLeaves(part, edit)) };
}
