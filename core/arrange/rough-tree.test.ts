import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { leavesOf, treeFromRough, treeRects } from "./index.ts";

const sizes = fc.record({ columns: fc.integer({ min: 1, max: 4 }), rows: fc.integer({ min: 1, max: 4 }) });

test("rows and columns put down by eye come out in line, with one gap, near to where they lay", () => {
  fc.assert(
    fc.property(
      sizes,
      fc.array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: 64, maxLength: 64 }),
      ({ columns, rows }, off) => {
        const rects = Array.from({ length: columns * rows }, (_, i) => ({
          tileId: `t${i}`,
          x: 44 * (i % columns) + off[2 * i]!,
          y: 34 * Math.floor(i / columns) + off[2 * i + 1]!,
          w: 40,
          h: 30,
        }));
        const tree = treeFromRough(rects)!;
        expect(
          leavesOf(tree)
            .map((l) => l.tileId)
            .toSorted(),
        ).toEqual(rects.map((r) => r.tileId).toSorted());
        const room = { x: 0, y: 0, w: 44 * columns - 4, h: 34 * rows - 4 };
        const placed = treeRects(tree, room, 4);
        for (const r of rects) {
          const now = placed.get(r.tileId)!;
          expect(Math.hypot(now.x - r.x, now.y - r.y)).toBeLessThan(9);
          for (const o of rects) {
            if (o === r) continue;
            const other = placed.get(o.tileId)!;
            const across = Math.max(other.x - now.x - now.w, now.x - other.x - other.w);
            const down = Math.max(other.y - now.y - now.h, now.y - other.y - other.h);
            expect(Math.max(across, down)).toBeGreaterThan(4 - 1e-6);
          }
        }
      },
    ),
  );
});

test("one alone keeps its shape, none is nothing", () => {
  expect(treeFromRough([])).toBeUndefined();
  expect(treeFromRough([{ tileId: "a", x: 3, y: 4, w: 30, h: 20 }])).toEqual({ tileId: "a", aspect: 1.5 });
});
