import type { Rect } from "#core/geometry";
import { seededRandom } from "#core/random";
import { type FitTask, leafOf, slicingTask, treeOf } from "./exact-fit.ts";
import { lineBreaks } from "./line-breaks.ts";
import { Score } from "./slicing/score.ts";
import { bestTree, shortSearch } from "./slicing/search.ts";
import { cropOf } from "./spans.ts";
import { bundled, unbundled } from "./together.ts";
import { looseRects, treeRects } from "./tree.ts";
import { isLeaf, type TreeNode } from "./tree-node.ts";

export const wayKinds = ["exact", "rows", "columns", "leader", "strips", "whole"] as const;
export type AlternativeKind = (typeof wayKinds)[number];

/** One way to arrange the photos of a page. */
export interface Alternative {
  readonly kind: AlternativeKind;
  readonly tree: TreeNode;
  /** Nothing is cropped, and white space is left around the photos. */
  readonly loose: boolean;
  /** Shares of a photo that its tile cuts off: on average, and of the worst. */
  readonly crop: number;
  readonly worstCrop: number;
  /** Kendall's tau of the reading order: 1 where the photos are read as they were given. */
  readonly order: number;
  /** How much of the photos' room the leader has; of the largest where none leads. */
  readonly leadShare: number;
  /** What it costs by the search's prices: less is better. */
  readonly cost: number;
}

export interface AlternativesTask extends FitTask {
  /** Which photo is to lead, as a place in the list. */
  readonly leader?: number;
  /** Tiles that stay neighbours. */
  readonly together?: readonly (readonly string[])[];
  /** Whether a tile of this shape cuts a face of photo `i`. */
  readonly cutsFace?: (i: number, tileAspect: number) => boolean;
}

const leadShare = 0.4;
const facePrice = 0.15;

/** Really different arrangements of the same photos, the best first; at least `count` where so many can be told apart. */
export function alternatives(whole: AlternativesTask, count: number): Alternative[] {
  const { photos, bundles } = bundled(whole.photos, whole.together ?? []);
  const lead = photos.findIndex((p) => p.tileId === whole.photos[whole.leader ?? -1]?.tileId);
  const { leader: _, ...rest } = whole;
  const task: AlternativesTask = { ...rest, photos, ...(lead < 0 ? {} : { leader: lead }) };
  const n = photos.length;
  if (n === 0) return [];
  const random = seededRandom(task.seed + 17);
  const made: { readonly kind: AlternativeKind; readonly tree: TreeNode; readonly loose?: boolean }[] = [];
  const given = slicingTask(task);
  const steps = Math.floor(Math.min(1600, 20_000 / n));
  const exact: TreeNode[] = [treeOf(bestTree(given, task.seed).tree, given, task)];
  if (n > 5) {
    const score = new Score(given);
    for (let k = 0; k < count; k += 1) exact.push(treeOf(shortSearch(given, score, random, steps).tree, given, task));
  }
  // Of so few photos all trees are known already, the best first.
  else
    for (let turn = 1; turn < count; turn += 1) exact.push(treeOf(bestTree(given, task.seed, turn).tree, given, task));
  for (const tree of exact) made.push({ kind: "exact", tree });
  for (const lines of lineCounts(task, false)) made.push({ kind: "rows", tree: inLines(task, lines, "side") });
  for (const lines of lineCounts(task, true)) made.push({ kind: "columns", tree: inLines(task, lines, "stack") });
  if (n > 2)
    for (const tree of ledBy(task, task.leader ?? widest(task), random, steps)) made.push({ kind: "leader", tree });
  if (n > 1 && n <= 8) {
    made.push({ kind: "strips", tree: inLines(task, 1, "side") });
    made.push({ kind: "strips", tree: inLines(task, 1, "stack") });
  }
  // What is equally large cannot all be whole.
  if (given.equal.length === 0) {
    for (const tree of exact.slice(0, 2)) made.push({ kind: "whole", tree, loose: true });
    if (n <= 4) for (const m of [...made]) if (!m.loose) made.push({ ...m, kind: "whole", loose: true });
  }
  const ways = made.map((m) => judged(whole, m.kind, unbundled(m.tree, bundles), m.loose ?? false));
  return apart(ways, whole, count);
}

