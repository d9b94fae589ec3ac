import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { autoFramed } from "#core/document";
import {
  applyTo,
  combinedRings,
  flattened,
  identity,
  inverse,
  type Point,
  type Ring,
  record,
  ringArea,
  traceEllipse,
  traceRect,
} from "#core/geometry";
import { type Repeats, repeatSteps } from "./repeats.ts";

const reach = { x: 20, y: 30, w: 90, h: 60 };
const angle = fc.double({ min: -180, max: 180, noNaN: true });
const way = fc.record({
  long: fc.double({ min: 0.05, max: 0.3, noNaN: true }),
  turned: fc.double({ min: 0.1, max: 1.4, noNaN: true }),
});
const pattern = fc.tuple(way, fc.option(way, { nil: undefined })).map(([p, q]): NonNullable<Repeats["pattern"]> => {
  const a = { x: p.long * Math.cos(p.turned), y: p.long * Math.sin(p.turned) };
  if (!q) return { a };
  // Across enough from the first way for a lattice.
  const across = p.turned + Math.PI / 2 + (q.turned - 0.75) / 2;
  return { a, b: { x: q.long * Math.cos(across), y: q.long * Math.sin(across) } };
});

const areaOf = (rings: readonly Ring[]): number => Math.abs(rings.reduce((sum, r) => sum + ringArea(r), 0));

test("pieces cover the outline and nothing else, each shows only what is in the picture, and every place of the pattern meets its like", () => {
  fc.assert(
    fc.property(
      fc.record({
        wideMm: fc.double({ min: 25, max: 400, noNaN: true }),
        turn: angle,
        shift: fc.record({
          x: fc.double({ min: -50, max: 50, noNaN: true }),
          y: fc.double({ min: -50, max: 50, noNaN: true }),
        }),
        pattern: fc.option(pattern, { nil: undefined }),
      }),
      fc.double({ min: 0.5, max: 2, noNaN: true }),
      fc.boolean(),
      (repeats, aspect, round) => {
        const clip = record((to) => (round ? traceEllipse(reach, to) : traceRect(reach, to)));
        const view = { ...autoFramed("p"), repeats };
        const steps = repeatSteps(view, aspect, { anchor: identity, clip, reach });
        const outline = flattened(clip);
        const pieces = steps.map((s) => flattened(s.clip));
        const all = pieces.reduce((sum, rings) => combinedRings(sum, rings, "union"), []);
        expect(areaOf(all) / areaOf(outline)).toBeCloseTo(1, 2);
        const inPicture = steps.flatMap((step, i) => {
          const back = inverse(step.matrix);
          return pieces[i]!.flat().flatMap((p) => Object.values(applyTo(back, p)));
        });
        expect(inPicture.reduce((a, b) => Math.min(a, b))).toBeGreaterThan(-1e-3);
        expect(inPicture.reduce((a, b) => Math.max(a, b))).toBeLessThan(1 + 1e-3);
        const { pattern: again, wideMm } = repeats;
        if (!again?.b || steps.length < 2) return;
        // Where two pieces overlap, what each has there is the same place of the pattern.
        const [a, b] = [again.a, again.b];
        const det = a.x * b.y - a.y * b.x;
        const inLattice = (p: Point) => [(p.x * b.y - p.y * b.x) / det, (a.x * p.y - a.y * p.x) / det] as const;
        const seenAt = (i: number, p: Point) => {
          const u = applyTo(inverse(steps[i]!.matrix), p);
          return inLattice({ x: u.x, y: u.y / aspect });
        };
        const isMirrored = steps.some((s) => s.matrix.a * s.matrix.d - s.matrix.b * s.matrix.c < 0);
        if (isMirrored) return;
        const p = { x: reach.x + 31, y: reach.y + 17 };
        const [u, v] = seenAt(0, p);
        for (let i = 1; i < steps.length; i += 1) {
          const [s, t] = seenAt(i, p);
          expect(Math.abs(s - u - Math.round(s - u))).toBeLessThan(1e-6 * wideMm);
          expect(Math.abs(t - v - Math.round(t - v))).toBeLessThan(1e-6 * wideMm);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test("a picture far too small for what it fills is laid larger, in no more pieces than can be drawn", () => {
  const clip = record((to) => traceRect(reach, to));
  const view = { ...autoFramed("p"), repeats: { wideMm: 1, turn: 0, shift: { x: 0, y: 0 } } };
  const steps = repeatSteps(view, 1, { anchor: identity, clip, reach });
  expect(steps.length).toBeGreaterThan(50);
  expect(steps.length).toBeLessThanOrEqual(400);
});
