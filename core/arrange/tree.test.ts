import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Rect } from "#core/geometry";
import { seededRandom } from "#core/random";
import {
  cropOf,
  exactFit,
  isLeaf,
  judged,
  leavesOf,
  looseRects,
  mapLeaves,
  type TreeNode,
  treeRects,
} from "./index.ts";
import { tilingFault } from "./tiled.fixture.ts";

const aspect = fc.constantFrom(3 / 2, 2 / 3, 4 / 3, 3 / 4, 1, 16 / 9, 9 / 16, 3, 0.4, 2.5);
const room = fc.record({ w: fc.integer({ min: 100, max: 700 }), h: fc.integer({ min: 100, max: 500 }) });
const at = (size: { w: number; h: number }): Rect => ({ x: 12, y: 7, ...size });

/** Any tree at all over a number of leaves, ways alternating as they must. */
const treeOver = (leaves: readonly { tileId: string; aspect: number }[]): fc.Arbitrary<TreeNode> => {
  const build = (from: number, to: number, not?: string): fc.Arbitrary<TreeNode> => {
    if (to - from === 1) return fc.constant(leaves[from]!);
    return fc
      .tuple(fc.constantFrom<"side" | "stack">("side", "stack"), fc.integer({ min: from + 1, max: to - 1 }))
      .chain(([wanted, cut]) => {
        const way = wanted === not ? (wanted === "side" ? "stack" : "side") : wanted;
        return fc.tuple(build(from, cut, way), build(cut, to, way)).map(([a, b]): TreeNode => ({ way, parts: [a, b] }));
      });
  };
  return build(0, leaves.length);
};
const anyTree = fc
  .array(aspect, { minLength: 2, maxLength: 12 })
  .chain((aspects) => treeOver(aspects.map((a, i) => ({ tileId: `t${i}`, aspect: a }))));

test("any tree fills any room exactly, with every gap the same", () => {
  fc.assert(
    fc.property(anyTree, room, fc.integer({ min: 0, max: 4 }), (tree, size, gap) => {
      const rects = [...treeRects(tree, at(size), gap).values()];
      // Where the plain solution leaves something no room, gaps are narrower than asked; that is another test.
      fc.pre(Math.min(...rects.map((r) => Math.min(r.w, r.h))) > 2 * gap);
      expect(tilingFault(rects, at(size), gap)).toBeUndefined();
    }),
    { numRuns: 400 },
  );
});

test("without gaps all photos share one crop, and it is the one of the closed form", () => {
  fc.assert(
    fc.property(anyTree, room, (tree, size) => {
      const rects = treeRects(tree, at(size), 0);
      const factors = leavesOf(tree).map(({ tileId, aspect: a }) => rects.get(tileId)!.w / rects.get(tileId)!.h / a);
      const line = (node: TreeNode): number =>
        isLeaf(node)
          ? node.aspect
          : node.way === "side"
            ? node.parts.reduce((sum, p) => sum + line(p), 0)
            : 1 / node.parts.reduce((sum, p) => sum + 1 / line(p), 0);
      for (const f of factors) expect(f / (size.w / size.h / line(tree))).toBeCloseTo(1, 6);
    }),
  );
});

test("a gap wider than the room can bear turns nothing inside out", () => {
  fc.assert(
    fc.property(anyTree, fc.integer({ min: 20, max: 600 }), (tree, gap) => {
      const rects = [...treeRects(tree, { x: 0, y: 0, w: 100, h: 80 }, gap).values()];
      for (const r of rects) {
        expect(Math.min(r.w, r.h)).toBeGreaterThan(0);
        expect(Math.max(r.x + r.w - 100, r.y + r.h - 80)).toBeLessThan(1e-6);
      }
    }),
  );
});

test("with white space around them, photos are not cropped at all", () => {
  fc.assert(
    fc.property(anyTree, room, fc.integer({ min: 0, max: 3 }), (tree, size, gap) => {
      const rects = looseRects(tree, at(size), gap);
      fc.pre(Math.min(...[...rects.values()].map((r) => Math.min(r.w, r.h))) > 3 * gap);
      for (const { tileId, aspect: a } of leavesOf(tree)) {
        const r = rects.get(tileId)!;
        expect(cropOf(a, r.w / r.h)).toBeLessThan(1e-6);
      }
    }),
  );
});

