import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Rect } from "#core/geometry";
import { accentColour, accentPlaces, centreOfWeight, leanOf, weightsOf } from "./index.ts";

const [w, h] = [60, 40];
/** A white page with a rectangle of a colour on it, all in shares. */
function page({ x, y, w: wide, h: high }: Rect, rgb: readonly number[]): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray(w * h * 4).fill(255);
  for (let row = 0; row < h; row += 1)
    for (let col = 0; col < w; col += 1) {
      const [u, v] = [(col + 0.5) / w, (row + 0.5) / h];
      if (u < x || v < y || u > x + wide || v > y + high) continue;
      for (const [c, value] of rgb.entries()) rgba[4 * (row * w + col) + c] = value;
    }
  return rgba;
}
const map = (r: Rect, rgb: readonly number[]) => weightsOf(page(r, rgb), w, h, "#ffffff");
const total = (r: Rect, rgb: readonly number[]) => map(r, rgb).weights.reduce((sum, v) => sum + v, 0);

test("a page leans to where something lies on it, and dark weighs more than pale, strong more than grey, patterned more than plain", () => {
  const left = { x: 0.1, y: 0.3, w: 0.2, h: 0.4 };
  const at = centreOfWeight(map(left, [30, 30, 30]));
  expect(at.x).toBeCloseTo(0.2, 1);
  expect(at.y).toBeCloseTo(0.5, 1);
  expect(leanOf(at)).toEqual({ across: "left", down: undefined });
  expect(leanOf(centreOfWeight(map({ x: 0.7, y: 0.7, w: 0.2, h: 0.2 }, [30, 30, 30])))).toEqual({
    ...{ across: "right", down: "bottom" },
  });
  expect(leanOf(centreOfWeight(map({ x: 0, y: 0, w: 0, h: 0 }, [])))).toEqual({ across: undefined, down: undefined });
  expect(total(left, [30, 30, 30])).toBeGreaterThan(1.5 * total(left, [200, 200, 200]));
  expect(total(left, [210, 60, 60])).toBeGreaterThan(1.2 * total(left, [130, 130, 130]));
  const plain = page(left, [128, 128, 128]);
  const striped = plain.map((v, i) => (v === 128 ? (Math.floor(i / 4) % 2 ? 188 : 0) : v));
  const sum = (rgba: Uint8ClampedArray) => weightsOf(rgba, w, h, "#ffffff").weights.reduce((s, v) => s + v, 0);
  expect(sum(striped)).toBeGreaterThan(1.15 * sum(plain));
});

test("three places for an accent keep off faces and words, apart from each other and on the page, the first where it weighs least", () => {
  const rect = fc.record({
    x: fc.double({ min: 0, max: 0.7, noNaN: true }),
    y: fc.double({ min: 0, max: 0.7, noNaN: true }),
    w: fc.double({ min: 0.05, max: 0.3, noNaN: true }),
    h: fc.double({ min: 0.05, max: 0.3, noNaN: true }),
  });
  fc.assert(
    fc.property(rect, fc.array(rect, { maxLength: 3 }), fc.constantFrom(0.6, 1, 1.5), (dark, keepOff, aspect) => {
      const weights = map(dark, [40, 30, 60]);
      const radius = 0.06;
      const places = accentPlaces(weights, { aspect, radius, keepOff });
      expect(places.length).toBeLessThanOrEqual(3);
      for (const [i, p] of places.entries()) {
        expect(Math.min(p.x, p.y, 1 - p.x, 1 - p.y)).toBeGreaterThan(0.05);
        for (const r of keepOff) {
          const inside = p.x > r.x && p.x < r.x + r.w && p.y > r.y && p.y < r.y + r.h;
          expect(inside).toBe(false);
        }
        for (const q of places.slice(0, i))
          expect(Math.hypot((p.x - q.x) * aspect, p.y - q.y)).toBeGreaterThan(0.15 * Math.min(1, aspect));
      }
      if (keepOff.length === 0) expect(places).toHaveLength(3);
      const [first] = places;
      if (first && keepOff.length === 0) {
        const { x, y } = centreOfWeight(weights);
        // Across the middle from what weighs.
        expect((first.x - 0.5) * (0.5 - x) + (first.y - 0.5) * (0.5 - y)).toBeGreaterThanOrEqual(-1e-9);
      }
    }),
    { numRuns: 60 },
  );
});

test("an accent takes up the liveliest colour that stands off from the ground", () => {
  const seen = ["#808080", "#c02020", "#f7e9e9"].map((colour) => ({ colour }));
  expect(accentColour(seen, "#ffffff")?.colour).toBe("#c02020");
  expect(accentColour(seen, "#c42424")?.colour).toBe("#f7e9e9");
  expect(accentColour([], "#ffffff")).toBeUndefined();
});
