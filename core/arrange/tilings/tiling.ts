import { inset, type Point, type Rect, type Ring, type Sides, type Size } from "#core/geometry";
import { canBeCut, type TilingPattern } from "./patterns.ts";
import { herringbone, type LatticePattern, lattices } from "./raw-cells.ts";
import { areaOf, clippedTo, insetRing, joinedRing } from "./rings-of-cells.ts";
import { type Circle, circlesIn, fanIn, pennantsIn, ringIn } from "./round-cells.ts";

const { abs, ceil, hypot, log, max, min, round, sqrt } = Math;

export interface TilingTask {
  readonly pattern: TilingPattern;
  readonly count: number;
  readonly room: Rect;
  readonly gapMm: number;
  /** Cells go on to the room's edge, which cuts them; otherwise all are whole. */
  readonly cut: boolean;
  /** How far a line of pennants hangs, in shares of its width. */
  readonly sag: number;
  /** How far cells that end at a side of the room go on beyond it: into the bleed. */
  readonly reach: Sides;
}

/** A cell on the page, in mm: a circle, or a ring of straight pieces. */
export type Cell = { readonly circle: Circle } | { readonly ring: Ring };

/** As many cells as are asked for, in the order in which they are read; fewer where the room is too small for the gap. */
export function tilingCells(task: TilingTask): readonly Cell[] {
  const { pattern, count, room, gapMm, sag } = task;
  if (count < 1) return [];
  const moved = (p: Point): Point => ({ x: p.x + room.x, y: p.y + room.y });
  if (pattern === "circles") return circleCells(task).map((c) => ({ circle: { ...moved(c), r: c.r } }));
  if (pattern === "pennants") return pennantsIn(room, count, gapMm, sag).map((ring) => ({ ring: ring.map(moved) }));
  // Without gaps over a room larger by half a gap, and then every cell smaller by that: so all gaps are the same.
  const grown = inset(room, -gapMm / 2);
  const onPage = (ring: Ring): Ring => ring.map((p) => ({ x: p.x + grown.x, y: p.y + grown.y }));
  const shrunk = (whole: Ring): { readonly ring: Ring }[] => {
    const ring = insetRing(whole, gapMm / 2);
    return ring ? [{ ring }] : [];
  };
  if (pattern === "ring") {
    const { middle, wedges } = ringIn(grown, count);
    const cells = wedges.flatMap((w) => shrunk(onPage(w)));
    if (!middle || middle.r <= gapMm / 2) return cells;
    return [{ circle: { x: middle.x + grown.x, y: middle.y + grown.y, r: middle.r - gapMm / 2 } }, ...cells];
  }
  if (pattern === "fan") return fanIn(grown, count).flatMap((w) => shrunk(onPage(w)));
  const raw =
    pattern === "herringbone" ? herringboneFor(grown, count, gapMm) : latticeFor(lattices[pattern], grown, task);
  return raw.flatMap((ring) => shrunk(onPage(ring))).map(({ ring }) => ({ ring: reaching(ring, room, task.reach) }));
}

/** What a spare cell counts for against a shape that is stretched. */
const sparePrice = 1;
/** A stretch up to this is hardly seen. */
const mostStretch = 1.1;

/** Sums that come to the same may differ by this. */
const sameCost = 1e-12;

function best<T>(all: Iterable<{ readonly of: T; readonly cost: number }>): T | undefined {
  let found: { readonly of: T; readonly cost: number } | undefined;
  for (const one of all) if (!found || one.cost < found.cost - sameCost) found = one;
  return found?.of;
}

const stretchOf = (cell: Size, [least, most]: LatticePattern["regular"]): number => {
  const ratio = cell.h / cell.w;
  return ratio < least ? least / ratio : ratio > most ? ratio / most : 1;
};

/** The cells of a pattern of rows and columns: so many of each that cells are as little stretched and as few left over as can be. */
function latticeFor(of: LatticePattern, room: Size, { count, cut, pattern }: TilingTask): readonly Ring[] {
  const cuts = cut && canBeCut.has(pattern);
  function* tries() {
    for (let rows = 1; rows <= count; rows += 1)
      for (let columns = 1; columns <= count; columns += 1) {
        const at = { rows, columns, cut: cuts };
        const n = of.count(at);
        if (n < count) continue;
        yield { of: at, cost: log(stretchOf(of.cell(room, at), of.regular)) + (sparePrice * (n - count)) / count };
        if (n >= 2 * count) break;
      }
  }
  const at = best(tries()) ?? { rows: 1, columns: count, cut: cuts };
  if (of.fills || cuts) return merged(clipped(of.cells(room, at), room), count);
  // Whole cells keep their shape: where the room would stretch them much they do not go to all of its sides.
  const cell = of.cell(room, at);
  const ratio = cell.h / cell.w;
  const [least, most] = [of.regular[0] / mostStretch, of.regular[1] * mostStretch];
  const used = {
    w: ratio > most ? room.w : room.w * min(1, ratio / least),
    h: ratio > most ? (room.h * most) / ratio : room.h,
  };
  const [x, y] = [(room.w - used.w) / 2, (room.h - used.h) / 2];
  const cells = of.cells(used, at).map((ring) => ring.map((p) => ({ x: p.x + x, y: p.y + y })));
  return nearestTo({ x: room.w / 2, y: room.h / 2 }, cells, count, middleOf);
}

