import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  applyTo,
  chain,
  flattened,
  multiply,
  type PathData,
  pathInShares,
  pathOfRings,
  type Rect,
  record,
  ringArea,
  ringsHold,
  rotation,
  scaling,
  traceEllipse,
  traceRect,
  traceRings,
  traceRoundedRect,
  traceRoundedWithin,
  transformed,
  translation,
} from "./index.ts";

const place = fc.double({ min: -300, max: 300, noNaN: true });
const length = fc.double({ min: 1, max: 300, noNaN: true });
const rect: fc.Arbitrary<Rect> = fc.record({ x: place, y: place, w: length, h: length });

const areaOf = (path: PathData): number => flattened(path).reduce((sum, ring) => sum + ringArea(ring), 0);
/** Straight pieces lie within 0.005 mm of their curve, and its cubics within 0.03 percent of the circle. */
const closeTo = (area: number, path: PathData, r: Rect) =>
  expect(Math.abs(areaOf(path) - area)).toBeLessThan(0.02 * (r.w + r.h) + 0.0004 * r.w * r.h);

test("a turn goes clockwise on screen, and matrices happen from the last to the first", () => {
  const right = applyTo(rotation(Math.PI / 2), { x: 1, y: 0 });
  expect(right.x).toBeCloseTo(0);
  expect(right.y).toBeCloseTo(1);
  expect(applyTo(multiply(translation(5, 7), scaling(2, 3)), { x: 1, y: 1 })).toEqual({ x: 7, y: 10 });
  expect(applyTo(chain(scaling(2, 3), translation(5, 7)), { x: 1, y: 1 })).toEqual({ x: 12, y: 24 });
});

test("an ellipse fills its rectangle, and no point of it lies off by more than 0.03 percent", () => {
  fc.assert(
    fc.property(rect, (r) => {
      const path = record((to) => traceEllipse(r, to));
      closeTo((Math.PI / 4) * r.w * r.h, path, r);
      const off = flattened(path)[0]!.map((p) =>
        Math.abs(Math.hypot((2 * (p.x - r.x)) / r.w - 1, (2 * (p.y - r.y)) / r.h - 1) - 1),
      );
      expect(Math.max(...off)).toBeLessThan(0.0003);
    }),
  );
});

test("a rounded rectangle loses what its four corners lose, by a radius of no more than half its shorter side", () => {
  fc.assert(
    fc.property(rect, fc.double({ min: -5, max: 400, noNaN: true }), (r, radius) => {
      const k = Math.min(Math.max(radius, 0), r.w / 2, r.h / 2);
      closeTo(
        r.w * r.h - (4 - Math.PI) * k * k,
        record((to) => traceRoundedRect(r, radius, to)),
        r,
      );
      if (radius <= 0)
        expect(record((to) => traceRoundedRect(r, radius, to))).toEqual(record((to) => traceRect(r, to)));
    }),
  );
});

test("straight sides that go on out to another rectangle add their strips, and nothing at the corners", () => {
  const gap = fc.constantFrom(0, 0.5, 3, 20);
  fc.assert(
    fc.property(
      rect,
      fc.double({ min: 0, max: 100, noNaN: true }),
      gap,
      gap,
      gap,
      gap,
      (r, radius, top, right, foot, left) => {
        const k = Math.min(radius, r.w / 2, r.h / 2);
        const outer = { x: r.x - left, y: r.y - top, w: r.w + left + right, h: r.h + top + foot };
        const path = record((to) => traceRoundedWithin(r, radius, outer, to));
        const strips = (r.w - 2 * k) * (top + foot) + (r.h - 2 * k) * (left + right);
        closeTo(r.w * r.h - (4 - Math.PI) * k * k + strips, path, outer);
        const rings = flattened(path);
        expect(ringsHold(rings, { x: r.x + r.w / 2, y: r.y + r.h / 2 })).toBe(true);
        if (k > 0.5) expect(ringsHold(rings, { x: r.x + r.w - 0.05 * k, y: r.y + 0.05 * k })).toBe(false);
      },
    ),
  );
});

test("a path that is moved, turned and stretched is as large as its matrix makes it, point by point", () => {
  fc.assert(
    fc.property(rect, place, fc.double({ min: 0.2, max: 4, noNaN: true }), (r, turn, k) => {
      const m = chain(translation(turn, -r.x), rotation(turn), scaling(k, 1 / k));
      const path = record((to) => traceRoundedRect(r, 4, to));
      const moved = transformed(path, m);
      expect(moved.map((s) => s[0])).toEqual(path.map((s) => s[0]));
      const points = (of: PathData) =>
        of.flatMap(([, ...n]) => n.flatMap((v, i) => (i % 2 === 0 ? [{ x: v, y: n[i + 1]! }] : [])));
      const [there, here] = [points(moved), points(path).map((p) => applyTo(m, p))];
      expect(there.length).toBe(here.length);
      const apart = there.map((p, i) => Math.hypot(p.x - here[i]!.x, p.y - here[i]!.y));
      expect(Math.max(...apart)).toBeLessThan(1e-6);
    }),
  );
});

test("shares of a box lead back to the path that they were taken of", () => {
  fc.assert(
    fc.property(rect, rect, (r, box) => {
      const path = record((to) => traceRoundedRect(r, 3, to));
      const back = transformed(pathInShares(path, box), chain(translation(box.x, box.y), scaling(box.w, box.h)));
      const flat = (of: PathData) => of.flatMap(([, ...numbers]) => numbers as readonly number[]);
      const apart = flat(back).map((v, i) => Math.abs(v - flat(path)[i]!));
      expect(Math.max(...apart)).toBeLessThan(1e-6);
    }),
  );
});

test("rings become a path and the same rings again; a ring of no points is no line", () => {
  const rings = [
    [
      { x: 0, y: 0 },
      { x: 9, y: 0 },
      { x: 9, y: 4 },
    ],
    [
      { x: 20, y: 1 },
      { x: 30, y: 1 },
      { x: 24, y: 8 },
      { x: 21, y: 6 },
    ],
  ];
  expect(flattened(pathOfRings(rings))).toEqual(rings);
  expect(record((to) => traceRings([...rings, []], to))).toEqual(pathOfRings(rings));
});
