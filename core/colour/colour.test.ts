import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { dominantColours } from "./index.ts";

const pixels = (...runs: readonly (readonly [count: number, r: number, g: number, b: number, a?: number])[]) =>
  runs.flatMap(([count, r, g, b, a = 255]) => Array.from({ length: count }, () => [r, g, b, a]).flat());

test("the strongest colours come first, near ones count once, and what is transparent not at all", () => {
  const found = dominantColours(pixels([50, 200, 60, 30], [40, 204, 62, 33], [30, 20, 90, 120], [90, 0, 255, 0, 0]), 5);
  expect(found).toHaveLength(2);
  expect(found[0]).toMatch(/^#c[89a-f]3[c-f]/);
  expect(found[1]).toBe("#145a78");
});

test("a lively colour comes before a grey that covers somewhat more", () => {
  expect(dominantColours(pixels([60, 128, 128, 128], [40, 210, 40, 40]), 2)[0]).toBe("#d22828");
});

test("never more than asked for, each a colour, none for nothing", () => {
  const byte = fc.integer({ min: 0, max: 255 });
  fc.assert(
    fc.property(fc.array(byte, { maxLength: 400 }), fc.integer({ min: 0, max: 6 }), (rgba, most) => {
      const found = dominantColours(rgba, most);
      expect(found.length).toBeLessThanOrEqual(most);
      for (const c of found) expect(c).toMatch(/^#[0-9a-f]{6}$/);
      expect(new Set(found).size).toBe(found.length);
    }),
  );
  expect(dominantColours([], 5)).toEqual([]);
});
