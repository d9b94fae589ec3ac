import type { Rect } from "#core/geometry";
import { isLeaf, leavesOf, mapLeaves, type TreeLeaf, type TreeNode } from "./tree-node.ts";

const { abs, exp, log, max } = Math;

/** Areas this near to each other, as a share, are the same on paper. */
const slack = 1e-6;
const mostRounds = 30;
const probe = 1e-4;
/** Of so many tiles all are bent a little; of more only those near the ones that are to be equal. */
const mostBent = 60;
/** No shape that the photos have is bent further than this in one round, as a logarithm. */
const longestStep = 0.7;

export const withoutEqual = ({ equal: _, ...leaf }: TreeLeaf): TreeLeaf => leaf;

/** The same trees with sets of their own numbers each, to become one. */
export function withSetsApart(trees: readonly TreeNode[]): readonly TreeNode[] {
  let last = 0;
  return trees.map((tree) => {
    const numbers = equalSets(leavesOf(tree)).map((set) => set[0]!.equal);
    const from = last;
    last += numbers.length;
    return mapLeaves(tree, (l) => (l.equal === undefined ? l : { ...l, equal: from + 1 + numbers.indexOf(l.equal) }));
  });
}

type Places = ReadonlyMap<string, Rect>;

/** Sets of tiles that are to be equally large; one by itself is no set. */
export function equalSets<L extends Pick<TreeLeaf, "equal">>(leaves: readonly L[]): readonly (readonly L[])[] {
  const numbers = new Set(leaves.flatMap((l) => (l.equal === undefined ? [] : [l.equal])));
  return [...numbers].map((n) => leaves.filter((l) => l.equal === n)).filter((set) => set.length > 1);
}

/**
 * The tiles of each set as large as each other, and those that were given a shape in that shape, with the other photos making room. The
 * shapes asked of the tree's leaves are what can be bent; Levenberg (1944) and Marquardt (1963) find the least bend of them that makes the
 * areas equal, so that as little as possible is cropped. Where a hand has set the seams in between, the nearest is taken.
 */
export function equalRects(
  tree: TreeNode,
  first: Places,
  lay: (tree: TreeNode) => Places | undefined,
): Map<string, Rect> {
  const leaves = leavesOf(tree);
  const sets = equalSets(leaves);
  const members = new Set(sets.flat().map((l) => l.tileId));
  const turned = leaves.length > mostBent ? besideMembers(tree, members) : leaves;
  const missesOf = (rects: Places): number[] => [
    ...sets.flatMap((set) => {
      const areas = set.map(({ tileId }) => log(rects.get(tileId)!.w * rects.get(tileId)!.h));
      const mean = areas.reduce((a, b) => a + b, 0) / areas.length;
      return areas.map((a) => a - mean);
    }),
    ...turned.flatMap((l) => {
      const r = rects.get(l.tileId)!;
      return l.shaped ? [log(r.w / r.h / l.aspect)] : [];
    }),
  ];
  const at = (bends: readonly number[]) => {
    const factor = new Map(turned.map((l, i) => [l.tileId, exp(bends[i]!)]));
    return lay(mapLeaves(tree, (l) => ({ ...l, aspect: l.aspect * (factor.get(l.tileId) ?? 1) })));
  };
  let bends = turned.map(() => 0);
  let [rects, misses] = [first, missesOf(first)];
  let damping = 1e-6;
  for (let round = 0; round < mostRounds && max(...misses.map(abs)) > slack; round += 1) {
    const slopes = turned.map((_, i) => {
      const beside = at(bends.map((b, k) => (k === i ? b + probe : b)));
      return beside ? missesOf(beside).map((m, k) => (m - misses[k]!) / probe) : misses.map(() => 0);
    });
    const step = leastStep(slopes, misses, damping);
    const longest = max(...step.map(abs));
    const scale = longest > longestStep ? longestStep / longest : 1;
    const next = bends.map((b, i) => b + scale * step[i]!);
    const there = at(next);
    const then = there && missesOf(there);
    if (there && then && length(then) < length(misses)) {
      [bends, rects, misses] = [next, there, then];
      damping = max(1e-9, damping / 10);
    } else if (damping > 1e3) break;
    else damping *= 100;
  }
  return new Map(rects);
}

/** Tiles of sets, and those that share a split with one: of many tiles it is these that make room. */
function besideMembers(node: TreeNode, members: ReadonlySet<string>): readonly TreeLeaf[] {
  if (isLeaf(node)) return members.has(node.tileId) ? [node] : [];
  const holdsMember = node.parts.some((part) => isLeaf(part) && members.has(part.tileId));
  return holdsMember ? leavesOf(node) : node.parts.flatMap((part) => besideMembers(part, members));
}

const length = (v: readonly number[]): number => v.reduce((sum, x) => sum + x * x, 0);

/** Solves (J·Jᵀ + damping) x = −J·m for the slopes J, a row for each unknown, by Gaussian elimination. */
function leastStep(slopes: readonly (readonly number[])[], misses: readonly number[], damping: number): number[] {
  const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, x, i) => sum + x * b[i]!, 0);
  const rows = slopes.map((row, i) => [
    ...slopes.map((other, k) => dot(row, other) + (i === k ? damping : 0)),
    -dot(row, misses),
  ]);
  const n = rows.length;
  for (let i = 0; i < n; i += 1) {
    let pivot = i;
    for (let k = i + 1; k < n; k += 1) if (abs(rows[k]![i]!) > abs(rows[pivot]![i]!)) pivot = k;
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let k = i + 1; k < n; k += 1) {
      const times = rows[k]![i]! / rows[i]![i]!;
      for (let j = i; j <= n; j += 1) rows[k]![j]! -= times * rows[i]![j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) {
    let rest = rows[i]![n]!;
    for (let k = i + 1; k < n; k += 1) rest -= rows[i]![k]! * x[k]!;
    x[i] = rest / rows[i]![i]!;
  }
  return x;
}
