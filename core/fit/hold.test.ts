import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { firstFraming, framingUnder, type Hold, heldAt, heldBy, heldWithout, levelled, settled } from "./index.ts";

const tile = { x: 10, y: 20, w: 60, h: 40 };
const start = settled(1.5, tile, { ...firstFraming, zoom: 1.8 });
const point = fc.record({
  x: fc.double({ min: -25, max: 25, noNaN: true }),
  y: fc.double({ min: -15, max: 15, noNaN: true }),
});

test("a photo follows the finger that holds it, and fingers that come or go move nothing by themselves", () => {
  fc.assert(
    fc.property(point, point, point, (a, b, c) => {
      fc.pre(Math.hypot(b.x - c.x, b.y - c.y) > 1);
      const at = (hold: Hold) => settled(1.5, tile, framingUnder(hold, 1.5, tile));
      const one = heldAt(heldBy(undefined, 1, a, start), 1, b);
      const moved = at(one);
      const two = heldBy(one, 2, c, moved);
      expect(at(two).centre.x).toBeCloseTo(moved.centre.x, 9);
      expect(at(two).zoom).toBeCloseTo(moved.zoom, 9);
      const left = heldWithout(two, 1, moved)!;
      expect(at(left).centre.y).toBeCloseTo(moved.centre.y, 9);
      expect(heldWithout(left, 2, moved)).toBeUndefined();
      expect(heldAt(one, 7, c)).toBe(one);
    }),
  );
});

test("fingers that part make the photo larger by as much as they part", () => {
  const both = heldBy(heldBy(undefined, 1, { x: -5, y: 0 }, start), 2, { x: 5, y: 0 }, start);
  const apart = heldAt(heldAt(both, 1, { x: -7.5, y: 0 }), 2, { x: 7.5, y: 0 });
  expect(framingUnder(apart, 1.5, tile).zoom).toBeCloseTo(1.5 * start.zoom, 6);
});

test("a line that was drawn comes to lie level; a click draws none", () => {
  const turn = levelled({ ...start, turn: 0 }, { x: -10, y: 1 }, { x: 10, y: -1 })!.turn;
  expect(turn).toBeCloseTo((Math.atan2(2, 20) * 180) / Math.PI, 6);
  expect(levelled(start, { x: 0, y: 0 }, { x: 2, y: 2 })).toBeUndefined();
});
