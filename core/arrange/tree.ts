import type { Rect, Size } from "#core/geometry";
import { equalRects } from "./equal.ts";
import { isLeaf, leavesOf, mapLeaves, type TreeNode, type TreeSplit } from "./tree-node.ts";

/** `w = s·a·h + p + q·s`; see `Workbench` for where it comes from. */
interface Line {
  readonly a: number;
  readonly p: number;
  readonly q: number;
}

/** A part that a hand has set counts as one thing of its own shape. */
function lineOf(node: TreeNode, gap: number): Line {
  if (isLeaf(node)) return { a: node.aspect, p: 0, q: 0 };
  if (node.set) return { a: node.set.aspect, p: 0, q: 0 };
  return joined(
    node.way,
    node.parts.map((part) => lineOf(part, gap)),
    gap,
  );
}

function joined(way: TreeSplit["way"], lines: readonly Line[], gap: number): Line {
  const gaps = gap * (lines.length - 1);
  const sum = (f: (line: Line) => number) => lines.reduce((total, line) => total + f(line), 0);
  if (way === "side") return { a: sum((l) => l.a), p: sum((l) => l.p) + gaps, q: sum((l) => l.q) };
  const a = 1 / sum((l) => 1 / l.a);
  return { a, p: a * sum((l) => l.p / l.a), q: a * (sum((l) => l.q / l.a) - gaps) };
}

const factorOf = (line: Line, room: Size): number => (room.w - line.p) / (line.a * room.h + line.q);

/**
 * Every tile's rectangle. The room is filled exactly, every gap is `gap`, and photos share one small crop, each part that
 * a hand has set by itself. A gap that leaves something no room is drawn as wide as it can be.
 */
export function treeRects(tree: TreeNode, room: Rect, gap: number): Map<string, Rect> {
  const rects = solvedRects(tree, room, gap);
  const leaves = leavesOf(tree);
  if (leaves.some((l) => l.equal !== undefined)) return equalRects(tree, rects, (t) => laid(t, room, gap));
  return leaves.some((l) => l.shaped) ? shapedRects(tree, room, gap, rects) : rects;
}

function laid(tree: TreeNode, room: Rect, gap: number): Map<string, Rect> | undefined {
  const found = new Map<string, Rect>();
  return lay(tree, room, gap, found) ? found : undefined;
}

/** Where a shape asked for is met this nearly, nobody sees the rest. */
const shapeSlack = 1e-7;
const mostRounds = 24;
const widestTune = 20;

/**
 * The others make room for tiles whose shape was asked for: what the common factor does to those is taken back before,
 * round by round until it stays. Where all of a row was shaped there is no such page, and the last round stands.
 */
function shapedRects(tree: TreeNode, room: Rect, gap: number, first: Map<string, Rect>): Map<string, Rect> {
  let [tuned, rects] = [tree, first];
  const wanted = new Map(leavesOf(tree).flatMap((l) => (l.shaped ? [[l.tileId, l.aspect] as const] : [])));
  const { log, exp, abs, max, min } = Math;
  // By tile, as logarithms: what was asked of the tree the last time, and what came of it. A secant finds the next.
  const before = new Map<string, readonly [asked: number, came: number]>();
  for (let round = 0; round < mostRounds; round += 1) {
    let off = 0;
    tuned = mapLeaves(tuned, (l) => {
      const aspect = wanted.get(l.tileId);
      if (aspect === undefined) return l;
      const r = rects.get(l.tileId)!;
      const [asked, came] = [log(l.aspect), log(r.w / r.h)];
      const short = log(aspect) - came;
      off = max(off, abs(short));
      const [lastAsked, lastCame] = before.get(l.tileId) ?? [asked - 1, came - 1];
      before.set(l.tileId, [asked, came]);
      const slope = asked === lastAsked ? 1 : (came - lastCame) / (asked - lastAsked);
      const step = short / min(1, max(0.05, slope));
      return { ...l, aspect: min(aspect * widestTune, max(aspect / widestTune, exp(asked + step))) };
    });
    if (!(off > shapeSlack)) break;
    const next = laid(tuned, room, gap);
    if (!next) break;
    rects = next;
  }
  return rects;
}

function solvedRects(tree: TreeNode, room: Rect, gap: number): Map<string, Rect> {
  const found = new Map<string, Rect>();
  if (!lay(tree, room, gap, found)) {
    found.clear();
    layByShares(sharesWithoutGaps(tree, room), room, gap, found);
  }
  return found;
}

/** The tiles uncropped, as large as the room lets them be, in its middle; what is left of it stays white. */
export function looseRects(tree: TreeNode, room: Rect, gap: number): Map<string, Rect> {
  const { a, p, q } = lineOf(tree, gap);
  const h = Math.max(0, Math.min(room.h, (room.w - p - q) / a));
  const w = Math.min(room.w, a * h + p + q);
  const x = room.x + (room.w - w) / 2;
  return treeRects(tree, { x, y: room.y + (room.h - h) / 2, w, h }, gap);
}

