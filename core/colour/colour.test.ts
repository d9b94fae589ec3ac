import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { dominantColours, meanColour } from "./index.ts";

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

test("which colours are told apart, and in which order, is as it was", () => {
  const many = Array.from({ length: 4096 }, (_, i) => [(i * 37) % 256, (i * 11 + (i >> 4)) % 200, (i >> 2) % 120, 255]);
  const dark = Array.from({ length: 900 }, (_, i) => [i % 30, (i * 7) % 12, (i * 3) % 40, 255]);
  expect(dominantColours([...many, ...dark].flat(), 14)).toMatchInlineSnapshot(`
[
  "#070517",
  "#fd2727",
  "#44b826",
  "#dbb816",
  "#c90956",
  "#558605",
  "#942717",
  "#c9770b",
  "#7a186b",
  "#570809",
  "#fa875b",
  "#295716",
  "#381874",
  "#bd460e",
]
`);
});

test("a mean is taken in light, and lies between what it is the mean of", () => {
  const byte = fc.integer({ min: 0, max: 255 });
  fc.assert(
    fc.property(fc.array(fc.tuple(byte, byte, byte), { minLength: 1, maxLength: 30 }), (all) => {
      const mean = meanColour(all.flatMap((p) => [...p, 255]))!;
      for (const c of [0, 1, 2]) {
        const value = Number.parseInt(mean.slice(1 + 2 * c, 3 + 2 * c), 16);
        expect(value).toBeGreaterThanOrEqual(Math.min(...all.map((p) => p[c]!)));
        expect(value).toBeLessThanOrEqual(Math.max(...all.map((p) => p[c]!)));
      }
    }),
  );
  // Black and white in turn are as light as a grey of 188, not of 128.
  expect(meanColour([0, 0, 0, 255, 255, 255, 255, 255])).toBe("#bcbcbc");
  expect(meanColour([200, 10, 10, 255, 0, 255, 0, 0])).toBe("#c80a0a");
  expect(meanColour([9, 9, 9, 0])).toBeUndefined();
});
