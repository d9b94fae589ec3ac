import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Point } from "#core/geometry";
import { seededRandom } from "#core/random";
import { repeatOf } from "./index.ts";

const side = 128;
const picture = (at: (x: number, y: number) => number, w = side, h = side): Float32Array =>
  Float32Array.from({ length: w * h }, (_, i) => at((i % w) + 0.5, Math.floor(i / w) + 0.5));

/** How far a way is from being a whole number of repeats, in pixels. */
function off(way: Point, a: Point, b: Point): number {
  const det = a.x * b.y - a.y * b.x;
  const [u, v] = [(way.x * b.y - way.y * b.x) / det, (a.x * way.y - a.y * way.x) / det];
  const [i, j] = [Math.round(u), Math.round(v)];
  return Math.hypot(way.x - i * a.x - j * b.x, way.y - i * a.y - j * b.y);
}

test("dots in any lattice are found to less than half a pixel, also under uneven light", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 14, max: 30, noNaN: true }),
      fc.double({ min: 0, max: Math.PI / 2, noNaN: true }),
      fc.constantFrom(Math.PI / 2, Math.PI / 3, 1.2),
      fc.double({ min: 0, max: 0.4, noNaN: true }),
      (length, angle, between, uneven) => {
        const a = { x: length * Math.cos(angle), y: length * Math.sin(angle) };
        const b = { x: length * Math.cos(angle + between), y: length * Math.sin(angle + between) };
        const det = a.x * b.y - a.y * b.x;
        const light = picture((x, y) => {
          const [u, v] = [(x * b.y - y * b.x) / det, (a.x * y - a.y * x) / det];
          const [du, dv] = [u - Math.round(u), v - Math.round(v)];
          const far = Math.hypot(du * a.x + dv * b.x, du * a.y + dv * b.y);
          return Math.exp(-((far / (length / 5)) ** 2)) + (uneven * x) / side;
        });
        const found = repeatOf(light, side, side)!;
        expect(found?.b).toBeDefined();
        const inPx = (p: Point) => ({ x: p.x * side, y: p.y * side });
        expect(off(inPx(found.a), a, b)).toBeLessThan(0.4);
        expect(off(inPx(found.b!), a, b)).toBeLessThan(0.4);
        const area = Math.abs(inPx(found.a).x * inPx(found.b!).y - inPx(found.a).y * inPx(found.b!).x);
        expect(area / Math.abs(det)).toBeCloseTo(1, 1);
      },
    ),
    { numRuns: 8 },
  );
});

test("stripes have one way across, at any angle; what does not come again has none", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 10, max: 28, noNaN: true }),
      fc.double({ min: 0, max: Math.PI, noNaN: true }),
      (pitch, angle) => {
        const light = picture((x, y) => {
          const t = (x * Math.cos(angle) + y * Math.sin(angle)) / pitch;
          return Math.cos(2 * Math.PI * t) + 0.4 * Math.cos(4 * Math.PI * t + 1);
        });
        const found = repeatOf(light, side, side)!;
        expect(found).toBeDefined();
        expect(found.b).toBeUndefined();
        const across = side * (found.a.x * Math.cos(angle) + found.a.y * Math.sin(angle));
        expect(Math.abs(Math.abs(across) - pitch)).toBeLessThan(0.35);
      },
    ),
    { numRuns: 8 },
  );
  expect(repeatOf(picture(seededRandom(7)), side, side)).toBeUndefined();
  expect(
    repeatOf(
      picture(() => 0.5),
      side,
      side,
    ),
  ).toBeUndefined();
  expect(
    repeatOf(
      picture((x, y) => x * y, 40, 30),
      40,
      30,
    ),
  ).toBeUndefined();
});
