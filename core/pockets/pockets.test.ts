import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { backOf, insertIn, shippedPatterns, typedPattern } from "./index.ts";
import { patternSchema } from "./schema/index.ts";

test("patterns that come along are sound: pockets on the page, none over another, every binder served", () => {
  expect(new Set(shippedPatterns.map((p) => p.binder))).toEqual(
    new Set(["12 × 12 in", "8½ × 11 in", "9 × 12 in", "6 × 8 in", "A4"]),
  );
  expect(new Set(shippedPatterns.map((p) => p.id)).size).toBe(shippedPatterns.length);
  for (const p of shippedPatterns) {
    expect(patternSchema.safeParse(p).success).toBe(true);
    for (const [i, a] of p.pockets.entries()) {
      expect(a.x + a.w).toBeLessThanOrEqual(p.widthMm);
      expect(a.y + a.h).toBeLessThanOrEqual(p.heightMm);
      for (const b of p.pockets.slice(i + 1)) {
        const apart = a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y;
        expect([p.id, i, apart]).toEqual([p.id, i, true]);
      }
    }
  }
});

test("a pocket for a card of 3 × 4 inches takes it with 2 mm of play", () => {
  const pattern = shippedPatterns.find((p) => p.id === "12-twelve-upright")!;
  for (const pocket of pattern.pockets) {
    const card = insertIn(pocket, 2);
    expect([card.w, card.h].map((v) => v.toFixed(2))).toEqual(["76.20", "101.60"]);
    expect(card.x - pocket.x).toBeCloseTo(1);
  }
});

test("the back of the back is the front, and every pocket lies where it lay, seen from behind", () => {
  for (const p of shippedPatterns) {
    expect(backOf(backOf(p))).toEqual(p);
    for (const [i, pocket] of backOf(p).pockets.entries())
      expect(pocket.x + p.pockets[i]!.x + pocket.w).toBeCloseTo(p.widthMm, 6);
  }
});

test("typed pockets lie as they were typed, or it is said why they cannot", () => {
  const given = { id: "x", name: "Mine", binder: "" };
  fc.assert(
    fc.property(
      fc.record({
        columns: fc.integer({ min: 0, max: 12 }),
        rows: fc.integer({ min: 0, max: 12 }),
        pocketWidthMm: fc.integer({ min: 1, max: 300 }),
        pocketHeightMm: fc.integer({ min: 1, max: 300 }),
        apartMm: fc.integer({ min: 0, max: 10 }),
        fromLeftMm: fc.integer({ min: 0, max: 30 }),
        fromTopMm: fc.integer({ min: 0, max: 30 }),
      }),
      (typed) => {
        const made = typedPattern(typed, given);
        if (!made.ok) return;
        expect(patternSchema.safeParse(made.value).success).toBe(true);
        const [first] = made.value.pockets;
        expect([first!.x, first!.y]).toEqual([typed.fromLeftMm, typed.fromTopMm]);
        expect(made.value.pockets).toHaveLength(typed.columns * typed.rows);
      },
    ),
  );
  const typed = { columns: 2, rows: 2, pocketWidthMm: 50, pocketHeightMm: 50, apartMm: 2, fromLeftMm: 3, fromTopMm: 3 };
  expect(typedPattern({ ...typed, columns: 0 }, given)).toMatchObject({ code: "noPockets" });
  expect(typedPattern({ ...typed, columns: 9, rows: 9 }, given)).toMatchObject({ code: "tooManyPockets" });
  expect(typedPattern({ ...typed, columns: 20 }, given)).toMatchObject({ code: "pageTooLarge" });
});
