import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { cropOf, grid, gridRects, meanCrop, seamStretches, tracksWithSeamAt, widestGap } from "./index.ts";
import { tilingFault } from "./tiled.fixture.ts";

const aspects = (most: number) =>
  fc.array(fc.double({ min: 0.1, max: 8, noNaN: true }), { minLength: 1, maxLength: most });
const side = fc.double({ min: 80, max: 900, noNaN: true });
const gapOf = fc.double({ min: 0, max: 4, noNaN: true });
const count = fc.option(fc.integer({ min: 1, max: 9 }), { nil: undefined });

const asked = (rows?: number, columns?: number) => ({
  ...(rows === undefined ? {} : { rows }),
  ...(columns === undefined ? {} : { columns }),
});

test("a grid that is chosen for the photos has a tile for each, fills the room, and has every gap the same", () => {
  fc.assert(
    fc.property(aspects(40), side, side, gapOf, (list, w, h, gap) => {
      const room = { x: 6, y: 9, w, h };
      const plan = grid({ aspects: list, room, gap, asked: {} });
      expect(plan.cells).toHaveLength(list.length);
      expect(tilingFault(gridRects(plan, room, gap), room, gap)).toBeUndefined();
    }),
    { numRuns: 60 },
  );
});

test("typed rows and columns are kept, and the room is full with one side typed as well", () => {
  fc.assert(
    fc.property(aspects(20), count, count, (list, rows, columns) => {
      const room = { x: 0, y: 0, w: 300, h: 200 };
      const plan = grid({ aspects: list, room, gap: 2, asked: asked(rows, columns) });
      if (rows !== undefined) expect(plan.rows).toHaveLength(rows);
      if (columns !== undefined) expect(plan.columns).toHaveLength(columns);
      if (rows !== undefined && columns !== undefined) expect(plan.cells).toHaveLength(rows * columns);
      expect(tilingFault(gridRects(plan, room, 2), room, 2)).toBeUndefined();
    }),
    { numRuns: 80 },
  );
});

test("the chosen grid crops no more than any plain one with a cell for each photo", () => {
  const list = [1.5, 1.5, 0.67, 1.33, 1.5, 1, 1.5, 0.75, 1.5, 1.33, 1.5, 1.5];
  const room = { x: 0, y: 0, w: 300, h: 300 };
  const cropped = (plan: ReturnType<typeof grid>) => meanCrop(list, gridRects(plan, room, 3));
  const best = cropped(grid({ aspects: list, room, gap: 3, asked: {} }));
  for (const rows of [1, 2, 3, 4, 6, 12])
    expect(best).toBeLessThanOrEqual(
      cropped(grid({ aspects: list, room, gap: 3, asked: { rows, columns: 12 / rows } })) + 1e-9,
    );
});

test("same task, same plan; nothing to arrange is one empty cell", () => {
  const task = { aspects: [1.5, 0.7, 1.2, 2.5, 1], room: { w: 200, h: 200 }, gap: 2, asked: {} };
  expect(grid(task)).toEqual(grid(task));
  expect(grid({ ...task, aspects: [] }).cells).toHaveLength(1);
});

test("crop is the share of the photo that is lost", () => {
  expect(cropOf(1.5, 1.5)).toBe(0);
  expect(cropOf(1.5, 0.75)).toBe(0.5);
  expect(cropOf(0.75, 1.5)).toBe(0.5);
});

test("moving a seam keeps the page exact and no tile is lost, wherever the hand goes", () => {
  fc.assert(
    fc.property(
      aspects(12),
      fc.nat(20),
      fc.double({ min: -400, max: 900, noNaN: true }),
      gapOf,
      (list, pick, at, gap) => {
        const room = { x: 0, y: 0, w: 300, h: 300 };
        const plan = grid({ aspects: list, room, gap, asked: {} });
        if (plan.columns.length < 2) return;
        const index = pick % (plan.columns.length - 1);
        const columns = tracksWithSeamAt(plan.columns, room.w, gap, index, at);
        expect(tilingFault(gridRects({ ...plan, columns }, room, gap), room, gap)).toBeUndefined();
        expect(tracksWithSeamAt(columns, room.w, gap, index, at)).toBe(columns);
      },
    ),
    { numRuns: 80 },
  );
});

test("the seam comes to lie where it was put", () => {
  const tracks = tracksWithSeamAt([0.5, 0.5], 100, 4, 0, 30);
  const [a, b] = gridRects(
    { columns: tracks, rows: [1], cells: [0, 1].map((column) => ({ column, row: 0, columns: 1, rows: 1 })) },
    { x: 0, y: 0, w: 100, h: 50 },
    4,
  );
  expect(a!.x + a!.w).toBeCloseTo(28);
  expect(b!.x).toBeCloseTo(32);
});

test("seams are held where two tiles meet, and not where one reaches across", () => {
  const plan = {
    columns: [0.5, 0.5],
    rows: [0.5, 0.5],
    cells: [
      { column: 0, row: 0, columns: 2, rows: 1 },
      { column: 0, row: 1, columns: 1, rows: 1 },
      { column: 1, row: 1, columns: 1, rows: 1 },
    ],
  };
  const found = seamStretches(plan, { x: 10, y: 10, w: 102, h: 102 }, 2);
  expect(found).toEqual([
    { axis: "columns", index: 0, at: 61, from: 62, to: 112 },
    { axis: "rows", index: 0, at: 61, from: 10, to: 112 },
  ]);
});

test("the widest gap leaves every track its least", () => {
  expect(widestGap({ x: 0, y: 0, w: 100, h: 60 }, 3, 2, 2)).toBe(30);
  expect(widestGap({ x: 0, y: 0, w: 100, h: 60 }, 11, 1, 2)).toBeCloseTo(7.8);
  expect(widestGap({ x: 0, y: 0, w: 10, h: 60 }, 11, 1, 2)).toBe(0);
});
