import { leavesOf, mapLeaves, meanCrop, type TreeLeaf, treeRects, withoutEqual } from "#core/arrange";
import { type Group, treeIn } from "../page/page.ts";
import type { PlacedGroup } from "../page/place-page.ts";
import { equalSetsIn, firstTree, withTree } from "./lay-tree.ts";
import { treeOfGroup } from "./tree-page.ts";

export function areEqual(group: Group | undefined, tileIds: readonly string[]): boolean {
  const sets = equalSetsIn(group);
  const first = sets.get(tileIds[0] ?? "");
  return tileIds.length > 1 && first !== undefined && tileIds.every((id) => sets.get(id) === first);
}

/** These tiles become one set of equally large ones, or none any more. */
export function withEqual(at: PlacedGroup, tileIds: readonly string[], equal: boolean): Group {
  const tree = treeOfGroup(at);
  if (!tree) return at.group;
  const free = 1 + Math.max(0, ...leavesOf(tree).map((l) => l.equal ?? 0));
  const marked = mapLeaves(tree, (l) => (tileIds.includes(l.tileId) ? { ...l, equal: equal ? free : undefined } : l));
  const count = (set: number) => leavesOf(marked).filter((l) => l.equal === set).length;
  // A set of which one is left is none.
  const kept = mapLeaves(marked, (l) => (l.equal === undefined || count(l.equal) < 2 ? withoutEqual(l) : l));
  const lead = treeIn(at.group)?.lead ?? null;
  const sets = new Map(leavesOf(kept).map((l) => [l.tileId, l.equal]));
  const first = firstTree(at.group);
  return withTree(at.group, kept, {
    // What leads is larger than the others, so it is as large as none.
    ...(equal && lead && tileIds.includes(lead.tileId) ? { lead: null } : {}),
    // Sets are about tiles: back at the first arrangement they are what they are now.
    ...(first ? { first: mapLeaves(first, (l) => withSet(l, sets.get(l.tileId))) } : {}),
  });
}

const withSet = (leaf: TreeLeaf, equal: number | undefined): TreeLeaf =>
  equal === undefined ? withoutEqual(leaf) : { ...leaf, equal };

/** How much more of the photos is cropped, as a share, because some are kept equally large. */
export function costOfEqual(at: PlacedGroup): number {
  const tree = treeIn(at.group)?.tree;
  if (!tree) return 0;
  const leaves = leavesOf(tree);
  const cropIn = (rects: ReturnType<typeof treeRects>) =>
    meanCrop(
      leaves.map((l) => l.aspect),
      leaves.map((l) => rects.get(l.tileId)!),
    );
  return (
    cropIn(treeRects(tree, at.room, at.gapMm)) - cropIn(treeRects(mapLeaves(tree, withoutEqual), at.room, at.gapMm))
  );
}
