import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { cropOf, exactFit, leavesOf, mapLeaves, treeRects } from "./index.ts";
import { tilingFault } from "./tiled.fixture.ts";

const shapes = [1.5, 0.667, 1.333, 1, 0.75, 1.778] as const;
const photos = fc.array(fc.constantFrom(...shapes), { minLength: 2, maxLength: 14 });
const room = { x: 10, y: 5, w: 280, h: 210 };

/** A page arranged with the first `many` photos equally large. */
function arranged(aspects: readonly number[], many: number, gap: number, seed: number) {
  const tree = exactFit({
    photos: aspects.map((aspect, i) => ({ tileId: `t${i}`, aspect, ...(i < many ? { equal: 1 } : {}) })),
    room,
    gap,
    seed,
  });
  return { tree, rects: treeRects(tree, room, gap) };
}

test("tiles that are to be equally large are so to a thousandth, and the page stays full with even gaps", () => {
  fc.assert(
    fc.property(photos, fc.nat({ max: 12 }), fc.nat({ max: 4 }), fc.nat({ max: 99 }), (aspects, more, gap, seed) => {
      const many = Math.min(aspects.length, 2 + more);
      const { rects } = arranged(aspects, many, gap, seed);
      const areas = Array.from({ length: many }, (_, i) => rects.get(`t${i}`)!.w * rects.get(`t${i}`)!.h);
      expect(Math.max(...areas) / Math.min(...areas)).toBeLessThan(1.001);
      expect(tilingFault([...rects.values()], room, gap)).toBeUndefined();
    }),
    { numRuns: 120 },
  );
});

test("two sets are each equal in themselves, a tile of a given shape keeps it, and another gap changes nothing of that", () => {
  const tree = exactFit({
    photos: [1.5, 0.667, 1.5, 1, 1.333, 0.75, 1.5, 1].map((aspect, i) => ({
      tileId: `t${i}`,
      aspect,
      ...(i < 6 ? { equal: 1 + (i % 2) } : {}),
    })),
    room,
    gap: 2,
    seed: 4,
  });
  const shaped = mapLeaves(tree, (l) => (l.tileId === "t7" ? { ...l, aspect: 1.2, shaped: true } : l));
  for (const gap of [0, 2, 9]) {
    const rects = treeRects(shaped, room, gap);
    const area = (id: string) => rects.get(id)!.w * rects.get(id)!.h;
    for (const [a, b] of [
      ["t0", "t2"],
      ["t2", "t4"],
      ["t1", "t3"],
      ["t3", "t5"],
    ] as const)
      expect(area(a) / area(b)).toBeCloseTo(1, 4);
    expect(rects.get("t7")!.w / rects.get("t7")!.h).toBeCloseTo(1.2, 4);
  }
});

test("the search looks for a page on which that costs little", () => {
  let [asked, forced] = [0, 0];
  const meanCrop = (tree: Parameters<typeof treeRects>[0]) => {
    const rects = treeRects(tree, room, 3);
    const leaves = leavesOf(tree);
    return (
      leaves.reduce((s, l) => s + cropOf(l.aspect, rects.get(l.tileId)!.w / rects.get(l.tileId)!.h), 0) / leaves.length
    );
  };
  for (let seed = 0; seed < 12; seed += 1) {
    const aspects = Array.from({ length: 9 }, (_, i) => shapes[(i * 5 + seed) % shapes.length]!);
    asked += meanCrop(arranged(aspects, 5, 3, seed).tree) / 12;
    const plain = exactFit({ photos: aspects.map((aspect, i) => ({ tileId: `t${i}`, aspect })), room, gap: 3, seed });
    forced += meanCrop(mapLeaves(plain, (l) => (Number(l.tileId.slice(1)) < 5 ? { ...l, equal: 1 } : l))) / 12;
  }
  expect(asked).toBeLessThan(0.12);
  expect(asked).toBeLessThan(forced / 2);
});
