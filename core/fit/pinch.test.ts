import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { applyTo, inverse, type Point, type Rect } from "#core/geometry";
import { dragged, type Framing, leanOf, photoMatrix, pinched, settled, turnParts, withinHalf } from "./index.ts";

const aspect = fc.double({ min: 0.4, max: 2.5, noNaN: true });
const length = fc.double({ min: 20, max: 200, noNaN: true });
const tile = fc.record({ w: length, h: length });
const share = fc.double({ min: 0, max: 1, noNaN: true });
const framing: fc.Arbitrary<Framing> = fc.record({
  zoom: fc.double({ min: 1, max: 6, noNaN: true }),
  centre: fc.record({ x: share, y: share }),
  turn: fc.double({ min: -180, max: 180, noNaN: true }),
  flip: fc.boolean(),
});
const by = fc.double({ min: -30, max: 30, noNaN: true });
const point = fc.record({ x: by, y: by });
const around = ({ w, h }: { w: number; h: number }): Rect => ({ x: -w / 2, y: -h / 2, w, h });

/** What of the photo lies at a point of the tile. */
const shownAt = (a: number, size: { w: number; h: number }, f: Framing, p: Point): Point =>
  applyTo(inverse(photoMatrix(a, around(size), f)), p);

test("one finger drags as a mouse does", () => {
  fc.assert(
    fc.property(aspect, tile, framing, point, point, (a, size, f, from, to) => {
      expect(pinched(a, size, f, [from], [to])).toEqual(dragged(a, size, f, { x: to.x - from.x, y: to.y - from.y }));
    }),
  );
});

test("what lay between two fingers stays between them while the tile stays covered", () => {
  fc.assert(
    fc.property(
      aspect,
      tile,
      fc.double({ min: 3, max: 5, noNaN: true }),
      fc.double({ min: -20, max: 20, noNaN: true }),
      fc.double({ min: 1, max: 1.8, noNaN: true }),
      (a, size, zoom, degrees, ratio) => {
        const f: Framing = { zoom, centre: { x: 0.5, y: 0.5 }, turn: 0, flip: false };
        const reach = Math.min(size.w, size.h) / 6;
        const angle = (degrees * Math.PI) / 180;
        const to = { x: reach * ratio * Math.cos(angle), y: reach * ratio * Math.sin(angle) };
        const next = pinched(
          a,
          size,
          f,
          [
            { x: -reach, y: 0 },
            { x: reach, y: 0 },
          ],
          [{ x: -to.x, y: -to.y }, to],
        );
        expect(next.turn).toBeCloseTo(degrees, 6);
        const [was, is] = [shownAt(a, size, f, { x: 0, y: 0 }), shownAt(a, size, next, { x: 0, y: 0 })];
        expect(is.x).toBeCloseTo(was.x, 6);
        expect(is.y).toBeCloseTo(was.y, 6);
        const [p, q] = [shownAt(a, size, f, { x: reach, y: 0 }), shownAt(a, size, next, to)];
        expect(q.x).toBeCloseTo(p.x, 1);
      },
    ),
  );
});

test("two fingers never leave a tile bare", () => {
  fc.assert(
    fc.property(aspect, tile, framing, fc.array(point, { minLength: 4, maxLength: 4 }), (a, size, f, [p, q, r, s]) => {
      fc.pre(Math.hypot(p!.x - q!.x, p!.y - q!.y) > 1);
      const next = pinched(a, size, f, [p!, q!], [r!, s!]);
      const { x, y, w, h } = around(size);
      for (const corner of [
        { x, y },
        { x: x + w, y },
        { x, y: y + h },
        { x: x + w, y: y + h },
      ]) {
        const at = shownAt(a, size, next, corner);
        expect(Math.min(at.x, at.y, 1 - at.x, 1 - at.y)).toBeGreaterThan(-1e-6);
      }
    }),
  );
});

test("a photo that is shown whole lies inside its tile, however it is turned, and touches it", () => {
  fc.assert(
    fc.property(aspect, tile, framing, (a, size, f) => {
      const whole: Framing = { ...f, whole: true, zoom: 0, centre: { x: 0.5, y: 0.5 } };
      const m = photoMatrix(a, around(size), whole);
      const corners = [0, 1].flatMap((x) => [0, 1].map((y) => applyTo(m, { x, y })));
      const right = Math.max(...corners.map((c) => c.x)) / (size.w / 2);
      const foot = Math.max(...corners.map((c) => c.y)) / (size.h / 2);
      expect(Math.max(right, foot)).toBeCloseTo(1, 6);
      expect(settled(a, size, { ...whole, whole: false }).zoom).toBe(1);
    }),
  );
});

test("a line is told from level or upright by the nearer of the two", () => {
  expect(leanOf({ x: 0, y: 0 }, { x: 10, y: 1 })).toBeCloseTo(5.71, 2);
  expect(leanOf({ x: 10, y: 1 }, { x: 0, y: 0 })).toBeCloseTo(5.71, 2);
  expect(leanOf({ x: 0, y: 0 }, { x: 1, y: 10 })).toBeCloseTo(-5.71, 2);
  expect(leanOf({ x: 0, y: 0 }, { x: 0, y: -5 })).toBeCloseTo(0, 9);
});

test("a turn is so many quarters and a little, and the same turn within half a circle", () => {
  fc.assert(
    fc.property(fc.double({ min: -360, max: 360, noNaN: true }), (turn) => {
      const { quarters, fine } = turnParts(turn);
      expect(quarters + fine).toBeCloseTo(turn, 9);
      expect(Math.abs(fine)).toBeLessThanOrEqual(45);
      expect(Math.abs(quarters % 90)).toBe(0);
      const same = withinHalf(turn);
      expect(Math.abs(same)).toBeLessThanOrEqual(180);
      expect(Math.cos((same * Math.PI) / 180)).toBeCloseTo(Math.cos((turn * Math.PI) / 180), 9);
    }),
  );
});
