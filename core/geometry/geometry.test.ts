import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  applyTo,
  chain,
  containsPoint,
  inset,
  insetSides,
  inverse,
  record,
  replay,
  rotation,
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