/** How a way comes out in a room; also for one that a person has made. */
export function judged(task: AlternativesTask, kind: AlternativeKind, tree: TreeNode, loose: boolean): Alternative {
  const room: Rect = { x: 0, y: 0, ...task.room };
  const rects = loose ? looseRects(tree, room, task.gap) : treeRects(tree, room, task.gap);
  const boxes = task.photos.map((p) => rects.get(p.tileId)!);
  const areas = boxes.map((r) => r.w * r.h);
  const sum = areas.reduce((a, b) => a + b, 0);
  const crops = task.photos.map((p, i) => cropOf(p.aspect, boxes[i]!.w / boxes[i]!.h));
  const crop = crops.reduce((a, b) => a + b, 0) / crops.length;
  const order = readingOrder(boxes);
  const apartness = areas.reduce((total, a) => total + Math.abs(Math.log((a / sum) * areas.length)), 0) / areas.length;
  const faces = task.photos.filter((_, i) => task.cutsFace?.(i, boxes[i]!.w / boxes[i]!.h)).length;
  const white = loose ? 1 - sum / (task.room.w * task.room.h) : 0;
  const uneven = kind === "leader" ? 0.15 : apartness ** 2;
  return {
    kind,
    tree,
    loose,
    crop,
    worstCrop: Math.max(...crops),
    order,
    leadShare: (task.leader === undefined ? Math.max(...areas) : areas[task.leader]!) / sum,
    cost: 10 * crop + uneven + 0.5 * (1 - order) + facePrice * faces + 1.2 * white,
  };
}

/** Below 0 where `a` is read before `b`: on one line from the left, else from the top. */
export function readBefore(a: Rect, b: Rect): number {
  const overlap = Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y);
  const onOneLine = overlap > 0.5 * Math.min(a.h, b.h);
  return onOneLine ? a.x + a.w / 2 - (b.x + b.w / 2) : a.y + a.h / 2 - (b.y + b.h / 2);
}

/** Kendall's tau between the order given and the one in which a page is read: lines from the top, each from the left. */
export function readingOrder(boxes: readonly Rect[]): number {
  let [right, pairs] = [0, 0];
  for (const [i, a] of boxes.entries())
    for (const b of boxes.slice(i + 1)) {
      right += readBefore(a, b) <= 0 ? 1 : -1;
      pairs += 1;
    }
  return pairs === 0 ? 1 : right / pairs;
}

const widest = (task: FitTask): number => {
  const aspects = task.photos.map((p) => p.aspect);
  return aspects.indexOf(Math.max(...aspects));
};

/** Two numbers of rows (or columns) around the one that fills the room. */
function lineCounts({ photos, room }: FitTask, columns: boolean): number[] {
  const n = photos.length;
  const length = photos.reduce((sum, p) => sum + (columns ? 1 / p.aspect : p.aspect), 0);
  const exact = Math.sqrt((length * (columns ? room.w : room.h)) / (columns ? room.h : room.w));
  const counts = [Math.floor(exact), Math.ceil(exact)].map((c) => Math.max(1, Math.min(n, c)));
  return [...new Set(counts)];
}

/** Rows of photos side by side, or columns of photos stacked, as nearly of one length as can be. */
function inLines({ photos }: FitTask, lines: number, way: "side" | "stack"): TreeNode {
  const lengths = photos.map((p) => (way === "side" ? p.aspect : 1 / p.aspect));
  let start = 0;
  const parts = lineBreaks(lengths, lines).map((end): TreeNode => {
    const line = photos.slice(start, end).map(leafOf);
    start = end;
    return line.length === 1 ? line[0]! : { way, parts: line };
  });
  return parts.length === 1 ? parts[0]! : { way: way === "side" ? "stack" : "side", parts };
}