/** So many of them, those furthest from the middle left out; of two as far the lower one, and then the one further right. */
function nearestTo<T>(centre: Point, all: readonly T[], count: number, at: (one: T) => Point): readonly T[] {
  const far = (one: T) => hypot(at(one).x - centre.x, at(one).y - centre.y);
  const ranked = all.toSorted((a, b) => far(a) - far(b) || at(a).y - at(b).y || at(a).x - at(b).x);
  const kept = new Set(ranked.slice(0, count));
  return all.filter((one) => kept.has(one));
}

/** The mean of its corners. */
const middleOf = (ring: Ring): Point => ({
  x: ring.reduce((s, p) => s + p.x, 0) / ring.length,
  y: ring.reduce((s, p) => s + p.y, 0) / ring.length,
});

const clipped = (cells: readonly Ring[], room: Size): readonly Ring[] =>
  cells.flatMap((ring) => {
    const left = clippedTo(ring, room);
    return left ? [left] : [];
  });

/** Cells that share less only touch at a corner. */
const leastSharedMm = 0.1;

/** The smallest cell joined to the neighbour that it shares most with, again and again, until only so many are left. */
function merged(cells: readonly Ring[], count: number, mustGo: (cell: Ring) => boolean = () => false): readonly Ring[] {
  const left = [...cells];
  for (;;) {
    const gone = left.findIndex(mustGo);
    if (gone < 0 && left.length <= count) return left;
    const area = left.map((r) => abs(areaOf(r)));
    const [cell] = left.splice(gone < 0 ? area.indexOf(min(...area)) : gone, 1) as [Ring];
    const joined = left.flatMap((other, i) => {
      const shared = sharedSide(cell, other);
      if (shared < leastSharedMm) return [];
      const ring = joinedRing(cell, other);
      if (!ring) return [];
      const [a, b] = [middleOf(cell), middleOf(other)];
      return [{ i, shared, ring, dents: dents(ring), aside: round(min(abs(a.x - b.x), abs(a.y - b.y))) }];
    });
    // What has hardly a dent looks like a cell of its own; else what lies beside it in its row or column.
    const to = joined.toSorted((a, b) => a.dents - b.dents || a.aside - b.aside || b.shared - a.shared)[0];
    if (to) left[to.i] = to.ring;
  }
}

/** The share of its convex hull that a ring leaves bare, in steps of a fifth. */
function dents(ring: Ring): number {
  const hull = abs(areaOf(convexHull(ring)));
  return hull === 0 ? 0 : round(5 * (1 - abs(areaOf(ring)) / hull));
}

