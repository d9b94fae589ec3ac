import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { assigned } from "./assignment.ts";

/** All ways to give each row a column of its own. */
function* all(rows: number, columns: number, used: number[] = []): Generator<number[]> {
  if (used.length === rows) yield used;
  else for (let c = 0; c < columns; c += 1) if (!used.includes(c)) yield* all(rows, columns, [...used, c]);
}

test("no other way is cheaper, as trying all of them shows", () => {
  fc.assert(
    fc.property(
      fc
        .integer({ min: 0, max: 5 })
        .chain((rows) =>
          fc
            .integer({ min: rows, max: 6 })
            .chain((columns) =>
              fc.tuple(
                fc.constant(rows),
                fc.constant(columns),
                fc.array(fc.integer({ min: 0, max: 20 }), { minLength: rows * columns, maxLength: rows * columns }),
              ),
            ),
        ),
      ([rows, columns, costs]) => {
        const cost = (r: number, c: number) => costs[r * columns + c]!;
        const sum = (way: readonly number[]) => way.reduce((s, c, r) => s + cost(r, c), 0);
        const found = assigned(rows, columns, cost);
        expect(new Set(found).size).toBe(rows);
        expect(sum(found)).toBe(Math.min(...[...all(rows, columns)].map(sum)));
      },
    ),
  );
});
