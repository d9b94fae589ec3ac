import { exactFit, type FitPhoto, type FitTask, leafOf } from "./exact-fit.ts";
import type { TreeSplit } from "./tree-node.ts";
import { isLeaf, type TreeNode } from "./tree-node.ts";

interface Bundle {
  readonly way: TreeSplit["way"];
  readonly photos: readonly FitPhoto[];
}

/**
 * A fit in which some photos stay neighbours: each group is fitted as if it were one photo, side by side or stacked,
 * whichever is nearer to a square, and then unpacked in its place. Photos of no group stand by themselves.
 */
export function fitTogether(
  task: FitTask,
  groups: readonly (readonly string[])[],
  solve: (task: FitTask) => TreeNode = exactFit,
): TreeNode {
  const { photos, bundles } = bundled(task.photos, groups);
  return bundles.size === 0 ? solve(task) : unbundled(solve({ ...task, photos }), bundles);
}

/** The photos with each group as one of them, where its first stood, under that one's name. */
export function bundled(photos: FitTask["photos"], groups: readonly (readonly string[])[]) {
  const groupOf = new Map(groups.flatMap((g) => g.map((id) => [id, g] as const)));
  const bundles = new Map<string, Bundle>();
  const seen = new Set<readonly string[]>();
  const packed = photos.flatMap((photo): FitPhoto[] => {
    const group = groupOf.get(photo.tileId);
    if (!group) return [photo];
    if (seen.has(group)) return [];
    seen.add(group);
    const members = photos.filter((p) => group.includes(p.tileId));
    if (members.length < 2) return [photo];
    const across = members.reduce((sum, p) => sum + p.aspect, 0);
    const down = 1 / members.reduce((sum, p) => sum + 1 / p.aspect, 0);
    const side = Math.abs(Math.log(across)) <= Math.abs(Math.log(down));
    bundles.set(photo.tileId, { way: side ? "side" : "stack", photos: members });
    const weight = members.reduce((sum, p) => sum + (p.weight ?? 1), 0);
    return [{ tileId: photo.tileId, aspect: side ? across : down, weight }];
  });
  return { photos: packed, bundles };
}

export function unbundled(node: TreeNode, bundles: ReadonlyMap<string, Bundle>): TreeNode {
  if (!isLeaf(node)) {
    const parts = node.parts.map((p) => unbundled(p, bundles));
    const flat = node.set ? parts : parts.flatMap((p) => (!isLeaf(p) && p.way === node.way && !p.set ? p.parts : [p]));
    return { ...node, parts: flat };
  }
  const bundle = bundles.get(node.tileId);
  if (!bundle) return node;
  return { way: bundle.way, parts: bundle.photos.map(leafOf) };
}
