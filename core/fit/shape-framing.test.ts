import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { allSides, applyTo, chain, rotation, translation } from "#core/geometry";
import { firstFramingFor, firstFramingIn, framedThrough, hiddenByShape, photoMatrix, sliceFraming } from "./index.ts";

const face = fc.record({
  x: fc.double({ min: 0.05, max: 0.75, noNaN: true }),
  y: fc.double({ min: 0.15, max: 0.7, noNaN: true }),
  w: fc.constant(0.12),
  h: fc.constant(0.16),
});
const photo = fc.record({
  aspect: fc.constantFrom(1.5, 0.67, 1, 2.2),
  faces: fc.array(face, { minLength: 1, maxLength: 3 }),
});
const shapeOf = ({
  aspect,
  faces,
}: {
  readonly aspect: number;
  readonly faces: readonly { x: number; y: number; w: number; h: number }[];
}) => ({
  aspect,
  focus: { point: { x: 0.5, y: 0.5 }, faces, from: "faces" as const },
});
/** A triangle standing on its base. */
const triangle = ({ x, y }: { readonly x: number; readonly y: number }) => Math.abs(x - 0.5) <= y / 2;

test("a shape's framing hides no more of heads than the plain one, and often less", () => {
  let better = 0;
  fc.assert(
    fc.property(photo, (p) => {
      const shape = shapeOf(p);
      const tile = { w: 60, h: 50 };
      const plain = hiddenByShape(shape, tile, firstFramingFor(shape, tile).centre, triangle);
      const own = hiddenByShape(shape, tile, firstFramingIn(shape, tile, allSides(0), triangle).centre, triangle);
      expect(own).toBeLessThanOrEqual(plain + 1e-9);
      if (own < plain - 0.1) better += 1;
    }),
  );
  expect(better).toBeGreaterThan(10);
});

test("what hides a head is counted by the head's own points", () => {
  const shape = shapeOf({ aspect: 1, faces: [{ x: 0.1, y: 0.3, w: 0.3, h: 0.4 }] });
  const centre = { x: 0.5, y: 0.5 };
  const tile = { w: 100, h: 100 };
  expect(hiddenByShape(shape, tile, centre, () => true)).toBe(0);
  expect(hiddenByShape(shape, tile, centre, () => false)).toBe(1);
  expect(hiddenByShape(shape, tile, centre, ({ x }) => x > 0.25)).toBeCloseTo(0.5, 1);
});

test("one photo through two halves with a wide gap is moved so that no head falls into it", () => {
  const shape = shapeOf({ aspect: 1.5, faces: [{ x: 0.44, y: 0.4, w: 0.12, h: 0.16 }] });
  const box = { w: 150, h: 100 };
  const halves = ({ x }: { readonly x: number }) => Math.abs(x - 0.5) > 0.06;
  const framing = framedThrough(shape, box, halves);
  expect(hiddenByShape(shape, box, framing.centre, halves, framing.zoom)).toBeLessThan(0.05);
  expect(hiddenByShape(shape, box, { x: 0.5, y: 0.5 }, halves)).toBeGreaterThan(0.5);
});

test("each tile's part shows the point of the photo that lies there, however it and the photo are turned", () => {
  const turn = fc.double({ min: -170, max: 170, noNaN: true });
  fc.assert(
    fc.property(turn, turn, fc.boolean(), fc.constantFrom(1, 1.4, 3), (whole, own, flip, zoom) => {
      const box = { x: 10, y: 20, w: 180, h: 120 };
      const framing = { zoom, centre: { x: 0.5, y: 0.5 }, turn: whole, flip };
      const tile = { centre: { x: 70, y: 60 }, width: 40, height: 30, turn: own };
      const slice = sliceFraming(1.5, box, framing, tile);
      const rect = { x: 50, y: 45, w: 40, h: 30 };
      const { x, y } = tile.centre;
      const turned = chain(translation(x, y), rotation((own * Math.PI) / 180), translation(-x, -y));
      const seen = chain(turned, photoMatrix(1.5, rect, slice));
      const all = photoMatrix(1.5, box, framing);
      for (const at of [
        { x: 0.2, y: 0.3 },
        { x: 0.7, y: 0.9 },
      ]) {
        expect(applyTo(seen, at).x).toBeCloseTo(applyTo(all, at).x, 6);
        expect(applyTo(seen, at).y).toBeCloseTo(applyTo(all, at).y, 6);
      }
    }),
  );
});
