import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { applyTo, inverse, type Point, type Rect } from "#core/geometry";
import {
  contained,
  containedRect,
  coveringSize,
  dragged,
  effectivePpi,
  type Framing,
  firstFraming,
  firstFramingFor,
  framingShowing,
  mostZoom,
  photoMatrix,
  settled,
  sharpnessOf,
  zoomed,
} from "./index.ts";

const side = fc.double({ min: 5, max: 900, noNaN: true });
const aspect = fc.double({ min: 0.02, max: 50, noNaN: true });
const share = fc.double({ min: -2, max: 3, noNaN: true });
const framing: fc.Arbitrary<Framing> = fc.record({
  zoom: fc.double({ min: 0.1, max: 40, noNaN: true }),
  centre: fc.record({ x: share, y: share }),
  turn: fc.double({ min: -360, max: 360, noNaN: true }),
  flip: fc.boolean(),
});

const corners = (r: Rect): Point[] =>
  [0, 1].flatMap((i) => [0, 1].map((j) => ({ x: r.x + i * r.w, y: r.y + j * r.h })));

test("whatever the framing, the photo covers all of its tile", () => {
  fc.assert(
    fc.property(aspect, side, side, framing, (a, w, h, f) => {
      const tile = { x: 20, y: -7, w, h };
      const toPhoto = inverse(photoMatrix(a, tile, f));
      for (const corner of corners(tile)) {
        const p = applyTo(toPhoto, corner);
        expect(Math.min(p.x, p.y)).toBeGreaterThan(-1e-6);
        expect(Math.max(p.x, p.y)).toBeLessThan(1 + 1e-6);
      }
    }),
  );
});

test("at the first framing the photo touches two opposite sides and is cut evenly", () => {
  const m = photoMatrix(1.5, { x: 0, y: 0, w: 100, h: 100 }, firstFraming);
  expect(applyTo(m, { x: 0, y: 0 })).toEqual({ x: -25, y: 0 });
  expect(coveringSize(1.5, { w: 100, h: 100 }, 90)).toMatchObject({ w: expect.closeTo(150), h: expect.closeTo(100) });
});

test("settling twice changes nothing more, and what is settled comes back as it is", () => {
  fc.assert(
    fc.property(aspect, side, side, framing, (a, w, h, f) => {
      const once = settled(a, { w, h }, f);
      expect(settled(a, { w, h }, once)).toBe(once);
      expect(once.zoom).toBeLessThanOrEqual(mostZoom);
    }),
  );
});

test("a drag moves the photo by as much as the hand, until the tile would come bare", () => {
  const tile = { w: 100, h: 100 };
  const before = photoMatrix(2, { x: 0, y: 0, ...tile }, firstFraming);
  for (const f of [firstFraming, { ...firstFraming, flip: true }, { ...firstFraming, turn: 180 }]) {
    const moved = dragged(2, tile, f, { x: 30, y: 0 });
    const shift = applyTo(photoMatrix(2, { x: 0, y: 0, ...tile }, moved), { x: 0.5, y: 0.5 });
    expect(shift.x).toBeCloseTo(80);
  }
  const far = dragged(2, tile, firstFraming, { x: 4000, y: 4000 });
  expect(applyTo(photoMatrix(2, { x: 0, y: 0, ...tile }, far), { x: 0, y: 0 })).toEqual({
    x: expect.closeTo(0),
    y: expect.closeTo(0),
  });
  expect(applyTo(before, { x: 0.5, y: 0.5 })).toEqual({ x: 50, y: 50 });
});

test("zooming keeps what lies under the pointer, while the tile stays covered", () => {
  const tile = { x: 0, y: 0, w: 100, h: 80 };
  const anchor = { x: 20, y: -10 };
  const under = (f: Framing) => applyTo(inverse(photoMatrix(1.4, tile, f)), { x: 50 + anchor.x, y: 40 + anchor.y });
  const start = { ...firstFraming, zoom: 2, turn: 12 };
  const closer = zoomed(1.4, tile, start, 3, anchor);
  expect(under(closer).x).toBeCloseTo(under(start).x);
  expect(under(closer).y).toBeCloseTo(under(start).y);
  expect(zoomed(1.4, tile, start, 0.2).zoom).toBe(1);
});

test("a contained size fits, keeps its aspect and touches two sides", () => {
  fc.assert(
    fc.property(aspect, side, side, (a, w, h) => {
      const s = contained(a, { w, h });
      expect(s.w / s.h).toBeCloseTo(a, 5);
      expect(Math.max(s.w / w, s.h / h)).toBeCloseTo(1, 9);
    }),
  );
  expect(contained(2, { w: -4, h: 10 })).toEqual({ w: 0, h: 0 });
  expect(containedRect(2, { x: 0, y: 0, w: 10, h: 10 })).toEqual({ x: 0, y: 2.5, w: 10, h: 5 });
});

