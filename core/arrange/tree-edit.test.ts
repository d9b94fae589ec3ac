import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Rect } from "#core/geometry";
import {
  alternatives,
  cropOf,
  exactFit,
  inLineWith,
  leavesOf,
  mirrored,
  released,
  type TreeNode,
  treeRects,
  treeSeams,
  withBeside,
  withHalves,
  without,
  withSeamAt,
} from "./index.ts";
import { tilingFault } from "./tiled.fixture.ts";

const room: Rect = { x: 10, y: 10, w: 280, h: 200 };
const gap = 3;
const shapes = fc.constantFrom(3 / 2, 2 / 3, 4 / 3, 3 / 4, 1, 16 / 9);
const fitted = fc
  .tuple(fc.array(shapes, { minLength: 3, maxLength: 14 }), fc.nat(50))
  .map(([aspects, seed]) =>
    exactFit({ photos: aspects.map((aspect, i) => ({ tileId: `t${i}`, aspect })), room, gap, seed }),
  );

function expectWhole(tree: TreeNode, ids: readonly string[]): Map<string, Rect> {
  const rects = treeRects(tree, room, gap);
  expect([...rects.keys()].sort()).toEqual([...ids].sort());
  expect(tilingFault([...rects.values()], room, gap)).toBeUndefined();
  return rects;
}
const ids = (tree: TreeNode) => leavesOf(tree).map((l) => l.tileId);

const offBetween = (a: Rect, b: Rect): number =>
  Math.max(...(["x", "y", "w", "h"] as const).map((k) => Math.abs(a[k] - b[k])));

test("a seam goes where it is dragged, both sides follow, and nothing else moves", () => {
  fc.assert(
    fc.property(fitted, fc.nat(100), fc.double({ min: -25, max: 25, noNaN: true }), (tree, pick, by) => {
      const seams = treeSeams(tree, room, gap);
      const seam = seams[pick % seams.length]!;
      const moved = withSeamAt(tree, seam, seam.at + by, room, gap);
      const before = treeRects(tree, room, gap);
      const after = expectWhole(moved, ids(tree));
      const there = treeSeams(moved, room, gap).find((s) => `${s.path}` === `${seam.path}` && s.index === seam.index)!;
      // A side that would vanish holds the seam up.
      const reached = Math.abs(there.at - seam.at - by) < 1e-6;
      expect(reached || Math.abs(there.at - seam.at) < Math.abs(by)).toBe(true);
      const inside = (r: Rect) =>
        seam.across
          ? r.y < seam.to - 0.01 && r.y + r.h > seam.from + 0.01
          : r.x < seam.to - 0.01 && r.x + r.w > seam.from + 0.01;
      for (const [id, r] of before)
        if (!inside(r)) expect([id, offBetween(after.get(id)!, r) < 1e-5]).toEqual([id, true]);
    }),
    { numRuns: 60 },
  );
});

test("a page set by hand stays exact at another gap and another size, and comes back when it is released", () => {
  fc.assert(
    fc.property(fitted, fc.nat(100), fc.double({ min: -20, max: 20, noNaN: true }), (tree, pick, by) => {
      const seams = treeSeams(tree, room, gap);
      const seam = seams[pick % seams.length]!;
      const moved = withSeamAt(tree, seam, seam.at + by, room, gap);
      const wide = { x: 0, y: 0, w: 400, h: 180 };
      const rects = [...treeRects(moved, wide, 1).values()];
      fc.pre(Math.min(...rects.map((r) => Math.min(r.w, r.h))) > 2);
      const area = rects.reduce((sum, r) => sum + (r.w + 1) * (r.h + 1), 0);
      expect(area / (401 * 181)).toBeCloseTo(1, 6);
      expect(treeRects(released(moved), room, gap)).toEqual(treeRects(released(tree), room, gap));
    }),
    { numRuns: 60 },
  );
});

test("photos slip in beside others, tiles are halved and taken away, and the page stays whole", () => {
  fc.assert(
    fc.property(
      fitted,
      fc.array(
        fc.record({
          does: fc.constantFrom("beside", "halve", "take", "mirror"),
          pick: fc.nat(100),
          edge: fc.constantFrom<"left" | "right" | "top" | "bottom">("left", "right", "top", "bottom"),
        }),
        { minLength: 1, maxLength: 8 },
      ),
      (start, deeds) => {
        let tree = start;
        let known = ids(start);
        for (const [k, { does, pick, edge }] of deeds.entries()) {
          const id = known[pick % known.length]!;
          const way = edge === "left" || edge === "right" ? "side" : "stack";
          if (does === "beside") {
            tree = withBeside(tree, id, edge, { tileId: `n${k}`, aspect: 1.5 });
            known = [...known, `n${k}`];
          } else if (does === "halve") {
            tree = withHalves(tree, id, way, `n${k}`);
            known = [...known, `n${k}`];
          } else if (does === "take") {
            const left = without(tree, id, room, gap);
            if (known.length === 1) expect(left).toBeUndefined();
            if (!left) continue;
            tree = left;
            known = known.filter((i) => i !== id);
          } else tree = mirrored(tree, way);
          const rects = treeRects(tree, room, gap);
          fc.pre(Math.min(...[...rects.values()].map((r) => Math.min(r.w, r.h))) > 2 * gap);
          expectWhole(tree, known);
        }
      },
    ),
    { numRuns: 80 },
  );
});

