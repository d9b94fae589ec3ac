import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  applyTo,
  aroundPoints,
  centreOf,
  chain,
  containsPoint,
  enclosing,
  inset,
  insetSides,
  inverse,
  type Rect,
  record,
  rectAround,
  replay,
  rotation,
  scaledSides,
  scaling,
  traceRoundedRect,
  translation,
} from "./index.ts";

const number = fc.double({ min: -500, max: 500, noNaN: true });
const size = fc.double({ min: 0, max: 500, noNaN: true });

test("a matrix and its inverse lead back to the same point", () => {
  fc.assert(
    fc.property(number, number, number, fc.double({ min: 0.1, max: 9, noNaN: true }), (x, y, turn, k) => {
      const m = chain(translation(y, x), rotation(turn), scaling(k, 2 * k));
      const back = applyTo(inverse(m), applyTo(m, { x, y }));
      expect(back.x).toBeCloseTo(x, 5);
      expect(back.y).toBeCloseTo(y, 5);
    }),
  );
});

test("a matrix without an inverse throws", () => {
  expect(() => inverse(scaling(0, 1))).toThrow(RangeError);
});

test("shrinking a rectangle never turns it inside out", () => {
  fc.assert(
    fc.property(size, size, size, size, size, size, (w, h, top, right, bottom, left) => {
      for (const r of [
        inset({ x: 3, y: 4, w, h }, top),
        insetSides({ x: 3, y: 4, w, h }, { top, right, bottom, left }),
      ]) {
        expect(r.w).toBeGreaterThanOrEqual(-1e-9);
        expect(r.h).toBeGreaterThanOrEqual(-1e-9);
        expect(r.x).toBeGreaterThanOrEqual(3 - 1e-9);
        expect(r.x + r.w).toBeLessThanOrEqual(3 + w + 1e-9);
      }
    }),
  );
});

test("sides that leave room are taken off as they are; those that do not meet where their shares say", () => {
  const r = { x: 10, y: 20, w: 30, h: 40 };
  expect(insetSides(r, { top: 1, right: 2, bottom: 3, left: 4 })).toEqual({ x: 14, y: 21, w: 24, h: 36 });
  expect(insetSides(r, { top: 60, right: 15, bottom: 20, left: 45 })).toEqual({ x: 32.5, y: 50, w: 0, h: 0 });
  expect(inset(r, -5)).toEqual({ x: 5, y: 15, w: 40, h: 50 });
  expect(inset(r, 18)).toEqual({ x: 25, y: 38, w: 0, h: 4 });
  expect(scaledSides({ top: 1, right: 2.04, bottom: 3, left: 0.26 }, 0.5)).toEqual({
    top: 0.5,
    right: 1,
    bottom: 1.5,
    left: 0.1,
  });
});

test("the rectangle around two others, or around points, holds them all and touches one on each side", () => {
  const point = fc.record({ x: number, y: number });
  fc.assert(
    fc.property(
      fc.array(point, { minLength: 1, maxLength: 9 }),
      fc.record({ x: number, y: number, w: size, h: size }),
      (points, r) => {
        const around = aroundPoints(points);
        const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
        expect(around.x).toBe(Math.min(...xs));
        expect(around.y).toBe(Math.min(...ys));
        expect(around.x + around.w).toBeCloseTo(Math.max(...xs), 9);
        expect(around.y + around.h).toBeCloseTo(Math.max(...ys), 9);
        const corners = (of: Rect) => [
          { x: of.x, y: of.y },
          { x: of.x + of.w, y: of.y + of.h },
        ];
        expect(enclosing(around, r)).toEqual(aroundPoints([...corners(around), ...corners(r)]));
        const again = rectAround(centreOf(r), r);
        expect(again.x).toBeCloseTo(r.x, 9);
        expect(again.y).toBeCloseTo(r.y, 9);
      },
    ),
  );
});

test("a rectangle holds its corners, and nothing beside any of its sides", () => {
  const r = { x: 2, y: 3, w: 5, h: 7 };
  for (const x of [2, 7]) for (const y of [3, 10]) expect(containsPoint(r, { x, y })).toBe(true);
  for (const [x, y] of [
    [1.99, 5],
    [7.01, 5],
    [4, 2.99],
    [4, 10.01],
  ] as const)
    expect(containsPoint(r, { x, y })).toBe(false);
});

test("a rounded rectangle stays inside its box, and its radius inside half of it", () => {
  fc.assert(
    fc.property(size, size, size, (w, h, radius) => {
      const box = { x: -1e-6, y: -1e-6, w: w + 2e-6, h: h + 2e-6 };
      const path = record((to) => traceRoundedRect({ x: 0, y: 0, w, h }, radius, to));
      for (const s of path) {
        const end = s.slice(-2) as [number, number];
        if (s[0] !== "Z") expect(containsPoint(box, { x: end[0], y: end[1] })).toBe(true);
      }
    }),
  );
});

test("a recorded outline is drawn again as it was", () => {
  const path = record((to) => traceRoundedRect({ x: 1, y: 2, w: 30, h: 20 }, 5, to));
  expect(record((to) => replay(path, to))).toEqual(path);
  expect(path.filter((s) => s[0] === "C")).toHaveLength(4);
});
