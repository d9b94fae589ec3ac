import { leavesOf, looseRects, mapLeaves, type TreeNode, treeRects, widestTreeGap } from "#core/arrange";
import type { Tree } from "../page/page.ts";
import type { ArrangementKind } from "./kind.ts";

export const renamedTree = (node: TreeNode, idOf: (id: string) => string): TreeNode =>
  mapLeaves(node, (l) => ({ ...l, tileId: idOf(l.tileId) }));

export const tree: ArrangementKind<Tree> = {
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
  bleeds: true,
};
