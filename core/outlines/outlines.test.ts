import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type PathData, record } from "#core/geometry";
import { outlineKinds, outlineNames } from "./index.ts";

const side = fc.double({ min: 5, max: 300, noNaN: true });
const anyRect = fc.record({ x: side, y: side, w: side, h: side });

/** Points along a path; curves as they run. */
const pointsOn = (path: PathData): { x: number; y: number }[] => {
  const points: { x: number; y: number }[] = [];
  let at = { x: 0, y: 0 };
  for (const s of path) {
    if (s[0] === "M" || s[0] === "L") at = { x: s[1], y: s[2] };
    if (s[0] !== "C") {
      if (s[0] !== "Z") points.push(at);
      continue;
    }
    const [, ax, ay, bx, by, x, y] = s;
    for (let i = 1; i <= 8; i += 1) {
      const [t, u] = [i / 8, 1 - i / 8];
      points.push({
        x: u ** 3 * at.x + 3 * u * u * t * ax + 3 * u * t * t * bx + t ** 3 * x,
        y: u ** 3 * at.y + 3 * u * u * t * ay + 3 * u * t * t * by + t ** 3 * y,
      });
    }
    at = { x, y };
  }
  return points;
};

test.each(outlineNames)(
  "%s: its line lies in its frame and ends what it holds; a border's edge lies inside by as much",
  (name) => {
    const kind = outlineKinds[name];
    fc.assert(
      fc.property(
        anyRect,
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (whole, cornerMm, byMm) => {
          const at = { whole, seen: whole, cornerMm };
          const middle = { x: whole.x + whole.w / 2, y: whole.y + whole.h / 2 };
          const towards = (p: { x: number; y: number }, share: number) => ({
            x: middle.x + (p.x - middle.x) * share,
            y: middle.y + (p.y - middle.y) * share,
          });
          expect(kind.holds(at, middle)).toBe(true);
          const line = pointsOn(record((to) => kind.trace(at, to)));
          for (const p of line) {
            expect(Math.min(p.x - whole.x, whole.x + whole.w - p.x)).toBeGreaterThan(-1e-6);
            expect(Math.min(p.y - whole.y, whole.y + whole.h - p.y)).toBeGreaterThan(-1e-6);
            expect(kind.holds(at, towards(p, 0.995))).toBe(true);
          }
          if (kind.fillsFrame(cornerMm)) expect(line).toHaveLength(4);
          if (!kind.hasCorners) for (const p of line) expect(kind.holds(at, towards(p, 1.005))).toBe(false);
          const inner = pointsOn(record((to) => kind.inset(at, byMm, to)));
          for (const p of inner) expect(kind.holds({ ...at, cornerMm: 0 }, towards(p, 0.999))).toBe(true);
          const [left, top] = [Math.min(...inner.map((p) => p.x)), Math.min(...inner.map((p) => p.y))];
          expect([left - whole.x, top - whole.y]).toEqual([expect.closeTo(byMm, 6), expect.closeTo(byMm, 6)]);
        },
      ),
      { numRuns: 60 },
    );
  },
);