/** Andrew's monotone chain (1979). */
function convexHull(points: readonly Point[]): Ring {
  const sorted = points.toSorted((a, b) => a.x - b.x || a.y - b.y);
  const half = (all: readonly Point[]): Point[] => {
    const chain: Point[] = [];
    for (const p of all) {
      while (chain.length > 1) {
        const [a, b] = [chain.at(-2)!, chain.at(-1)!];
        if ((b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x) > 0) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.toReversed())];
}

/** How long a stretch two cells have in common, in mm. */
function sharedSide(a: Ring, b: Ring): number {
  let sum = 0;
  for (const [i, p] of a.entries()) {
    const q = a[(i + 1) % a.length]!;
    const length = hypot(q.x - p.x, q.y - p.y);
    if (length < 1e-6) continue;
    const [dx, dy] = [(q.x - p.x) / length, (q.y - p.y) / length];
    for (const [j, r] of b.entries()) {
      const s = b[(j + 1) % b.length]!;
      const off = (o: Point) => abs((o.x - p.x) * dy - (o.y - p.y) * dx);
      if (off(r) > 1e-3 || off(s) > 1e-3) continue;
      const along = (o: Point) => (o.x - p.x) * dx + (o.y - p.y) * dy;
      const [from, to] = [along(r), along(s)].toSorted((x, y) => x - y) as [number, number];
      sum += max(0, min(length, to) - max(0, from));
    }
  }
  return sum;
}

/** What it costs that bricks are cut to slivers at a side of the room: there the gap would leave nothing of them. */
const thinPrice = 100;
const leastLeftMm = 2;
const leastSeenMm = 1;
const isThin = (rest: number, u: number, gapMm: number): boolean =>
  min(rest, u - rest) > 1e-6 && rest < max(u / 5, gapMm + leastLeftMm);

/** Herringbone over all of the room: bricks as wide as makes their count right, small cut pieces joined to what lies beside them. */
function herringboneFor(room: Size, count: number, gapMm: number): readonly Ring[] {
  const about = sqrt((room.w * room.h) / (2 * count));
  // Also just so wide that a side of the room is cut between bricks.
  const fitting = [room.w, room.h].flatMap((side) => {
    const n = round(side / about);
    return [n - 1, n, n + 1].filter((k) => k > 0).map((k) => side / k);
  });
  const steps = Array.from({ length: 55 }, (_, k) => about * (0.505 + k * 0.0175));
  // Nothing of it could be seen: it always goes to what lies beside it.
  const isSliver = (cell: Ring) => insetRing(cell, (gapMm + leastSeenMm) / 2) === undefined;
  function* tries() {
    let least = Number.POSITIVE_INFINITY;
    for (const u of [...steps, ...fitting]) {
      const cells = clipped(herringbone(room, u), room);
      if (cells.length < count) continue;
      const whole = 2 * u * u;
      const small = cells.filter((r) => abs(areaOf(r)) < whole / 3).length;
      const thin = [room.w, room.h].filter((side) => isThin(side % u, u, gapMm)).length;
      const cost = abs(cells.length - small - count) + 0.3 * (cells.length - count) + thinPrice * thin;
      // Slivers take the longest to find, so they are looked for last.
      if (cost >= least - sameCost || cells.filter((c) => !isSliver(c)).length < count) continue;
      least = cost;
      yield { of: cells, cost };
    }
  }
  const cells = merged(best(tries()) ?? clipped(herringbone(room, about), room), count, isSliver);
  return cells.toSorted((a, b) => rowOf(a, about) - rowOf(b, about) || middleOf(a).x - middleOf(b).x);
}

const rowOf = (ring: Ring, high: number): number => round(middleOf(ring).y / (1.5 * high));

function circleCells({ count, room, gapMm }: TilingTask): readonly Circle[] {
  function* tries() {
    for (let rows = 1; rows <= count; rows += 1) {
      const columns = ceil(count / rows);
      const circles = circlesIn(room, columns, rows, gapMm);
      yield { of: circles, cost: -(circles[0]?.r ?? 0) * (1 - (sparePrice * (circles.length - count)) / count) };
    }
  }
  const found = best(tries()) ?? [];
  return nearestTo({ x: room.w / 2, y: room.h / 2 }, found, count, (c) => c);
}

const touching = 1e-3;

/** Sides of a cell that lie on a side of the room moved outwards, so that what is printed there goes on into the bleed. */
function reaching(ring: Ring, room: Rect, reach: Sides): Ring {
  const sides = [
    { on: (p: Point) => abs(p.x - room.x) < touching, by: { x: -reach.left, y: 0 } },
    { on: (p: Point) => abs(p.x - room.x - room.w) < touching, by: { x: reach.right, y: 0 } },
    { on: (p: Point) => abs(p.y - room.y) < touching, by: { x: 0, y: -reach.top } },
    { on: (p: Point) => abs(p.y - room.y - room.h) < touching, by: { x: 0, y: reach.bottom } },
  ].filter((s) => s.by.x !== 0 || s.by.y !== 0);
  if (sides.length === 0) return ring;
  const moveOf = (a: Point, b: Point): Point | undefined => sides.find((s) => s.on(a) && s.on(b))?.by;
  return ring.flatMap((p, i): Point[] => {
    const before = moveOf(ring[(i - 1 + ring.length) % ring.length]!, p);
    const after = moveOf(p, ring[(i + 1) % ring.length]!);
    const out = (by: Point): Point => ({ x: p.x + by.x, y: p.y + by.y });
    if (before && after) {
      const corner = before !== after && before.x * after.y + before.y * after.x !== 0;
      return corner ? [out({ x: before.x + after.x, y: before.y + after.y })] : [out(before)];
    }
    return before ? [out(before), p] : after ? [p, out(after)] : [p];
  });
}
