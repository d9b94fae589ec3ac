import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { allSides, type Point, type Ring, ringArea, ringsHold } from "#core/geometry";
import { fingerprint } from "../../random/fingerprint.fixture.ts";
import { type Cell, canBeCut, type TilingTask, tilingCells, tilingPatterns } from "./index.ts";

const task = fc.record({
  pattern: fc.constantFrom(...tilingPatterns),
  count: fc.integer({ min: 1, max: 40 }),
  room: fc.record({
    x: fc.constantFrom(0, 7.5),
    y: fc.constantFrom(0, 12),
    w: fc.integer({ min: 150, max: 420 }),
    h: fc.integer({ min: 150, max: 420 }),
  }),
  gapMm: fc.constantFrom(0.5, 2, 3),
  cut: fc.boolean(),
  sag: fc.constantFrom(0, 0.1, 0.2),
  reach: fc.constant(allSides(0)),
});

const distance = (p: Point, a: Point, b: Point): number => {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const t = max(0, min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
  return hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
};

const { abs, hypot, max, min, sqrt } = Math;

/** As far as boxes around them are apart: at least so far are they themselves. */
function boxesApart(a: Cell, b: Cell): number {
  const [p, q] = [cornersOf(a), cornersOf(b)];
  const apartOn = (of: (p: Point) => number) => {
    const [u, v] = [p.map(of), q.map(of)];
    return max(min(...u) - max(...v), min(...v) - max(...u));
  };
  return max(
    apartOn((o) => o.x),
    apartOn((o) => o.y),
  );
}

/** Between two rings that do not overlap the shortest way starts at a corner of one of them. */
function apart(a: Cell, b: Cell): number {
  const far = boxesApart(a, b);
  if (far > 4) return far;
  if ("circle" in a && "circle" in b)
    return hypot(a.circle.x - b.circle.x, a.circle.y - b.circle.y) - a.circle.r - b.circle.r;
  if ("circle" in a && "ring" in b) return toRing(a.circle, b.ring) - a.circle.r;
  if ("ring" in a && "circle" in b) return toRing(b.circle, a.ring) - b.circle.r;
  const [r, s] = [(a as { ring: Ring }).ring, (b as { ring: Ring }).ring];
  return min(...r.map((p) => toRing(p, s)), ...s.map((p) => toRing(p, r)));
}
const toRing = (p: Point, ring: Ring): number =>
  min(...ring.map((a, i) => distance(p, a, ring[(i + 1) % ring.length]!)));

const cornersOf = (c: Cell): readonly Point[] =>
  "ring" in c
    ? c.ring
    : [0, 1, 2, 3].map((k) => ({
        x: c.circle.x + c.circle.r * Math.cos((k * Math.PI) / 2),
        y: c.circle.y + c.circle.r * Math.sin((k * Math.PI) / 2),
      }));

test("as many cells as are asked for, all inside the room, none nearer to another than the gap", () => {
  fc.assert(
    fc.property(task, (t) => {
      const cells = tilingCells(t);
      expect(cells).toHaveLength(t.count);
      const corners = cells.flatMap(cornersOf);
      const [xs, ys] = [corners.map((p) => p.x), corners.map((p) => p.y)];
      expect(min(...xs)).toBeGreaterThan(t.room.x - 0.01);
      expect(min(...ys)).toBeGreaterThan(t.room.y - 0.01);
      expect(max(...xs)).toBeLessThan(t.room.x + t.room.w + 0.01);
      expect(max(...ys)).toBeLessThan(t.room.y + t.room.h + 0.01);
      let nearest = Number.POSITIVE_INFINITY;
      for (const [i, c] of cells.entries()) for (const o of cells.slice(i + 1)) nearest = min(nearest, apart(c, o));
      expect(nearest).toBeGreaterThan(t.gapMm - 0.01);
    }),
    { numRuns: 80 },
  );
});

test("neighbours are just the gap apart, and the closest two are never further", () => {
  // Of a few cells that are left of a pattern some touch at corners only, where the gap is wider.
  fc.assert(
    fc.property(
      task.filter((t) => t.count > 7),
      (t) => {
        const cells = tilingCells(t);
        const least = min(...cells.flatMap((c, i) => cells.slice(i + 1).map((o) => apart(c, o))));
        expect(abs(least - t.gapMm)).toBeLessThan(0.01);
      },
    ),
    { numRuns: 60 },
  );
});

test("no brick of a herringbone is cut to a sliver that its gap would swallow, in rooms that are narrow too", () => {
  const side = fc.double({ min: 60, max: 400, noNaN: true });
  fc.assert(
    fc.property(
      side,
      side,
      fc.integer({ min: 8, max: 40 }),
      fc.double({ min: 0, max: 5, noNaN: true }),
      (w, h, count, gapMm) => {
        const cells = tilingCells({ ...asked("herringbone", count, h), room: { x: 0, y: 0, w, h }, gapMm });
        expect(cells).toHaveLength(count);
        const brick = sqrt((w * h) / (2 * count));
        for (const c of cells) {
          const ring = "ring" in c ? c.ring : [];
          const [xs, ys] = [ring.map((p) => p.x), ring.map((p) => p.y)];
          const thinnest = min(max(...xs) - min(...xs), max(...ys) - min(...ys));
          expect(thinnest).toBeGreaterThan(min(1, brick / 8));
        }
      },
    ),
    // Here every width of brick leaves a strip at some side.
    { numRuns: 60, examples: [[64.6, 60, 16, 5]] },
  );
});

test("what is cut at the edges, and bricks, leave nothing of the room bare but the gaps", () => {
  const full = tilingPatterns.filter((p) => canBeCut.has(p) || p === "bricks" || p === "herringbone");
  fc.assert(
    fc.property(task, fc.constantFrom(...full), (t, pattern) => {
      const grown = tilingCells({ ...t, pattern, cut: true, gapMm: 0 });
      const area = grown.reduce((sum, c) => sum + ("ring" in c ? abs(ringArea(c.ring)) : 0), 0);
      expect(area / (t.room.w * t.room.h)).toBeCloseTo(1, 4);
    }),
    { numRuns: 60 },
  );
});

test("whole cells that are regular stay nearly so", () => {
  for (const count of [3, 7, 19]) {
    const [cell] = tilingCells({ ...asked("hexagons", count, 90), cut: false }) as [{ ring: Ring }];
    const [xs, ys] = [cell.ring.map((p) => p.x), cell.ring.map((p) => p.y)];
    const ratio = (max(...ys) - min(...ys)) / (max(...xs) - min(...xs));
    expect(ratio).toBeGreaterThan(1.1547 / 1.12);
    expect(ratio).toBeLessThan(1.1547 * 1.12);
  }
});

const asked = (pattern: TilingTask["pattern"], count: number, h = 200): TilingTask => ({
  pattern,
  count,
  room: { x: 0, y: 0, w: 300, h },
  gapMm: 3,
  cut: true,
  sag: 0.1,
  reach: allSides(0),
});

test("cells at the cut go on into the bleed, and only there", () => {
  for (const pattern of [...canBeCut, "bricks"] as const) {
    const plain = tilingCells(asked(pattern, 12)) as { ring: Ring }[];
    const out = tilingCells({ ...asked(pattern, 12), reach: { left: 3, top: 3, right: 0, bottom: 0 } }) as {
      ring: Ring;
    }[];
    const all = out.flatMap((c) => c.ring);
    expect(min(...all.map((p) => p.x))).toBeCloseTo(-3, 3);
    expect(min(...all.map((p) => p.y))).toBeCloseTo(-3, 3);
    expect(max(...all.map((p) => p.x))).toBeCloseTo(300, 3);
    for (const [i, { ring }] of plain.entries())
      for (const p of ring.filter((q) => q.x > 1 && q.y > 1 && q.x < 299 && q.y < 199))
        expect(
          ringsHold([out[i]!.ring], { x: p.x, y: p.y }) || out[i]!.ring.some((q) => q.x === p.x && q.y === p.y),
        ).toBe(true);
  }
});

test("pennants hang from a line: their upper corners lie on it, and it hangs as far as is asked", () => {
  const [w, sag] = [300, 0.1];
  const cells = tilingCells({ ...asked("pennants", 5, 130), sag }) as { ring: Ring }[];
  expect(cells).toHaveLength(5);
  const row = cells.filter((c) => min(...c.ring.map((p) => p.y)) < 60);
  for (const { ring } of row)
    for (const p of ring.slice(0, 2)) expect(p.y).toBeCloseTo(sag * w * (1 - ((2 * p.x) / w - 1) ** 2), 1);
});

test("every pattern lies as it lay, whole and cut, wide and narrow", () => {
  const rooms = [
    { x: 6, y: 6, w: 288, h: 288 },
    { x: 0, y: 12, w: 150, h: 400 },
  ];
  const laid = tilingPatterns.map((pattern) => {
    const cells = rooms.flatMap((room) =>
      [5, 17].flatMap((count) =>
        [true, false].map((cut) =>
          tilingCells({ pattern, count, room, gapMm: 2, cut, sag: 0.1, reach: allSides(cut ? 9 : 0) }),
        ),
      ),
    );
    return [pattern, fingerprint(cells)];
  });
  expect(Object.fromEntries(laid)).toMatchSnapshot();
});
