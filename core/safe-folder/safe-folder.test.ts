import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { photoSchema } from "#core/photo/schema";
import { covers, joinedFacts, type SafeItem, settle, withIds } from "./index.ts";

const item = (
  by: string,
  n: number,
  seen: Record<string, number>,
  state: string | null = `works/${by}/${n}.json`,
): SafeItem => ({
  state,
  by,
  n,
  seen: { ...seen, [by]: n },
  at: "2026",
});

test("a state counts over those that it builds on, whatever any clock says", () => {
  const first = item("writera", 1, {});
  const second = item("writerb", 1, { writera: 1 });
  expect([covers(second, first), covers(first, second), covers(first, first)]).toEqual([true, false, true]);
  expect(settle(first, second)).toEqual({ item: second, from: "theirs" });
  expect(settle(second, first)).toEqual({ item: second, from: "mine" });
  expect(settle(undefined, first)).toEqual({ item: first, from: "theirs" });
  expect(settle(first, first)).toEqual({ item: first, from: "mine" });
});

test("changed apart from each other, one keeps the place and the other is kept beside it, the same on both sides", () => {
  const mine = item("writera", 3, { writerb: 1 });
  const theirs = item("writerb", 2, { writera: 1 });
  const here = settle(mine, theirs);
  const there = settle(theirs, mine);
  expect(here.item).toEqual({ ...theirs, seen: { writera: 3, writerb: 2 } });
  expect(there.item).toEqual(here.item);
  expect(here.copy?.item).toEqual({ ...mine, seen: { writera: 3 } });
  expect(there.copy?.item).toEqual(here.copy?.item);
  expect([here.from, here.copy?.from, there.from, there.copy?.from]).toEqual(["theirs", "mine", "mine", "theirs"]);
});

test("a change wins over a deletion, and leaves no copy of what was deleted", () => {
  const changed = item("writera", 2, { writerb: 1 });
  const deleted = item("writerb", 2, { writera: 1 }, null);
  for (const { item: won, copy } of [settle(changed, deleted), settle(deleted, changed)]) {
    expect(won.state).toBe(changed.state);
    expect(copy).toBeUndefined();
  }
  // Deleted by somebody who had seen it, it is gone.
  expect(settle(item("writera", 1, {}), item("writerb", 1, { writera: 1 }, null)).item.state).toBeNull();
});

const facts = fc.record({
  stars: fc.nat(5),
  hidden: fc.boolean(),
  removed: fc.boolean(),
  caption: fc.constantFrom("", "By the lock", "Heron", "By the lock / Heron"),
  takenFrom: fc.constantFrom("exif", "you"),
  pile: fc.constantFrom("auto", "top"),
});
const photo = (more: object) =>
  photoSchema.parse({
    id: "p",
    name: "p.jpg",
    type: "image/jpeg",
    sizeBytes: 1,
    hash: "0".repeat(64),
    widthPx: 3,
    heightPx: 2,
    takenAt: "2026-01-01T10:00:00",
    addedAt: "2026",
    ...more,
  });

test("facts that were changed apart come to the same on both sides, and nothing that a person set is hidden or lost", () => {
  fc.assert(
    fc.property(facts, facts, (x, y) => {
      const [a, b] = [photo(x), photo(y)];
      const joined = joinedFacts(a, b);
      expect(joinedFacts(b, a)).toEqual(joined);
      expect(joinedFacts(joined, a)).toEqual(joined);
      expect(joined.stars).toBe(Math.max(a.stars, b.stars));
      expect([joined.hidden, joined.removed]).toEqual([a.hidden && b.hidden, a.removed && b.removed]);
      for (const { caption } of [a, b]) expect(joined.caption).toContain(caption);
      expect(joined.takenFrom === "you").toBe(x.takenFrom === "you" || y.takenFrom === "you");
    }),
  );
});

test("ids are exchanged wherever they stand, as values and as names, and nothing else is", () => {
  const ids = new Map([["old", "new"]]);
  const value = { photoId: "old", list: ["old", "older"], old: 1, words: "old and gold", n: null };
  expect(withIds(value, ids)).toEqual({
    photoId: "new",
    list: ["new", "older"],
    new: 1,
    words: "old and gold",
    n: null,
  });
  expect(withIds(value, new Map())).toBe(value);
});
