import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { applyTo, chain, type Matrix, type Point, rotation, translation } from "#core/geometry";
import { type Framing, photoMatrix, stayed } from "./index.ts";

const n = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const box = fc.record({ x: n(-40, 40), y: n(-40, 40), w: n(20, 80), h: n(20, 80), turn: n(-170, 170) });
type Box = typeof box extends fc.Arbitrary<infer B> ? B : never;

/** The photo's unit square to the page. */
function onPage(aspect: number, b: Box, framing: Framing): Matrix {
  const { x, y } = { x: b.x, y: b.y };
  const rect = { x: x - b.w / 2, y: y - b.h / 2, w: b.w, h: b.h };
  const turned = chain(translation(x, y), rotation((b.turn * Math.PI) / 180), translation(-x, -y));
  return chain(turned, photoMatrix(aspect, rect, framing));
}
const asFrame = (b: Box) => ({ centre: { x: b.x, y: b.y }, w: b.w, h: b.h, turn: b.turn });

test("the photo lies just where it lay on the page, for any box that it still covers", () => {
  let covered = 0;
  fc.assert(
    fc.property(box, box, n(0.4, 2.5), n(1, 4), fc.boolean(), n(-40, 40), (from, to, aspect, zoom, flip, turn) => {
      const framing: Framing = { zoom, centre: { x: 0.5, y: 0.45 }, turn, flip };
      const next = stayed(aspect, asFrame(from), asFrame(to), framing);
      const [was, now] = [onPage(aspect, from, framing), onPage(aspect, to, next)];
      const corners: readonly Point[] = [
        { x: 0, y: 0 },
        { x: 1, y: 0 },
        { x: 0.3, y: 1 },
      ];
      const off = Math.max(
        ...corners.map((p) => Math.hypot(applyTo(was, p).x - applyTo(now, p).x, applyTo(was, p).y - applyTo(now, p).y)),
      );
      // The box lies inside the photo as it was: then nothing has to give.
      const inverseHolds = [-1, 1].every((sx) =>
        [-1, 1].every((sy) => {
          const r = (to.turn * Math.PI) / 180;
          const [x, y] = [(sx * to.w) / 2, (sy * to.h) / 2];
          const at = { x: to.x + x * Math.cos(r) - y * Math.sin(r), y: to.y + x * Math.sin(r) + y * Math.cos(r) };
          const det = was.a * was.d - was.b * was.c;
          const [px, py] = [at.x - was.e, at.y - was.f];
          const [u, v] = [(was.d * px - was.c * py) / det, (was.a * py - was.b * px) / det];
          return u >= 0 && u <= 1 && v >= 0 && v <= 1;
        }),
      );
      if (!inverseHolds || next.zoom > 11.9) return;
      covered += 1;
      expect(off).toBeLessThan(1e-6);
    }),
    { numRuns: 600, seed: 7 },
  );
  expect(covered).toBeGreaterThan(20);
});