test("the exact fit holds every photo once, fills the page, crops next to nothing and is the same for the same seed", () => {
  fc.assert(
    fc.property(
      fc.array(aspect, { minLength: 8, maxLength: 30 }),
      fc.constantFrom({ w: 305, h: 305 }, { w: 216, h: 279 }, { w: 610, h: 305 }),
      fc.constantFrom(0, 3, 6),
      fc.nat(1000),
      (aspects, size, gap, seed) => {
        const photos = aspects.map((a, i) => ({ tileId: `p${i}`, aspect: a }));
        const tree = exactFit({ photos, room: size, gap, seed });
        expect(
          leavesOf(tree)
            .map((l) => l.tileId)
            .sort(),
        ).toEqual(photos.map((p) => p.tileId).sort());
        const rects = treeRects(tree, { x: 0, y: 0, ...size }, gap);
        expect(tilingFault([...rects.values()], { x: 0, y: 0, ...size }, gap)).toBeUndefined();
        const crops = photos.map((p) => cropOf(p.aspect, rects.get(p.tileId)!.w / rects.get(p.tileId)!.h));
        expect(Math.max(...crops)).toBeLessThan(0.12);
        expect(exactFit({ photos, room: size, gap, seed })).toEqual(tree);
      },
    ),
    { numRuns: 12 },
  );
});

test("a photo that leads gets about its share, and one, two and odd photos have a page too", () => {
  const twelve = Array.from({ length: 12 }, (_, i) => ({ tileId: `p${i}`, aspect: i % 3 ? 1.5 : 0.667, weight: 1 }));
  const led = twelve.with(4, { ...twelve[4]!, weight: (0.4 / 0.6) * 11 });
  const rects = treeRects(
    exactFit({ photos: led, room: { w: 300, h: 300 }, gap: 3, seed: 5 }),
    at({ w: 300, h: 300 }),
    3,
  );
  const areas = led.map((p) => rects.get(p.tileId)!.w * rects.get(p.tileId)!.h);
  const share = areas[4]! / areas.reduce((a, b) => a + b, 0);
  expect(share).toBeGreaterThan(0.33);
  expect(share).toBeLessThan(0.48);
  const only = exactFit({ photos: twelve.slice(0, 1), room: { w: 100, h: 80 }, gap: 3, seed: 0 });
  expect(treeRects(only, { x: 0, y: 0, w: 100, h: 80 }, 3).get("p0")).toEqual({ x: 0, y: 0, w: 100, h: 80 });
  const slips = [50, 0.02, 1].map((a, i) => ({ tileId: `s${i}`, aspect: a }));
  for (const r of treeRects(
    exactFit({ photos: slips, room: { w: 100, h: 80 }, gap: 1, seed: 0 }),
    at({ w: 100, h: 80 }),
    1,
  ).values())
    expect(Math.min(r.w, r.h)).toBeGreaterThan(2);
});

test("a tile whose shape is asked for has it, and the page stays exact around it", () => {
  fc.assert(
    fc.property(anyTree, room, fc.nat(11), fc.constantFrom(1, 3 / 2, 4 / 5), (tree, size, pick, wanted) => {
      const leaves = leavesOf(tree);
      const one = leaves[pick % leaves.length]!.tileId;
      const shaped = mapLeaves(tree, (l) => (l.tileId === one ? { ...l, aspect: wanted, shaped: true } : l));
      const rects = treeRects(shaped, at(size), 2);
      const plain = treeRects(tree, at(size), 2);
      const stretch = plain.get("t0")!.w / plain.get("t0")!.h / leaves[0]!.aspect;
      // Pages that bend photos by more than half are none that anybody makes.
      fc.pre(Math.abs(Math.log(stretch)) < 0.5 && leaves.length > 3);
      fc.pre(Math.min(...[...plain.values()].map((r) => Math.min(r.w, r.h))) > 8);
      expect(tilingFault([...rects.values()], at(size), 2)).toBeUndefined();
      const r = rects.get(one)!;
      // A leaf right under the root spans the page, and then its shape is the page's to give.
      const spans = r.w > size.w - 1e-6 || r.h > size.h - 1e-6;
      if (!spans) expect(Math.abs(Math.log(r.w / r.h / wanted))).toBeLessThan(0.02);
    }),
    { numRuns: 200 },
  );
});

test("photos that are to stay in order are read in it, whatever their shapes and however many", () => {
  const random = seededRandom(11);
  for (let round = 0; round < 16; round += 1) {
    const count = 3 + Math.floor(random() * 13);
    const photos = Array.from({ length: count }, (_, i) => ({
      tileId: `t${i}`,
      aspect: [1.5, 0.667, 1.333, 0.75, 1, 1.78][Math.floor(random() * 6)]!,
    }));
    const task = {
      photos,
      room: { x: 0, y: 0, w: 200, h: 200 + 100 * random() },
      gap: 3,
      seed: round,
      order: "kept",
    } as const;
    expect(judged(task, "exact", exactFit(task), false).order).toBe(1);
  }
});
