import type { Size } from "#core/geometry";
import { equalSets } from "./equal.ts";
import { relaxed } from "./relax.ts";
import { bestTree } from "./slicing/search.ts";
import { type SlicingTask, side, type Workbench } from "./slicing/workbench.ts";
import { isLeaf, type TreeLeaf, type TreeNode } from "./tree-node.ts";

export interface FitPhoto {
  readonly tileId: string;
  readonly aspect: number;
  readonly weight?: number;
  /** Those with the same number are to be equally large. */
  readonly equal?: number | undefined;
}

export interface FitTask {
  /** In reading order. */
  readonly photos: readonly FitPhoto[];
  readonly room: Size;
  /** Mm. */
  readonly gap: number;
  readonly seed: number;
  /** For so few photos that all trees are tried: not the best of them, but the one so many places after it. */
  readonly turn?: number | undefined;
  /** How much it matters that the photos are read in the order given; mostly, where nothing is said. */
  readonly order?: OrderPreference | undefined;
}

export const orderPreferences = ["kept", "mostly", "free"] as const;
export type OrderPreference = (typeof orderPreferences)[number];
/** `kept` outweighs everything else: no crop is worth a photo out of its place. */
const orderPrices: Record<OrderPreference, number> = { kept: 1000, mostly: 0.4, free: 0 };

/** So few seldom fill a page without a crop. */
const fewPhotos = 4;

/** Shapes beyond this are fitted as this, and cropped: a hair-thin slip would take a page for itself. */
const widest = 12;

export const slicingTask = ({ photos, room, gap, order }: FitTask): SlicingTask => ({
  aspects: photos.map((p) => Math.min(widest, Math.max(1 / widest, p.aspect))),
  weights: photos.map((p) => p.weight ?? 1),
  room,
  gap,
  orderPrice: orderPrices[order ?? "mostly"],
  equal: equalSets(photos).map((set) => set.map((p) => photos.indexOf(p))),
});

/** The place of a photo in a tree. */
export const leafOf = ({ tileId, aspect, equal }: FitPhoto): TreeLeaf => ({
  tileId,
  aspect,
  ...(equal === undefined ? {} : { equal }),
});

/**
 * The page filled exactly, all gaps equal, and next to nothing cropped: the best slicing tree that was found, as it is
 * kept with the page. For one photo a single leaf; there is no tree for none.
 */
export function exactFit(task: FitTask): TreeNode {
  const given = slicingTask(task);
  const tree = treeOf(bestTree(given, task.seed, task.turn).tree, given, task);
  // Seams that are set would stand against tiles that are to be equally large.
  const few = task.photos.length > 1 && task.photos.length <= fewPhotos && given.equal.length === 0;
  return few ? relaxed(tree, task.room, task.gap, new Map(task.photos.map((p) => [p.tileId, p.weight ?? 1]))) : tree;
}

/** A search's tree as plain data; parts of the same way become one. */
export function treeOf(found: Workbench, given: SlicingTask, task: FitTask): TreeNode {
  const visit = (node: number): TreeNode => {
    if (node < found.n) {
      const photo = found.photo[node]!;
      return leafOf({ ...task.photos[photo]!, aspect: given.aspects[photo]! });
    }
    const way = found.way[node] === side ? "side" : "stack";
    const parts = [found.left[node]!, found.right[node]!].map(visit);
    return { way, parts: parts.flatMap((p) => (!isLeaf(p) && p.way === way ? p.parts : [p])) };
  };
  return visit(found.root);
}
