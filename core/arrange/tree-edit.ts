import type { Rect } from "#core/geometry";
import { clamp } from "#core/geometry";
import { treeBoxes } from "./tree.ts";
import { isLeaf, leavesOf, type TreeLeaf, type TreeNode, type TreeSplit } from "./tree-node.ts";

/** The numbers of the parts that lead from the root to a node. */
export type TreePath = readonly number[];

/** Between part `index` of a split and the next. `at`, `from` and `to` in mm: a seam across runs down, and lies at an x. */
export interface TreeSeam {
  readonly path: TreePath;
  readonly index: number;
  readonly across: boolean;
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/** Neither side of a seam becomes thinner than this, in mm, while one drags it. */
const leastMm = 4;

export function treeSeams(tree: TreeNode, room: Rect, gap: number): TreeSeam[] {
  const boxes = treeBoxes(tree, room, gap);
  const found: TreeSeam[] = [];
  const visit = (node: TreeNode, path: TreePath) => {
    if (isLeaf(node)) return;
    const across = node.way === "side";
    const own = boxes.get(path.join("."))!;
    for (const [i, part] of node.parts.entries()) {
      visit(part, [...path, i]);
      if (i === node.parts.length - 1) continue;
      const box = boxes.get([...path, i].join("."))!;
      const next = boxes.get([...path, i + 1].join("."))!;
      const at = across ? (box.x + box.w + next.x) / 2 : (box.y + box.h + next.y) / 2;
      const [from, to] = across ? [own.y, own.y + own.h] : [own.x, own.x + own.w];
      found.push({ path, index: i, across, at, from, to });
    }
  };
  visit(tree, []);
  return found;
}

/** Seams that run on in one line with `seam`, itself among them: the next begins where the last ends. */
export function inLineWith(seam: TreeSeam, all: readonly TreeSeam[], gap: number): TreeSeam[] {
  const line = all.filter((s) => s.across === seam.across && Math.abs(s.at - seam.at) < 0.4);
  const joined = new Set([seam]);
  for (let grown = true; grown; ) {
    grown = false;
    for (const s of line) {
      if (joined.has(s)) continue;
      const touches = [...joined].some((j) => s.from <= j.to + gap + 0.01 && s.to >= j.from - gap - 0.01);
      if (!touches) continue;
      joined.add(s);
      grown = true;
    }
  }
  return [...joined];
}

/** The tree with the middle of a seam at `at`: the part before takes what the one after loses, and that is kept so. */
export function withSeamAt(
  tree: TreeNode,
  seam: Pick<TreeSeam, "path" | "index">,
  at: number,
  room: Rect,
  gap: number,
): TreeNode {
  const boxes = treeBoxes(tree, room, gap);
  const own = boxes.get(seam.path.join("."));
  const split = nodeAt(tree, seam.path);
  if (!own || !split || isLeaf(split) || !split.parts[seam.index + 1]) return tree;
  const across = split.way === "side";
  const parts = split.parts.map((_, i) => boxes.get([...seam.path, i].join("."))!);
  const lengths = parts.map((b) => (across ? b.w : b.h));
  const pair = lengths[seam.index]! + lengths[seam.index + 1]!;
  const start = across ? parts[seam.index]!.x : parts[seam.index]!.y;
  const least = Math.min(leastMm, pair / 3);
  const first = clamp(at - gap / 2 - start, least, pair - least);
  if (Math.abs(first - lengths[seam.index]!) < 1e-9) return tree;
  const moved = lengths.with(seam.index, first).with(seam.index + 1, pair - first);
  return replacedAt(tree, seam.path, { ...split, set: setTo(moved, own, boxes, tree, seam.path) });
}

/** Shares of these lengths, and a shape that leaves everything around the part where it is. */
function setTo(
  lengths: readonly number[],
  own: Rect,
  boxes: ReadonlyMap<string, Rect>,
  tree: TreeNode,
  path: TreePath,
): NonNullable<TreeSplit["set"]> {
  const sum = lengths.reduce((a, b) => a + b, 0);
  return { shares: lengths.map((l) => l / sum), aspect: own.w / own.h / factorAround(tree, path, boxes) };
}

/** By how much the photos around a node are drawn wider than they are; 1 where there is none to go by. */
function factorAround(tree: TreeNode, path: TreePath, boxes: ReadonlyMap<string, Rect>): number {
  // The nearest part above that a hand has set solves what is in it by itself.
  let top: TreePath = [];
  for (let i = 1; i <= path.length; i += 1) {
    const above = nodeAt(tree, path.slice(0, i - 1));
    if (above && !isLeaf(above) && above.set) top = path.slice(0, i);
  }
  const free = (node: TreeNode, at: TreePath): number | undefined => {
    const box = boxes.get(at.join("."))!;
    if (isLeaf(node)) return node.shaped ? undefined : box.w / box.h / node.aspect;
    if (node.set) return box.w / box.h / node.set.aspect;
    for (const [i, part] of node.parts.entries()) {
      const found = free(part, [...at, i]);
      if (found !== undefined) return found;
    }
    return undefined;
  };
  const scope = nodeAt(tree, top);
  return (scope && free(scope, top)) ?? 1;
}

function nodeAt(tree: TreeNode, path: TreePath): TreeNode | undefined {
  let node: TreeNode | undefined = tree;
  for (const i of path) node = node && !isLeaf(node) ? node.parts[i] : undefined;
  return node;
}

function pathTo(tree: TreeNode, tileId: string, at: TreePath = []): TreePath | undefined {
  if (isLeaf(tree)) return tree.tileId === tileId ? at : undefined;
  for (const [i, part] of tree.parts.entries()) {
    const found = pathTo(part, tileId, [...at, i]);
    if (found) return found;
  }
  return undefined;
}

/** The tree with another node in a place; parts of one way inside each other become one. */
function replacedAt(tree: TreeNode, [first, ...rest]: TreePath, node: TreeNode): TreeNode {
  if (first === undefined) return node;
  const split = tree as TreeSplit;
  return tidy({ ...split, parts: split.parts.with(first, replacedAt(split.parts[first]!, rest, node)) });
}

function tidy(split: TreeSplit): TreeNode {
  if (split.parts.length === 1) return split.parts[0]!;
  const nested = split.parts.some((p) => !isLeaf(p) && p.way === split.way && !p.set);
  if (!nested || split.set) return split;
  return { ...split, parts: split.parts.flatMap((p) => (!isLeaf(p) && p.way === split.way && !p.set ? p.parts : [p])) };
}

export type Edge = "left" | "right" | "top" | "bottom";

/** A new place at an edge of a tile; the others make room for it. */
export function withBeside(tree: TreeNode, tileId: string, edge: Edge, leaf: TreeLeaf): TreeNode {
  const path = pathTo(tree, tileId);
  if (!path) return tree;
  const way = edge === "left" || edge === "right" ? "side" : "stack";
  const first = edge === "left" || edge === "top";
  const above = path.length > 0 ? nodeAt(tree, path.slice(0, -1)) : undefined;
  if (above && !isLeaf(above) && above.way === way) {
    const at = path.at(-1)! + (first ? 0 : 1);
    return replacedAt(tree, path.slice(0, -1), { way, parts: above.parts.toSpliced(at, 0, leaf) });
  }
  const tile = nodeAt(tree, path)!;
  return replacedAt(tree, path, { way, parts: first ? [leaf, tile] : [tile, leaf] });
}

/** A new place over the whole height or width of the tree, at one of its edges. */
export function withAtEdge(tree: TreeNode, edge: Edge, leaf: TreeLeaf): TreeNode {
  const way = edge === "left" || edge === "right" ? "side" : "stack";
  const first = edge === "left" || edge === "top";
  const parts = !isLeaf(tree) && tree.way === way && !tree.set ? tree.parts : [tree];
  return { way, parts: first ? [leaf, ...parts] : [...parts, leaf] };
}

/** A tile cut in two halves, side by side or stacked; everything around them stays where it is. */
export function withHalves(tree: TreeNode, tileId: string, way: TreeSplit["way"], newId: string): TreeNode {
  const path = pathTo(tree, tileId);
  const tile = path && nodeAt(tree, path);
  if (!path || !tile || !isLeaf(tile)) return tree;
  const half = way === "side" ? tile.aspect / 2 : tile.aspect * 2;
  const parts = [
    { tileId, aspect: half },
    { tileId: newId, aspect: half },
  ];
  return replacedAt(tree, path, { way, parts, set: { shares: [0.5, 0.5], aspect: tile.aspect } });
}

/**
 * The tree without a tile. The part beside it in the same row or column takes its room; undefined where it was the only
 * one.
 */
export function without(tree: TreeNode, tileId: string, room: Rect, gap: number): TreeNode | undefined {
  const path = pathTo(tree, tileId);
  if (!path || path.length === 0) return path ? undefined : tree;
  const up = path.slice(0, -1);
  const split = nodeAt(tree, up) as TreeSplit;
  const index = path.at(-1)!;
  const left = split.parts.toSpliced(index, 1);
  if (left.length === 1) {
    // The neighbour fills the whole part; its shape is that of the part, so that nothing else moves.
    const only = left[0]!;
    const boxes = treeBoxes(tree, room, gap);
    const own = boxes.get(up.join("."))!;
    const aspect = own.w / own.h / factorAround(tree, up, boxes);
    const filling: TreeNode = isLeaf(only)
      ? { ...only, aspect }
      : only.set
        ? { ...only, set: { ...only.set, aspect } }
        : only;
    return replacedAt(tree, up, filling);
  }
  // Shares that stand would keep tiles from being equally large.
  if (left.some((part) => leavesOf(part).some((l) => l.equal !== undefined)))
    return replacedAt(tree, up, { way: split.way, parts: left });
  const boxes = treeBoxes(tree, room, gap);
  const across = split.way === "side";
  const lengths = split.parts.map((_, i) => {
    const b = boxes.get([...up, i].join("."))!;
    return across ? b.w : b.h;
  });
  const heir = index > 0 ? index - 1 : 1;
  const given = lengths.with(heir, lengths[heir]! + lengths[index]! + gap).toSpliced(index, 1);
  const own = boxes.get(up.join("."))!;
  return replacedAt(tree, up, { way: split.way, parts: left, set: setTo(given, own, boxes, tree, up) });
}

/** Nothing set by hand any more: the page comes out exact by itself again. */
export function released(node: TreeNode): TreeNode {
  if (isLeaf(node)) return node;
  return tidy({ way: node.way, parts: node.parts.map(released) });
}

/** Left becomes right, or top becomes bottom. */
export function mirrored(node: TreeNode, way: TreeSplit["way"]): TreeNode {
  if (isLeaf(node)) return node;
  const parts = node.parts.map((part) => mirrored(part, way));
  if (node.way !== way) return { ...node, parts };
  const set = node.set && { ...node.set, shares: node.set.shares.toReversed() };
  return { way: node.way, parts: parts.toReversed(), ...(set ? { set } : {}) };
}
