import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { CoverGrid } from "./cover-grid.ts";
import type { ScatterPrint, ScatterTask } from "./print.ts";
import { ScatterTable } from "./table.ts";

const page = { w: 200, h: 150 };
const safeMm = 4;
const print = (id: string, w: number, h: number): ScatterPrint => ({
  id,
  w,
  h,
  must: [{ x: 0.3 * w, y: 0.2 * h, w: 0.3 * w, h: 0.3 * h }],
});
const task: ScatterTask = {
  page,
  safeMm,
  prints: [
    print("a", 60, 40),
    print("b", 40, 60),
    print("c", 50, 50),
    print("d", 70, 45),
    { ...print("e", 30, 30), must: [] },
  ],
  maxTurn: 9,
  share: 0.7,
  seed: 1,
};

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const spot = fc.record({ x: number(0, page.w), y: number(0, page.h), turn: number(-9, 9), height: number(0, 1) });
type Spot = { readonly x: number; readonly y: number; readonly turn: number; readonly height: number };

function laid(spots: readonly Spot[]): ScatterTable {
  const table = new ScatterTable(task);
  for (const [i, { x, y, turn, height }] of spots.entries()) table.place(i, x, y, turn, height);
  return table;
}

test("costs that are kept up to date are those of the prints laid down anew, whatever was changed and taken back", () => {
  const n = task.prints.length;
  const deed = fc.record({
    i: fc.nat(n - 1),
    to: spot,
    only: fc.constantFrom("all", "turn", "height"),
    back: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(spot, { minLength: n, maxLength: n }), fc.array(deed, { maxLength: 12 }), (first, deeds) => {
      const spots: Spot[] = [...first];
      const table = laid(spots);
      for (const { i, to, only, back } of deeds) {
        const was = spots[i]!;
        const next = only === "all" ? to : { ...was, [only]: to[only] };
        const before = table.total;
        const more = table.change(i, next.x, next.y, next.turn, next.height);
        expect(table.total - before).toBeCloseTo(more, 9);
        if (back) table.takeBack();
        else spots[i] = next;
      }
      const anew = laid(spots);
      expect(table.total).toBeCloseTo(anew.total, 6);
      expect([...table.seen]).toEqual([...anew.seen]);
      expect(table.hidesBoxes()).toBe(anew.hidesBoxes());
      for (let i = 0; i < n; i += 1) {
        expect(table.inTrouble(i)).toBe(anew.inTrouble(i));
        for (let k = 0; k < n; k += 1) if (i !== k) expect(table.hides(i, k)).toBe(anew.hides(i, k));
      }
    }),
  );
});

test("a face under another print, or beyond what is safe, is trouble; of two prints on one spot only the lower one is hidden", () => {
  const alone = (at: Spot): ScatterTable => {
    const table = new ScatterTable({ ...task, prints: task.prints.slice(0, 1) });
    table.place(0, at.x, at.y, at.turn, at.height);
    return table;
  };
  const inside = alone({ x: 100, y: 75, turn: 6, height: 0 });
  expect([inside.hidesBoxes(), inside.inTrouble(0), inside.seen[0]]).toEqual([false, false, 1]);
  // Its face reaches over the safe edge, and nothing lies on it.
  const beyond = alone({ x: 10, y: 75, turn: 6, height: 0 });
  expect([beyond.hidesBoxes(), beyond.inTrouble(0)]).toEqual([true, true]);

  const two = new ScatterTable({ ...task, prints: task.prints.slice(0, 2) });
  two.place(0, 100, 75, 6, 0.2);
  two.place(1, 100, 75, -6, 0.8);
  expect([two.hidesBoxes(), two.inTrouble(0), two.inTrouble(1)]).toEqual([true, true, false]);
  expect([two.hides(0, 1), two.hides(1, 0)]).toEqual([true, false]);
  // The other way round, and apart.
  two.change(0, 100, 75, 6, 0.9);
  expect([two.hides(0, 1), two.hides(1, 0), two.inTrouble(0), two.inTrouble(1)]).toEqual([false, true, false, true]);
  two.change(0, 45, 40, 6, 0.9);
  expect([two.hides(0, 1), two.hides(1, 0), two.hidesBoxes()]).toEqual([false, false, false]);
});

test("what a print covers is what its cells say, one by one, and taking it off gives back what it cost", () => {
  const columns = Math.round(Math.sqrt((1600 * page.w) / page.h));
  const rows = Math.round(1600 / columns);
  const bare = new CoverGrid(page.w, page.h, 20).bareCost / (columns * rows);
  fc.assert(
    fc.property(fc.array(spot, { minLength: 1, maxLength: 4 }), (spots) => {
      const grid = new CoverGrid(page.w, page.h, 20);
      const layers = new Map<number, number>();
      const costs = spots.map(({ x, y, turn }) => {
        const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
        let expected = 0;
        let onEdge = 0;
        for (let cell = 0; cell < columns * rows; cell += 1) {
          const dx = (((cell % columns) + 0.5) * page.w) / columns - x;
          const dy = ((Math.floor(cell / columns) + 0.5) * page.h) / rows - y;
          const [u, v] = [Math.abs(c * dx + s * dy), Math.abs(c * dy - s * dx)];
          if (Math.min(Math.abs(u - 30), Math.abs(v - 20)) < 1e-6) onEdge += 1;
          if (u > 30 || v > 20) continue;
          const under = layers.get(cell) ?? 0;
          expected += under === 0 ? -1 : under / 4;
          layers.set(cell, under + 1);
        }
        const cost = grid.stamp(x, y, c, s, 30, 20, 1);
        if (onEdge === 0) expect(cost).toBeCloseTo(expected * bare, 9);
        return cost;
      });
      for (const [i, { x, y, turn }] of [...spots.entries()].toReversed())
        expect(
          grid.stamp(x, y, Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180), 30, 20, -1),
        ).toBeCloseTo(-costs[i]!, 9);
    }),
  );
});
