import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  combinedRings,
  flattened,
  type PathData,
  type Point,
  type Rect,
  record,
  ringArea,
  traceEllipse,
  traceRect,
} from "#core/geometry";
import { blur, boxOf } from "./blur.ts";
import { coverage } from "./coverage.ts";
import { blurReachMm, type MaskPart, maskOf, maskPixels, smootherstep } from "./index.ts";

const gridOver = ({ x, y, w, h }: Rect, perMm: number) => ({
  ...{ x, y, w: Math.round(w * perMm), h: Math.round(h * perMm) },
  ...{ sx: Math.round(w * perMm) / w, sy: Math.round(h * perMm) / h },
});
const total = (values: ArrayLike<number>): number => Array.prototype.reduce.call(values, (a, b) => a + b, 0) as number;

/** A ring around a middle, wound one way, that may stand out on all sides of a box of 20 × 20 mm. */
const ring = fc
  .record({
    middle: fc.record({
      x: fc.double({ min: 0, max: 20, noNaN: true }),
      y: fc.double({ min: 0, max: 20, noNaN: true }),
    }),
    radii: fc.array(fc.double({ min: 0.5, max: 14, noNaN: true }), { minLength: 3, maxLength: 9 }),
  })
  .map(({ middle, radii }): Point[] =>
    radii.map((r, i) => {
      const a = (2 * Math.PI * i) / radii.length;
      return { x: middle.x + r * Math.cos(a), y: middle.y + r * Math.sin(a) };
    }),
  );

const areaOf = (rings: readonly (readonly Point[])[]): number =>
  Math.abs(rings.reduce((sum, r) => sum + ringArea(r), 0));

test("a pixel is covered by as much as lies within the ring, also where that stands out of the grid", () => {
  fc.assert(
    fc.property(ring, fc.array(fc.nat(99), { minLength: 8, maxLength: 8 }), (points, pixels) => {
      const grid = gridOver({ x: 0, y: 0, w: 20, h: 20 }, 0.5);
      const seen = coverage([points], grid);
      const within = (r: Rect) =>
        areaOf(combinedRings([points], flattened(record((to) => traceRect(r, to))), "intersection"));
      expect(Math.abs(total(seen) * 4 - within({ x: 0, y: 0, w: 20, h: 20 }))).toBeLessThan(0.05);
      for (const n of pixels) {
        const [col, row] = [n % 10, Math.floor(n / 10)];
        expect(Math.abs(seen[n]! - within({ x: 2 * col, y: 2 * row, w: 2, h: 2 }) / 4)).toBeLessThan(0.002);
      }
    }),
  );
});

test("a blur keeps what there is and has the deviation that was asked for, at any density", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 30, noNaN: true }), (sigma) => {
      const { r, inner, ends } = boxOf(sigma);
      expect(inner * (2 * r + 1) + 2 * ends).toBeCloseTo(1, 9);
      const n = 2 * Math.ceil(4 * sigma + 8) + 1;
      const line = new Float32Array(n);
      line[(n - 1) / 2] = 1;
      blur(line, n, 1, sigma, 0);
      expect(total(line)).toBeCloseTo(1, 3);
      const variance = line.reduce((sum, v, i) => sum + v * (i - (n - 1) / 2) ** 2, 0);
      expect(Math.sqrt(variance) / sigma).toBeCloseTo(1, 2);
      const upright = new Float32Array(n);
      upright[(n - 1) / 2] = 1;
      blur(upright, 1, n, 0, sigma);
      expect(upright).toEqual(line);
    }),
  );
});

const rect = (w: number, h: number): PathData => record((to) => traceRect({ x: -w / 2, y: -h / 2, w, h }, to));
const box = (w: number, h: number, by = 0): Rect => ({ x: -w / 2 - by, y: -h / 2 - by, w: w + 2 * by, h: h + 2 * by });
const at = ({ bytes, w, h }: ReturnType<typeof maskPixels>, area: Rect, x: number, y: number): number =>
  bytes[
    Math.min(h - 1, Math.floor(((y - area.y) / area.h) * h)) * w +
      Math.min(w - 1, Math.floor(((x - area.x) / area.w) * w))
  ]! / 255;