test("halving leaves everything around where it is, and taking a tile away gives its room to the one beside it", () => {
  const tree = exactFit({
    photos: [1.5, 0.67, 1.5, 1.5, 0.67, 1].map((aspect, i) => ({ tileId: `t${i}`, aspect })),
    room,
    gap,
    seed: 1,
  });
  const before = treeRects(tree, room, gap);
  const halved = treeRects(withHalves(tree, "t2", "side", "new"), room, gap);
  for (const [id, r] of before) if (id !== "t2") expect(halved.get(id)!.w).toBeCloseTo(r.w, 5);
  expect(halved.get("t2")!.w + halved.get("new")!.w + gap).toBeCloseTo(before.get("t2")!.w, 5);
  const gone = treeRects(without(tree, "t2", room, gap)!, room, gap);
  const grown = [...gone].filter(([id, r]) => r.w * r.h > before.get(id)!.w * before.get(id)!.h * 1.01);
  expect(grown.length).toBeGreaterThan(0);
});

test("halves that a hand made unlike stay so when a part beside them joins their row", () => {
  const leaf = (tileId: string) => ({ tileId, aspect: 1 });
  const row: TreeNode = { way: "side", parts: [leaf("c"), leaf("d")] };
  const tree: TreeNode = { way: "side", parts: [leaf("a"), { way: "stack", parts: [leaf("b"), row] }] };
  const halved = withHalves(tree, "a", "side", "a2");
  const seam = treeSeams(halved, room, gap).find((s) => `${s.path}` === "0")!;
  const moved = withSeamAt(halved, seam, seam.at + 10, room, gap);
  const share = (rects: Map<string, Rect>) => rects.get("a")!.w / rects.get("a2")!.w;
  const before = share(expectWhole(moved, ["a", "a2", "b", "c", "d"]));
  expect(before).toBeGreaterThan(1.1);
  const joined = without(moved, "b", room, gap)!;
  expect(share(expectWhole(joined, ["a", "a2", "c", "d"]))).toBeCloseTo(before, 6);
  // The two that nobody set are of the page's row now, beside the part that stays one.
  expect("parts" in joined && joined.parts.map((p) => ("parts" in p ? p.parts.length : 1))).toEqual([2, 1, 1]);
});

test("seams in one line are found together", () => {
  const leaf = (tileId: string) => ({ tileId, aspect: 1 });
  const row = (a: string, b: string): TreeNode => ({ way: "side", parts: [leaf(a), leaf(b)] });
  const tree: TreeNode = {
    way: "stack",
    parts: [row("a", "b"), row("c", "d"), { way: "side", parts: [leaf("e"), leaf("f"), leaf("g")] }],
  };
  const seams = treeSeams(tree, room, gap);
  const upright = seams.filter((s) => s.across);
  expect(inLineWith(upright[0]!, seams, gap)).toHaveLength(2);
  expect(inLineWith(upright[2]!, seams, gap)).toHaveLength(1);
});

test("there are eight really different ways and more, the best first, each saying what it does", () => {
  fc.assert(
    fc.property(fc.array(shapes, { minLength: 4, maxLength: 16 }), fc.nat(20), (aspects, seed) => {
      const photos = aspects.map((aspect, i) => ({ tileId: `t${i}`, aspect }));
      const ways = alternatives({ photos, room, gap, seed }, 8);
      expect(ways.length).toBeGreaterThanOrEqual(8);
      for (const way of ways) {
        expect(leavesOf(way.tree)).toHaveLength(photos.length);
        expect(way.worstCrop).toBeGreaterThanOrEqual(way.crop - 1e-9);
        if (way.loose) expect(way.worstCrop).toBeLessThan(1e-6);
      }
      expect(new Set(ways.map((w) => w.kind)).size).toBeGreaterThanOrEqual(3);
      expect(ways.map((w) => w.cost)).toEqual(ways.map((w) => w.cost).sort((a, b) => a - b));
      const again = alternatives({ photos, room, gap, seed }, 8);
      expect(again).toEqual(ways);
    }),
    { numRuns: 12 },
  );
  expect(alternatives({ photos: [], room, gap, seed: 1 }, 8)).toEqual([]);
  expect(alternatives({ photos: [{ tileId: "a", aspect: 1.5 }], room, gap, seed: 1 }, 8).length).toBeGreaterThanOrEqual(
    2,
  );
});

test("where a way would cut a face, it comes after one that does not", () => {
  const photos = [1.5, 1.5, 0.67, 1.5, 0.67].map((aspect, i) => ({ tileId: `t${i}`, aspect }));
  const plain = alternatives({ photos, room, gap, seed: 3 }, 8);
  const best = treeRects(plain[0]!.tree, room, gap);
  const shapeOf = (i: number) => best.get(`t${i}`)!.w / best.get(`t${i}`)!.h;
  const careful = alternatives(
    { photos, room, gap, seed: 3, cutsFace: (i, tileAspect) => Math.abs(tileAspect - shapeOf(i)) < 1e-6 },
    8,
  );
  expect(careful[0]!.tree).not.toEqual(plain[0]!.tree);
  expect(cropOf(1.5, 1)).toBeCloseTo(1 / 3);
});
