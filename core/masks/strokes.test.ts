import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Matrix } from "#core/geometry";
import { type MaskPart, maskOf, maskPixels, type Stroke, strokesLeaveAt } from "./index.ts";

const toMm: Matrix = { a: 0.01, b: 0, c: 0, d: 0.01, e: -40, f: -30 };
const box = { x: -40, y: -30, w: 80, h: 60 };
const place = (most: number) => fc.integer({ min: -500, max: most });
const stroke: fc.Arbitrary<Stroke> = fc.record({
  does: fc.constantFrom("hide" as const, "show" as const),
  strength: fc.double({ min: 0.1, max: 1, noNaN: true }),
  hardness: fc.double({ min: 0, max: 0.8, noNaN: true }),
  points: fc.array(fc.tuple(place(8500), place(6500), fc.integer({ min: 150, max: 1500 })), {
    minLength: 1,
    maxLength: 5,
  }),
});
const part = (strokes: readonly Stroke[]): MaskPart => ({ part: "strokes", strokes, toMm });
const pixels = (strokes: readonly Stroke[], area = box) => maskPixels(maskOf([part(strokes)], area), 50.8).bytes;

test("a part of a mask has the same pixels as the whole, whatever was drawn before it", () => {
  fc.assert(
    fc.property(fc.array(stroke, { minLength: 1, maxLength: 6 }), fc.integer({ min: 1, max: 59 }), (strokes, cut) => {
      const whole = pixels(strokes);
      for (let n = 1; n < strokes.length; n += 1) pixels(strokes.slice(0, n));
      const [above, below] = [
        pixels(strokes, { ...box, h: cut }),
        pixels(strokes, { ...box, y: box.y + cut, h: box.h - cut }),
      ];
      expect(Buffer.compare(Buffer.from([...above, ...below]), Buffer.from(whole))).toBe(0);
      // What is kept of earlier strokes gives nothing else than drawing them all.
      expect(Buffer.compare(Buffer.from(pixels(strokes.map((s) => ({ ...s })))), Buffer.from(whole))).toBe(0);
    }),
    { numRuns: 40 },
  );
});

test("a brush is whole within its hard part, clear at its rim, half where its slope is half; what is brought back is there again", () => {
  const dab = (does: Stroke["does"], hardness: number, strength = 1): Stroke => ({
    ...{ does, hardness, strength },
    points: [[4000, 3000, 1000]],
  });
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 0.8, noNaN: true }),
      fc.double({ min: 0, max: 2 * Math.PI, noNaN: true }),
      fc.double({ min: 0.1, max: 1, noNaN: true }),
      (hardness, a, strength) => {
        const at = (share: number) => ({ x: 4000 + 1000 * share * Math.cos(a), y: 3000 + 1000 * share * Math.sin(a) });
        const hidden = [dab("hide", hardness, strength)];
        expect(strokesLeaveAt(hidden, at(0.98 * hardness))).toBeCloseTo(1 - strength, 5);
        expect(strokesLeaveAt(hidden, at((1 + hardness) / 2))).toBeCloseTo(1 - strength / 2, 3);
        expect(strokesLeaveAt(hidden, at(1.01))).toBe(1);
        expect(strokesLeaveAt([...hidden, dab("show", hardness)], at(0.98 * hardness))).toBeCloseTo(1, 5);
        // A second time takes from what is left, and not more than there is.
        expect(strokesLeaveAt([...hidden, ...hidden], at(0))).toBeCloseTo((1 - strength) ** 2, 5);
      },
    ),
  );
});

test("a line that crosses itself is no stronger there, and its radius goes evenly from point to point", () => {
  const cross: Stroke = {
    ...{ does: "hide", hardness: 0, strength: 0.6 },
    points: [
      [0, 0, 400],
      [2000, 2000, 400],
      [2000, 0, 400],
      [0, 2000, 400],
    ],
  };
  expect(strokesLeaveAt([cross], { x: 1000, y: 1000 })).toBeCloseTo(0.4, 5);
  const wedge: Stroke = {
    ...cross,
    strength: 1,
    points: [
      [0, 0, 200],
      [2000, 0, 1000],
    ],
  };
  for (const [x, r] of [
    [0, 200],
    [500, 400],
    [1500, 800],
    [2000, 1000],
  ] as const) {
    expect(strokesLeaveAt([wedge], { x, y: r / 2 })).toBeCloseTo(0.5, 3);
    expect(strokesLeaveAt([wedge], { x, y: r + 2 })).toBeCloseTo(1, 4);
  }
});

test("masks of a harder or a smaller brush are denser", () => {
  const ppi = (r: number, hardness: number) =>
    maskOf([part([{ does: "hide", strength: 1, hardness, points: [[0, 0, r]] }])], box).ppi;
  expect([ppi(1500, 0), ppi(500, 0), ppi(500, 0.5), ppi(100, 0.8)].map(Math.round)).toEqual([100, 122, 244, 300]);
});

test("a mask is known by its strokes, whichever object says them", () => {
  const key = (strokes: readonly Stroke[]) => maskOf([part(strokes)], box).key;
  fc.assert(
    fc.property(
      fc.uniqueArray(stroke, { minLength: 2, maxLength: 4, selector: (s) => JSON.stringify(s) }),
      (strokes) => {
        const [first, second] = strokes as [Stroke, Stroke];
        expect(key(structuredClone(strokes))).toBe(key(strokes));
        expect(key(strokes.toReversed())).not.toBe(key(strokes));
        expect(key([first])).not.toBe(key([second]));
        expect(key([{ ...first, strength: first.strength * 0.9 }])).not.toBe(key([first]));
      },
    ),
  );
  expect(key(Array.from({ length: 400 }, (_, i) => ({ ...dabAt(i), strength: 1 }))).length).toBeLessThan(12_000);
});

const dabAt = (i: number): Stroke => ({
  ...{ does: "hide", hardness: 0, strength: 1 },
  points: Array.from({ length: 40 }, (_, k) => [i * 10, k * 10, 500] as const),
});
