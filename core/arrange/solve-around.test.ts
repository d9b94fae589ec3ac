import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Rect } from "#core/geometry";
import {
  exactFit,
  fitTogether,
  leavesOf,
  solveAround,
  type TreeLeaf,
  treeRects,
  treeSeams,
  withSeamAt,
} from "./index.ts";
import { tilingFault } from "./tiled.fixture.ts";

const room: Rect = { x: 10, y: 10, w: 280, h: 200 };
const gap = 3;
const shapes = fc.constantFrom(3 / 2, 2 / 3, 4 / 3, 3 / 4, 1, 16 / 9);
const photosOf = (aspects: readonly number[]) => aspects.map((aspect, i) => ({ tileId: `t${i}`, aspect }));
const fitted = (least: number) =>
  fc
    .tuple(fc.array(shapes, { minLength: least, maxLength: 12 }), fc.nat(50))
    .map(([aspects, seed]) => exactFit({ photos: photosOf(aspects), room, gap, seed }));
const solve = (seed: number) => (leaves: readonly TreeLeaf[], size: { w: number; h: number }) =>
  exactFit({ photos: leaves, room: size, gap, seed });
const offBetween = (a: Rect, b: Rect): number =>
  Math.max(...(["x", "y", "w", "h"] as const).map((k) => Math.abs(a[k] - b[k])));

test("locked tiles do not move, no tile is lost, and the page stays exact", () => {
  fc.assert(
    fc.property(fitted(2), fc.array(fc.nat(11), { minLength: 1, maxLength: 3 }), fc.nat(9), (tree, picks, seed) => {
      const ids = leavesOf(tree).map((l) => l.tileId);
      const locked = new Set(picks.map((p) => ids[p % ids.length]!));
      const solved = solveAround({ tree, room, gap, locked, keepSet: false, solve: solve(seed) });
      const [before, after] = [treeRects(tree, room, gap), treeRects(solved, room, gap)];
      for (const id of locked) expect(offBetween(before.get(id)!, after.get(id)!)).toBeLessThan(1e-6);
      expect([...after.keys()].sort()).toEqual(ids.toSorted());
      expect(tilingFault([...after.values()], room, gap)).toBeUndefined();
    }),
    { numRuns: 60 },
  );
});

test("a seam set by hand is kept when the rest is solved again, and let go when it is not asked for", () => {
  fc.assert(
    fc.property(fitted(4), fc.nat(20), (tree, pick) => {
      const seams = treeSeams(tree, room, gap);
      const seam = seams[pick % seams.length]!;
      const set = withSeamAt(tree, seam, seam.at + 9, room, gap);
      const kept = solveAround({ tree: set, room, gap, locked: new Set(), keepSet: true, solve: solve(0) });
      const at = (t: typeof tree) => treeSeams(t, room, gap).map((s) => s.at);
      const there = treeSeams(set, room, gap).find((s) => `${s.path}` === `${seam.path}` && s.index === seam.index)!.at;
      expect(Math.min(...at(kept).map((v) => Math.abs(v - there)))).toBeLessThan(2);
      expect(tilingFault([...treeRects(kept, room, gap).values()], room, gap)).toBeUndefined();
      expect(solveAround({ tree: set, room, gap, locked: new Set(), keepSet: false, solve: solve(0) })).toEqual(
        solve(0)(leavesOf(set), room),
      );
    }),
    { numRuns: 40 },
  );
});

test("photos that are to stay together come out as neighbours, whatever the seed", () => {
  fc.assert(
    fc.property(fc.array(shapes, { minLength: 3, maxLength: 12 }), fc.nat(99), fc.nat(9), (aspects, pick, seed) => {
      const photos = photosOf(aspects);
      const a = `t${pick % photos.length}`;
      const b = `t${(pick + 2) % photos.length}`;
      const tree = fitTogether({ photos, room, gap, seed }, [[a, b]]);
      const rects = treeRects(tree, room, gap);
      const [p, q] = [rects.get(a)!, rects.get(b)!];
      const across = Math.max(p.x, q.x) - Math.min(p.x + p.w, q.x + q.w);
      const down = Math.max(p.y, q.y) - Math.min(p.y + p.h, q.y + q.h);
      expect(Math.max(across, down)).toBeCloseTo(gap, 4);
      expect(tilingFault([...rects.values()], room, gap)).toBeUndefined();
    }),
    { numRuns: 60 },
  );
});
