import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { flattened, type PathData, ringArea } from "#core/geometry";
import {
  apart,
  inDesign,
  inksOf,
  labOf,
  mixed,
  newOrnament,
  newPaper,
  ornamentDesign,
  ornamentFills,
  ornamentNames,
  paletteFrom,
  paperDesign,
  paperFills,
  paperNames,
  recoloured,
  recolouredOrnament,
} from "./index.ts";
import { backwards, circle, leaf, polygon, ring } from "./shapes.ts";

const colour = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, "0")}`);
const palette = fc.array(colour, { maxLength: 9 });
const name = fc.constantFrom(...paperNames);

const area = (path: PathData): number => flattened(path).reduce((sum, r) => sum + ringArea(r), 0);

function boundsOf(path: PathData): { x0: number; y0: number; x1: number; y1: number } {
  const points = flattened(path).flat();
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  return { x0: Math.min(...xs), y0: Math.min(...ys), x1: Math.max(...xs), y1: Math.max(...ys) };
}

test("there are at least forty papers, each in an ink that is seen on its ground", () => {
  expect(paperNames.length).toBeGreaterThanOrEqual(40);
  for (const n of paperNames) {
    const paper = newPaper(n, []);
    const fills = paperFills(paper, { x: 0, y: 0, w: 120, h: 120 });
    expect(paper.colours).toHaveLength(1 + paperDesign(n)!.inks);
    expect([n, fills.length > 0 && fills.some((f) => apart(f.colour, paper.colours[0]!) > 0.02)]).toEqual([n, true]);
    // Every ink that it asks for is used.
    const used = new Set(
      paperDesign(n)!
        .parts()
        .map((p) => p.ink),
    );
    expect([n, Math.max(...used) <= paperDesign(n)!.inks]).toEqual([n, true]);
  }
});

test("no shape of a paper reaches so far beyond its repeat that it would be missing at an edge", () => {
  for (const n of paperNames) {
    const { repeat, parts } = paperDesign(n)!;
    for (const part of parts()) {
      const [high, across] = "runs" in part && part.runs === "down" ? [repeat.w, false] : [repeat.h, true];
      if ("path" in part) {
        const b = boundsOf(part.path);
        expect([n, b.x0 >= -repeat.w && b.x1 <= 2 * repeat.w]).toEqual([n, true]);
        expect([n, b.y0 >= -repeat.h && b.y1 <= 2 * repeat.h]).toEqual([n, true]);
      } else {
        const all = [...part.from, ...part.to];
        expect([n, across, Math.min(...all) >= -high && Math.max(...all) <= 2 * high]).toEqual([n, across, true]);
        expect([n, part.from.every((v, i) => part.to[i]! > v)]).toEqual([n, true]);
      }
    }
  }
});

test("a paper is the same one repeat further on, and covers whatever is asked for", () => {
  const side = fc.double({ min: 1, max: 300, noNaN: true });
  const at = fc.double({ min: -500, max: 500, noNaN: true });
  fc.assert(
    fc.property(name, at, at, side, side, fc.integer({ min: -3, max: 3 }), (n, x, y, w, h, k) => {
      const paper = newPaper(n, []);
      const { repeat } = paperDesign(n)!;
      const here = paperFills(paper, { x, y, w, h });
      const there = paperFills(paper, { x: x + k * repeat.w, y: y + k * repeat.h, w, h });
      expect(there.map((f) => f.colour)).toEqual(here.map((f) => f.colour));
      for (const [i, { at: places, path }] of here.entries()) {
        if (places.length > 1) {
          const xs = places.map((p) => p.x);
          expect(Math.min(...xs)).toBeLessThanOrEqual(x - repeat.w + 1e-6);
          expect(Math.max(...xs)).toBeGreaterThanOrEqual(x + w - 1e-6);
          // Rounding may take in one column or row more.
          expect(Math.abs(there[i]!.at.length - places.length)).toBeLessThanOrEqual(
            2 * Math.max(w / repeat.w, h / repeat.h) + 12,
          );
        } else {
          const b = boundsOf(path);
          expect(b.x0).toBeLessThanOrEqual(x + 1e-6);
          expect(b.x1).toBeGreaterThanOrEqual(x + w - 1e-6);
          expect(b.y0).toBeLessThanOrEqual(y + 1e-6);
          expect(b.y1).toBeGreaterThanOrEqual(y + h - 1e-6);
        }
      }
    }),
    { numRuns: 60 },
  );
});

test("shapes run clockwise, and a hole the other way", () => {
  expect(area(circle(3, 4, 2))).toBeGreaterThan(12.5);
  expect(area(leaf(0, 0, 40, 10, 4))).toBeGreaterThan(20);
  expect(area(backwards(circle(3, 4, 2)))).toBeCloseTo(-area(circle(3, 4, 2)), 6);
  expect(area(backwards(polygon([0, 0], [4, 0], [4, 3])))).toBeCloseTo(-6, 9);
  expect(area(ring(0, 0, 5, 2))).toBeCloseTo(area(circle(0, 0, 5)) - area(circle(0, 0, 3)), 6);
  const b = boundsOf(leaf(0, 0, 0, 10, 4));
  expect(b.y1 - b.y0).toBeCloseTo(4, 1);
});

test("any palette gives a light ground and inks that can be told from it", () => {
  fc.assert(
    fc.property(palette, fc.integer({ min: 1, max: 7 }), (colours, inks) => {
      const [ground, ...rest] = inksOf(colours, inks);
      expect(labOf(ground!)[0]).toBeGreaterThan(0.9);
      expect(rest).toHaveLength(inks);
      for (const c of rest.slice(0, Math.max(1, new Set(colours).size - 1))) expect(c).toMatch(/^#[0-9a-f]{6}$/);
      expect(apart(rest[0]!, ground!)).toBeGreaterThan(0.05);
    }),
  );
  expect(inksOf(["#ffffff"], 2)[1]).not.toBe("#ffffff");
});

test("mixing goes from one colour to the other, evenly to the eye", () => {
  fc.assert(
    fc.property(colour, colour, fc.double({ min: 0, max: 1, noNaN: true }), (a, b, share) => {
      expect(mixed(a, b, 0)).toBe(a);
      expect(mixed(a, b, 1)).toBe(b);
      const l = labOf(a)[0] + (labOf(b)[0] - labOf(a)[0]) * share;
      // Where a mixture is no colour of a screen it is the nearest by channels.
      expect(Math.abs(labOf(mixed(a, b, share))[0] - l)).toBeLessThan(0.09);
    }),
  );
});

test("a paper follows the palette unless a person chose its colours, and keeps how it lies in another design", () => {
  const red = ["#fff0e0", "#aa2211", "#220a06"];
  const paper = { ...newPaper("tartan", []), scale: 2, turn: 30 };
  expect(recoloured(paper, red)).toEqual({ ...newPaper("tartan", red), scale: 2, turn: 30 });
  const own = { ...paper, ownColours: true as const };
  expect(recoloured(own, red)).toBe(own);
  expect(inDesign(paper, "dots", red)).toEqual({ ...newPaper("dots", red), scale: 2, turn: 30 });
  expect(inDesign(own, "dots", red).colours).toEqual(own.colours);
});

test("a palette is taken out of pixels: a light ground, then the strongest colours, well apart", () => {
  const run = (count: number, ...rgb: number[]) => Array.from({ length: count }, () => [...rgb, 255]).flat();
  const found = paletteFrom([...run(50, 30, 90, 140), ...run(30, 220, 120, 40), ...run(5, 250, 248, 240)]);
  expect(labOf(found[0]!)[0]).toBeGreaterThan(0.9);
  expect(new Set(found).size).toBe(found.length);
  expect(found.some((c) => apart(c, "#1e5a8c") < 0.03)).toBe(true);
  expect(found.some((c) => apart(c, "#dc7828") < 0.03)).toBe(true);
  expect(labOf(paletteFrom(run(20, 20, 30, 90))[0]!)[0]).toBeGreaterThan(0.9);
  expect(paletteFrom([])).toEqual([]);
});

test("there are at least sixty ornaments, each within its box and in the inks that it asks for", () => {
  expect(ornamentNames.length).toBeGreaterThanOrEqual(60);
  for (const n of ornamentNames) {
    const { size, inks, parts } = ornamentDesign(n)!;
    expect(newOrnament(n, []).colours).toHaveLength(inks);
    expect([n, Math.max(...parts().map((p) => p.ink))]).toEqual([n, inks]);
    for (const { path } of parts()) {
      const b = boundsOf(path);
      expect([n, b.x0 > -1 && b.y0 > -1 && b.x1 < size.w + 1 && b.y1 < size.h + 1]).toEqual([n, true]);
      expect([n, area(path) > 0]).toEqual([n, true]);
    }
  }
  expect(ornamentFills({ design: "aurora", colours: ["#000000"] })).toEqual([]);
});

test("an ornament follows the palette unless a person chose its colours", () => {
  const red = ["#fff0e0", "#aa2211", "#220a06"];
  const tag = newOrnament("tag-ringed", []);
  expect(recolouredOrnament(tag, red)).toEqual(newOrnament("tag-ringed", red));
  const own = { ...tag, ownColours: true as const };
  expect(recolouredOrnament(own, red)).toBe(own);
});

test("a paper that a later version made is its ground alone", () => {
  expect(paperFills({ design: "aurora", colours: ["#ffffff", "#000000"] }, { x: 0, y: 0, w: 9, h: 9 })).toEqual([]);
  expect(paperDesign("toString")).toBeUndefined();
});