test("sharpness is photo pixels to the inch of paper", () => {
  const photo = { widthPx: 3000, heightPx: 2000 };
  expect(effectivePpi(photo, { w: 254, h: 169.333333 }, firstFraming)).toBeCloseTo(300, 3);
  expect(effectivePpi(photo, { w: 254, h: 169.333333 }, { ...firstFraming, zoom: 2 })).toBeCloseTo(150, 3);
  const needs = { ppi: 300, leastPpi: 150 };
  expect([sharpnessOf(299.6, needs), sharpnessOf(299, needs), sharpnessOf(149, needs)]).toEqual([
    "sharp",
    "fair",
    "soft",
  ]);
});

const face = fc.record({
  x: fc.double({ min: 0, max: 0.85, noNaN: true }),
  y: fc.double({ min: 0, max: 0.85, noNaN: true }),
  w: fc.double({ min: 0.02, max: 0.14, noNaN: true }),
  h: fc.double({ min: 0.02, max: 0.14, noNaN: true }),
});

test("first framing keeps a head whole wherever it is, if the tile can hold it", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.4, max: 2.5, noNaN: true }), side, side, face, (a, w, h, f) => {
      const focus = { faces: [f], point: { x: f.x + f.w / 2, y: f.y + f.h / 2 }, from: "faces" as const };
      const tile = { x: 0, y: 0, w, h };
      const m = photoMatrix(a, tile, firstFramingFor({ aspect: a, focus }, tile));
      // Hair included, within the photo.
      const top = applyTo(m, { x: f.x, y: Math.max(0, f.y - 0.45 * f.h) });
      const foot = applyTo(m, { x: f.x + f.w, y: f.y + f.h });
      if (foot.x - top.x < 0.7 * w && foot.y - top.y < 0.8 * h) {
        expect(top.x).toBeGreaterThan(-1e-6);
        expect(top.y).toBeGreaterThan(-1e-6);
        expect(foot.x).toBeLessThan(w + 1e-6);
        expect(foot.y).toBeLessThan(h + 1e-6);
      }
    }),
  );
});

test("heads keep out of what the cut takes, where the photo allows", () => {
  const tile = { w: 100, h: 50 };
  const lost = { top: 12, right: 0, bottom: 0, left: 0 };
  const head = { faces: [{ x: 0.45, y: 0.4, w: 0.1, h: 0.05 }], point: { x: 0.5, y: 0.42 }, from: "faces" as const };
  const m = photoMatrix(0.5, { x: 0, y: 0, ...tile }, firstFramingFor({ aspect: 0.5, focus: head }, tile, lost));
  expect(applyTo(m, { x: 0.5, y: 0.4 - 0.45 * 0.05 }).y).toBeGreaterThanOrEqual(12 - 1e-6);
});

test("of two heads that cannot both be in, the larger is whole", () => {
  const faces = [
    { x: 0.02, y: 0.3, w: 0.08, h: 0.1 },
    { x: 0.8, y: 0.3, w: 0.16, h: 0.2 },
  ];
  const m = photoMatrix(
    3,
    { x: 0, y: 0, w: 50, h: 50 },
    firstFramingFor({ aspect: 3, focus: { faces, point: { x: 0.5, y: 0.4 }, from: "faces" } }, { w: 50, h: 50 }),
  );
  expect(applyTo(m, { x: 0.8, y: 0 }).x).toBeGreaterThanOrEqual(0);
  expect(applyTo(m, { x: 0.96, y: 0 }).x).toBeLessThanOrEqual(50);
});

test("a part of a photo that is asked for is seen whole, and touches two sides of its tile unless the photo ends first", () => {
  const part = fc.record({
    x: fc.double({ min: 0, max: 0.6, noNaN: true }),
    y: fc.double({ min: 0, max: 0.6, noNaN: true }),
    w: fc.double({ min: 0.1, max: 0.4, noNaN: true }),
    h: fc.double({ min: 0.1, max: 0.4, noNaN: true }),
  });
  const near = fc.double({ min: 0.4, max: 2.5, noNaN: true });
  fc.assert(
    fc.property(near, side, near, fc.boolean(), part, (aspectNear, h, tileAspect, flip, asked) => {
      const tile = { w: h * tileAspect, h };
      const found = framingShowing(aspectNear, tile, { ...firstFraming, flip }, asked);
      // No tile may come bare, and beyond the most nothing prints sharp.
      if (found.zoom <= 1.000001 || found.zoom >= mostZoom) return;
      const matrix = photoMatrix(aspectNear, { x: 0, y: 0, ...tile }, found);
      const onTile = corners(asked).map((p) => applyTo(matrix, p));
      const [xs, ys] = [onTile.map((p) => p.x), onTile.map((p) => p.y)];
      const over = Math.max(-Math.min(...xs), -Math.min(...ys), Math.max(...xs) - tile.w, Math.max(...ys) - tile.h);
      expect(over).toBeLessThan(1e-6 * tile.w + 1e-6 * tile.h);
      const fills = Math.max(
        (Math.max(...xs) - Math.min(...xs)) / tile.w,
        (Math.max(...ys) - Math.min(...ys)) / tile.h,
      );
      expect(fills).toBeCloseTo(1, 6);
    }),
  );
});
