import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  combinedRings,
  evenOddRings,
  flattened,
  insetRings,
  offsetRings,
  type PathData,
  type Point,
  type Rect,
  type Ring,
  record,
  ringArea,
  ringsHold,
  rotation,
  traceRect,
  transformed,
} from "./index.ts";

const ringOf = (r: Rect): Ring => flattened(record((to) => traceRect(r, to)))[0]!;
const areaOf = (rings: readonly Ring[]): number => rings.reduce((sum, r) => sum + ringArea(r), 0);
const reversed = (ring: Ring): Ring => [...ring].reverse();

const length = fc.double({ min: 5, max: 80, noNaN: true });
/** Turned rectangles that often overlap, of any turn. */
const turned = fc
  .tuple(
    fc.double({ min: -30, max: 30, noNaN: true }),
    fc.double({ min: -30, max: 30, noNaN: true }),
    length,
    length,
    fc.double({ min: 0, max: 6, noNaN: true }),
  )
  .map(
    ([x, y, w, h, turn]): Ring =>
      flattened(
        transformed(
          record((to) => traceRect({ x, y, w, h }, to)),
          rotation(turn),
        ),
      )[0]!,
  );

test("a ring's area is positive where it runs clockwise on screen, and its sign alone changes with its direction", () => {
  fc.assert(
    fc.property(length, length, (w, h) => {
      const ring = ringOf({ x: 3, y: -4, w, h });
      expect(ringArea(ring)).toBeCloseTo(w * h, 6);
      expect(ringArea(reversed(ring))).toBeCloseTo(-w * h, 6);
    }),
  );
});

test("what lies in both, in either and in the first alone add up, and hold the points that they should", () => {
  fc.assert(
    fc.property(
      turned,
      turned,
      fc.double({ min: -40, max: 60, noNaN: true }),
      fc.double({ min: -40, max: 60, noNaN: true }),
      (a, b, x, y) => {
        const both = combinedRings([a], [b], "intersection");
        const either = combinedRings([a], [b], "union");
        const first = combinedRings([a], [b], "difference");
        expect(areaOf(either)).toBeCloseTo(areaOf([a]) + areaOf([b]) - areaOf(both), 0);
        expect(areaOf(first)).toBeCloseTo(areaOf([a]) - areaOf(both), 0);
        const p = { x, y };
        if ([a, b].some((ring) => fromEdge(ring, p) < 0.01)) return;
        const [inA, inB] = [ringsHold([a], p), ringsHold([b], p)];
        expect(ringsHold(both, p)).toBe(inA && inB);
        expect(ringsHold(either, p)).toBe(inA || inB);
        expect(ringsHold(first, p)).toBe(inA && !inB);
      },
    ),
  );
});

/** How far a point lies from the nearest side. */
function fromEdge(ring: Ring, p: Point): number {
  return Math.min(
    ...ring.map((a, i) => {
      const b = ring[(i + 1) % ring.length]!;
      const along = ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / ((b.x - a.x) ** 2 + (b.y - a.y) ** 2);
      const t = Math.min(1, Math.max(0, along));
      return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
    }),
  );
}

test("slivers that are left of sides that were shared are dropped, and nothing that can be seen", () => {
  const ring = ringOf({ x: 0, y: 0, w: 10, h: 4 });
  expect(combinedRings([ring], [ringOf({ x: 9.9999, y: 0, w: 10, h: 4 })], "intersection")).toEqual([]);
  expect(combinedRings([ring], [ringOf({ x: 9.99, y: 0, w: 10, h: 4 })], "intersection")).toHaveLength(1);
});

test("a ring within a ring is a hole by the even-odd rule, whichever way the two run", () => {
  const outer = ringOf({ x: 0, y: 0, w: 30, h: 20 });
  const inner = ringOf({ x: 10, y: 5, w: 6, h: 4 });
  for (const hole of [inner, reversed(inner)]) {
    const rings = evenOddRings([outer, hole]);
    expect(areaOf(rings)).toBeCloseTo(30 * 20 - 6 * 4, 6);
    expect(ringsHold(rings, { x: 12, y: 7 })).toBe(false);
    expect(ringsHold(rings, { x: 2, y: 7 })).toBe(true);
  }
});

test("a rectangle moved outwards grows by its strips and by squares or quarter circles at its corners; inwards it ends", () => {
  fc.assert(
    fc.property(length, length, fc.double({ min: 0.1, max: 12, noNaN: true }), (w, h, by) => {
      const ring = ringOf({ x: 1, y: 2, w, h });
      expect(areaOf(offsetRings([ring], by, "mitre"))).toBeCloseTo((w + 2 * by) * (h + 2 * by), 0);
      const round = w * h + 2 * by * (w + h) + Math.PI * by * by;
      expect(Math.abs(areaOf(offsetRings([ring], by, "round")) - round)).toBeLessThan(0.02 * (w + h + 4 * by));
      const left = Math.max(0, w - 2 * by) * Math.max(0, h - 2 * by);
      expect(Math.abs(areaOf(insetRings([ring], by)) - left)).toBeLessThan(0.1);
    }),
  );
});

test("tips stay sharp when a shape is moved outwards, until they would reach ten times as far", () => {
  /** A tip of so many degrees, pointing right. */
  const tip = (degrees: number): Ring => {
    const half = 50 * Math.tan((degrees * Math.PI) / 360);
    return [
      { x: 0, y: -half },
      { x: 50, y: 0 },
      { x: 0, y: half },
    ];
  };
  const reach = (degrees: number) => Math.max(...offsetRings([tip(degrees)], 1, "mitre")[0]!.map((p) => p.x)) - 50;
  for (const degrees of [90, 60, 30, 15])
    expect(reach(degrees)).toBeCloseTo(1 / Math.sin((degrees * Math.PI) / 360), 2);
  expect(reach(8)).toBeLessThan(3);
});

test("straight pieces follow a curve to five thousandths of a millimetre", () => {
  const coordinate = fc.double({ min: -100, max: 100, noNaN: true });
  fc.assert(
    fc.property(fc.array(coordinate, { minLength: 8, maxLength: 8 }), (n) => {
      const [ax, ay, bx, by, cx, cy, dx, dy] = n as [number, number, number, number, number, number, number, number];
      const path: PathData = [["M", ax, ay], ["C", bx, by, cx, cy, dx, dy], ["L", 200, 200], ["Z"]];
      const [ring] = flattened(path);
      if (!ring) return;
      const mix = (t: number, a: number, b: number, c: number, d: number) =>
        (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t * t * c + t ** 3 * d;
      const off = Array.from({ length: 98 }, (_, i) =>
        fromEdge(ring, { x: mix(i / 97, ax, bx, cx, dx), y: mix(i / 97, ay, by, cy, dy) }),
      );
      expect(Math.max(...off)).toBeLessThan(0.0052);
    }),
    { numRuns: 40 },
  );
});