/** One photo large, the others around it: at each side, in a corner, in the middle. */
function ledBy(task: FitTask, leader: number, random: () => number, steps: number): TreeNode[] {
  const { photos, room } = task;
  const lead = leafOf(photos[leader]!);
  const rest = photos.filter((_, i) => i !== leader);
  const w = room.w * leadShare ** 0.5;
  const h = room.h * leadShare ** 0.5;
  const fitted = (some: FitTask["photos"], width: number, height: number): TreeNode => {
    const part = { ...task, photos: some, room: { w: Math.max(1, width), h: Math.max(1, height) } };
    const given = slicingTask(part);
    const few = some.length <= 5;
    const { tree } = few ? bestTree(given, task.seed) : shortSearch(given, new Score(given), random, steps);
    return treeOf(tree, given, part);
  };
  const join = (way: "side" | "stack", ...parts: readonly TreeNode[]): TreeNode => ({
    way,
    parts: parts.flatMap((p) => (!isLeaf(p) && p.way === way ? p.parts : [p])),
  });
  const narrow = Math.min(0.7, (leadShare * room.h * lead.aspect) / room.w + 0.1) * room.w;
  const low = Math.min(0.7, (leadShare * room.w) / lead.aspect / room.h + 0.1) * room.h;
  const found = [
    join("side", lead, fitted(rest, room.w - narrow, room.h)),
    join("side", fitted(rest, room.w - narrow, room.h), lead),
    join("stack", lead, fitted(rest, room.w, room.h - low)),
    join("stack", fitted(rest, room.w, room.h - low), lead),
  ];
  if (rest.length >= 3) {
    const beside = Math.max(1, Math.round((rest.length * (room.w - w) * h) / (room.w * room.h * (1 - leadShare))));
    const cut = Math.min(rest.length - 1, beside);
    const corner = join("side", lead, fitted(rest.slice(0, cut), room.w - w, h));
    found.push(join("stack", corner, fitted(rest.slice(cut), room.w, room.h - h)));
  }
  if (rest.length >= 4) {
    const each = [0, 1, 2, 3, 4].map((k) => Math.round((k * rest.length) / 4));
    const quarter = (k: number) => rest.slice(each[k], each[k + 1]);
    const [above, left, right, below] = [0, 1, 2, 3].map(quarter);
    const middle = join("side", fitted(left!, (room.w - w) / 2, h), lead, fitted(right!, (room.w - w) / 2, h));
    const [top, foot] = [above!, below!].map((some) => fitted(some, room.w, (room.h - h) / 2));
    found.push(join("stack", top!, middle, foot!));
  }
  return found;
}

/** Kinds take turns, the cheapest of each first, and what looks like one that is there already is left out. */
export function apart(ways: readonly Alternative[], task: AlternativesTask, count: number): Alternative[] {
  const room: Rect = { x: 0, y: 0, ...task.room };
  const looks = new Map<Alternative, readonly number[]>();
  for (const way of ways) {
    const rects = way.loose ? looseRects(way.tree, room, task.gap) : treeRects(way.tree, room, task.gap);
    looks.set(
      way,
      task.photos.flatMap((p) => {
        const r = rects.get(p.tileId)!;
        return [r.x / room.w, r.y / room.h, (r.x + r.w) / room.w, (r.y + r.h) / room.h];
      }),
    );
  }
  const alike = (a: Alternative, b: Alternative) => {
    if (a.loose !== b.loose) return false;
    const [la, lb] = [looks.get(a)!, looks.get(b)!];
    const off = la.map((v, i) => Math.abs(v - lb[i]!));
    return off.reduce((x, y) => x + y, 0) / off.length < 0.03;
  };
  const sound = ways.filter((w) => looks.get(w)!.every((v, i, all) => i % 4 < 2 || v - all[i - 2]! > 0.01));
  const queues = wayKinds.map((kind) => sound.filter((w) => w.kind === kind).sort((a, b) => a.cost - b.cost));
  const chosen: Alternative[] = [];
  while (chosen.length < count * 2 && queues.some((q) => q.length > 0))
    for (const queue of queues) {
      const next = queue.shift();
      if (next && !chosen.some((c) => alike(c, next))) chosen.push(next);
    }
  // Enough of them, the best first; a kind with nothing better stays among them for its own sake.
  const firsts = new Set(wayKinds.map((kind) => chosen.find((c) => c.kind === kind)));
  const sorted = chosen.toSorted((a, b) => a.cost - b.cost);
  const best = sorted.filter((w, i) => i < count || firsts.has(w));
  return best.slice(0, Math.max(count, 12));
}