test("an even soft edge is clear along the whole outline and rises by the distance from it", () => {
  fc.assert(
    fc.property(fc.integer({ min: 3, max: 15 }), fc.boolean(), (widthMm, round) => {
      const path = round ? record((to) => traceEllipse(box(60, 60), to)) : rect(60, 60);
      const mask = maskOf([{ part: "ramp", path, widthMm }], box(60, 60));
      const seen = maskPixels(mask);
      const cover = maskPixels({ ...mask, parts: [{ part: "cover", path }] }, mask.ppi);
      // No hairline: what the outline cuts is as good as clear.
      const cut = seen.bytes.filter((_, i) => cover.bytes[i]! < 255);
      expect(cut.reduce((most, v) => Math.max(most, v), 0)).toBeLessThanOrEqual(1);
      for (const deep of [0.5, 2, 7, 14, 29])
        expect(at(seen, mask.box, -30 + deep, 0)).toBeCloseTo(smootherstep(deep / widthMm), 1);
    }),
    { numRuns: 12 },
  );
});

test("each side fades by its own width, and one without a width is as hard as the outline", () => {
  const area = box(80, 50);
  const parts: MaskPart[] = [
    { part: "cover", path: rect(80, 50) },
    { part: "sides", rect: area, mm: [10, 20, 0, 5] },
  ];
  const seen = maskPixels(maskOf(parts, area));
  const s = smootherstep;
  expect(at(seen, area, 0, -20)).toBeCloseTo(s(0.5), 1);
  expect(at(seen, area, 30, 0)).toBeCloseTo(s(0.5), 1);
  expect(at(seen, area, -37.5, 0)).toBeCloseTo(s(0.5), 1);
  expect(at(seen, area, 0, 24.9)).toBe(1);
  expect(at(seen, area, -37.5, -20)).toBeCloseTo(s(0.5) ** 2, 1);
});

test("a shadow is half as strong at a straight edge, keeps its sum, and ends within its reach", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.4, max: 6, noNaN: true }), fc.constantFrom(40, 75, 150), (sigmaMm, ppi) => {
      const reach = blurReachMm(sigmaMm);
      const area = box(60, 40, reach);
      const blurred = (moved: readonly [number, number]) =>
        maskPixels(maskOf([{ part: "blur", of: [{ part: "cover", path: rect(60, 40) }], sigmaMm, moved }], area), ppi);
      const seen = blurred([0, 0]);
      const perMm2 = (seen.w / area.w) * (seen.h / area.h);
      expect(total(seen.bytes) / 255 / perMm2 / 2400).toBeCloseTo(1, 2);
      if (ppi >= 75) {
        const rim = seen.bytes.filter((_, i) => i < seen.w || i % seen.w === 0);
        expect(total(rim)).toBe(0);
      }
      // Along a line across the edge as much is missing inside as there is outside.
      const px = area.w / seen.w;
      let across = 0;
      for (let x = -30 - reach + px / 2; x < 0; x += px) across += px * at(seen, area, x, 0);
      expect(across).toBeCloseTo(30, 0);
      expect(at(blurred([4, 0]), area, 4, 0)).toBeCloseTo(at(seen, area, 0, 0), 2);
    }),
    { numRuns: 25 },
  );
});

test("the shadow into a hole is dark where the sheet around it throws it, and nowhere else", () => {
  const area = box(60, 40, 6);
  const sheet: MaskPart = { part: "not", of: [{ part: "cover", path: rect(60, 40) }] };
  const seen = maskPixels(maskOf([{ part: "blur", of: [sheet], sigmaMm: 1, moved: [2, 2] }], area));
  expect(at(seen, area, -29.5, 0)).toBeGreaterThan(0.9);
  expect(at(seen, area, 0, -19.5)).toBeGreaterThan(0.9);
  expect(at(seen, area, 29.5, 10)).toBeLessThan(0.03);
  expect(at(seen, area, 0, 0)).toBe(0);
  // Beyond its own box the sheet goes on.
  expect(at(seen, area, -35.9, -25.9)).toBe(1);
});

test("a mask is as dense as its steepest part asks, within limits, and is known by what it shows", () => {
  const soft = (widthMm: number) => maskOf([{ part: "ramp", path: rect(60, 40), widthMm }], box(60, 40));
  expect([soft(0.5).ppi, soft(5).ppi, soft(60).ppi]).toEqual([300, 152, 100]);
  const shadow = (sigmaMm: number) =>
    maskOf([{ part: "blur", of: [{ part: "cover", path: rect(60, 40) }], sigmaMm, moved: [0, 0] }], box(60, 40));
  expect([shadow(0.3).ppi, shadow(1).ppi, shadow(8).ppi]).toEqual([300, 160, 75]);
  expect(soft(5).key).toBe(soft(5).key);
  expect(soft(5).key).not.toBe(soft(5.1).key);
  const huge = maskOf([{ part: "cover", path: rect(3000, 3000) }], box(3000, 3000));
  expect((huge.ppi * huge.ppi * 9e6) / 25.4 ** 2).toBeLessThanOrEqual(9.01e6);
});