function lay(node: TreeNode, r: Rect, gap: number, found: Map<string, Rect>): boolean {
  if (isLeaf(node)) {
    found.set(node.tileId, r);
    return r.w > 0 && r.h > 0;
  }
  const s = node.set ? 1 : factorOf(lineOf(node, gap), r);
  if (!(s > 0 && Number.isFinite(s))) return false;
  return layAt(node, r, gap, s, found);
}

function layAt(node: TreeNode, r: Rect, gap: number, s: number, found: Map<string, Rect>): boolean {
  if (isLeaf(node)) return lay(node, r, gap, found);
  const { way, parts, set } = node;
  const length = way === "side" ? r.w : r.h;
  const free = length - gap * (parts.length - 1);
  let at = way === "side" ? r.x : r.y;
  for (const [i, part] of parts.entries()) {
    const line = lineOf(part, gap);
    const along =
      set !== undefined
        ? set.shares[i]! * free
        : way === "side"
          ? s * line.a * r.h + line.p + line.q * s
          : (r.w - line.p - line.q * s) / (s * line.a);
    // The last takes what rounding has left.
    const own = i === parts.length - 1 ? (way === "side" ? r.x + r.w : r.y + r.h) - at : along;
    if (!(own > 0)) return false;
    const place = way === "side" ? { x: at, y: r.y, w: own, h: r.h } : { x: r.x, y: at, w: r.w, h: own };
    const fixed = set !== undefined || (!isLeaf(part) && part.set !== undefined);
    if (!(fixed ? lay(part, place, gap, found) : layAt(part, place, gap, s, found))) return false;
    at += own + gap;
  }
  return true;
}

/** The same tree with every split's shares written out, as they are without gaps, where there is always a solution. */
function sharesWithoutGaps(node: TreeNode, room: Size): TreeNode {
  if (isLeaf(node)) return node;
  const lines = node.parts.map((part) => lineOf(part, 0).a);
  const lengths = node.way === "side" ? lines : lines.map((a) => 1 / a);
  const sum = lengths.reduce((x, y) => x + y, 0);
  const shares = node.set?.shares ?? lengths.map((l) => l / sum);
  return {
    ...node,
    parts: node.parts.map((part) => sharesWithoutGaps(part, room)),
    set: { shares, aspect: room.w / room.h },
  };
}

function layByShares(node: TreeNode, r: Rect, gap: number, found: Map<string, Rect>): void {
  if (isLeaf(node)) {
    found.set(node.tileId, r);
    return;
  }
  const side = node.way === "side";
  const length = side ? r.w : r.h;
  const gaps = node.parts.length - 1;
  const fitting = Math.min(gap, length / (2 * gaps));
  let at = side ? r.x : r.y;
  for (const [i, part] of node.parts.entries()) {
    const own = node.set!.shares[i]! * (length - fitting * gaps);
    layByShares(part, side ? { ...r, x: at, w: own } : { ...r, y: at, h: own }, gap, found);
    at += own + fitting;
  }
}

/** The widest gap at which the tree still comes out as it is meant to, and no tile is smaller than `leastMm`. */
export function widestTreeGap(tree: TreeNode, room: Rect, leastMm: number): number {
  const bears = (gap: number) => {
    const found = new Map<string, Rect>();
    return lay(tree, room, gap, found) && [...found.values()].every((r) => Math.min(r.w, r.h) >= leastMm);
  };
  let [fits, fails] = [0, Math.min(room.w, room.h)];
  for (let i = 0; i < 24; i += 1) {
    const middle = (fits + fails) / 2;
    if (bears(middle)) fits = middle;
    else fails = middle;
  }
  return fits;
}

/** Where each node of the tree lies, by its path: the numbers of the parts that lead to it. */
export function treeBoxes(tree: TreeNode, room: Rect, gap: number): Map<string, Rect> {
  const rects = treeRects(tree, room, gap);
  const boxes = new Map<string, Rect>();
  const visit = (node: TreeNode, path: readonly number[]): Rect => {
    const own = isLeaf(node)
      ? rects.get(node.tileId)!
      : node.parts.map((part, i) => visit(part, [...path, i])).reduce(around);
    boxes.set(path.join("."), own);
    return own;
  };
  visit(tree, []);
  return boxes;
}

export function around(a: Rect, b: Rect): Rect {
  const [x, y] = [Math.min(a.x, b.x), Math.min(a.y, b.y)];
  return { x, y, w: Math.max(a.x + a.w, b.x + b.w) - x, h: Math.max(a.y + a.h, b.y + b.h) - y };
}
