import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { flattened, insetRings, type Point, record } from "#core/geometry";
import { newOutline, type Outline, outlineNames, outlineOf } from "./index.ts";

const side = fc.double({ min: 5, max: 300, noNaN: true });
const anyRect = fc.record({ x: side, y: side, w: side, h: side });

const away = (p: Point, line: readonly Point[]): number =>
  Math.min(
    ...line.map((a, i) => {
      const b = line[(i + 1) % line.length]!;
      const [vx, vy] = [b.x - a.x, b.y - a.y];
      const t = Math.min(1, Math.max(0, ((p.x - a.x) * vx + (p.y - a.y) * vy) / (vx * vx + vy * vy || 1)));
      return Math.hypot(p.x - a.x - t * vx, p.y - a.y - t * vy);
    }),
  );

/** A few dozen of many points, all along. */
const some = (points: readonly Point[]): readonly Point[] =>
  points.filter((_, i) => i % Math.ceil(points.length / 40) === 0);

test.each(outlineNames)(
  "%s: its line fills its frame and ends what it holds; a border's edge lies inside by as much, everywhere",
  (name) => {
    const kind = outlineOf(newOutline(name));
    fc.assert(
      fc.property(
        anyRect,
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.double({ min: 0.1, max: 2, noNaN: true }),
        (whole, cornerMm, byMm) => {
          const at = { whole, seen: whole, cornerMm };
          const middle = { x: whole.x + whole.w / 2, y: whole.y + whole.h / 2 };
          const towards = (p: Point, share: number) => ({
            x: middle.x + (p.x - middle.x) * share,
            y: middle.y + (p.y - middle.y) * share,
          });
          expect(kind.holds(at, middle)).toBe(true);
          const [line] = flattened(record((to) => kind.trace(at, to)));
          const [xs, ys] = [line!.map((p) => p.x), line!.map((p) => p.y)];
          const ends = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
          const frame = [whole.x, whole.x + whole.w, whole.y, whole.y + whole.h];
          // Curves touch their frame to what straight pieces can stand for.
          // What is torn ends somewhere in the strip that it is torn in.
          const most = name === "torn" ? 3 : 0.02;
          for (const [i, end] of ends.entries()) expect(Math.abs(end - frame[i]!)).toBeLessThan(most);
          // From its middle all of it can be seen, but for scallops along a narrow strip.
          if (name !== "scallops" && name !== "torn")
            for (const p of some(line!)) expect(kind.holds(at, towards(p, 0.99))).toBe(true);
          if (kind.fillsFrame(cornerMm)) expect(line).toHaveLength(4);
          if (!kind.hasCorners && name !== "scallops" && name !== "torn")
            for (const p of some(line!)) expect(kind.holds(at, towards(p, 1.01))).toBe(false);
          if (kind.fillsFrame(0) || name === "ellipse") return;
          const inner = flattened(record((to) => kind.inset(at, byMm, to)));
          for (const p of some(inner.flat())) {
            expect(kind.holds(at, p)).toBe(true);
            expect(away(p, line!)).toBeGreaterThan(byMm - 0.011);
          }
        },
      ),
      { numRuns: 12 },
    );
  },
);

test("of rectangle and ellipse a border's edge is worked out exactly", () => {
  fc.assert(
    fc.property(anyRect, fc.double({ min: 0, max: 2, noNaN: true }), (whole, byMm) => {
      for (const name of ["rectangle", "ellipse"] as const) {
        const at = { whole, seen: whole, cornerMm: 0 };
        const [ring] = flattened(record((to) => outlineOf(newOutline(name)).inset(at, byMm, to)));
        const [left, top] = [Math.min(...ring!.map((p) => p.x)), Math.min(...ring!.map((p) => p.y))];
        expect([left - whole.x, top - whole.y]).toEqual([expect.closeTo(byMm, 4), expect.closeTo(byMm, 4)]);
      }
    }),
  );
});

test("settings are held to: sides, points, hollows and whole scallops", () => {
  const at = { whole: { x: 0, y: 0, w: 100, h: 60 }, seen: { x: 0, y: 0, w: 100, h: 60 }, cornerMm: 0 };
  const corners = (outline: Outline) => record((to) => outlineOf(outline).trace(at, to)).filter((s) => s[0] !== "Z");
  for (const sides of [3, 5, 12]) expect(corners({ kind: "polygon", sides })).toHaveLength(sides);
  expect(corners({ kind: "star", points: 7, inner: 0.4 })).toHaveLength(14);
  const hollow = (inner: number) => {
    const [, second] = corners({ kind: "star", points: 4, inner }) as ["L", number, number][];
    return Math.hypot((second![1] - 50) / 50, (second![2] - 30) / 30);
  };
  expect([hollow(0.4), hollow(0.8)]).toEqual([expect.closeTo(0.4), expect.closeTo(0.8)]);
  const bumps = (sizeMm: number) => corners({ kind: "scallops", sizeMm }).filter((s) => s[0] === "C").length;
  expect([bumps(12), bumps(30)]).toEqual([2 * (8 + 4), 2 * (3 + 2)]);
  // Without a size of its own a cut corner has one that is seen.
  expect(outlineOf({ kind: "tag" }).holds(at, { x: 2, y: 2 })).toBe(false);
  expect(outlineOf({ kind: "tag" }).holds(at, { x: 2, y: 58 })).toBe(true);
  expect(outlineOf({ kind: "ticket" }).holds({ ...at, cornerMm: 25 }, { x: 15, y: 15 })).toBe(false);
});

test("what is inset too far is nothing, and what falls apart is several", () => {
  const square = [
    { x: 0, y: 0 },
    { x: 20, y: 0 },
    { x: 20, y: 20 },
    { x: 0, y: 20 },
  ];
  expect(insetRings([square], 11)).toEqual([]);
  expect(insetRings([square], 4)[0]).toHaveLength(4);
  const bone = [
    { x: 0, y: 0 },
    { x: 20, y: 0 },
    { x: 20, y: 8 },
    { x: 40, y: 8 },
    { x: 40, y: 0 },
    { x: 60, y: 0 },
    { x: 60, y: 20 },
    { x: 40, y: 20 },
    { x: 40, y: 12 },
    { x: 20, y: 12 },
    { x: 20, y: 20 },
    { x: 0, y: 20 },
  ];
  expect(insetRings([bone], 1)).toHaveLength(1);
  expect(insetRings([bone], 3)).toHaveLength(2);
});
