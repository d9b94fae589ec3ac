import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { allTiles, newPockets, photoIdOf, sideOf } from "#core/document";
import type { Photo } from "#core/photo";
import { shippedPatterns } from "#core/pockets";
import { applied, counter } from "../document/project.fixture.ts";
import { pocketsFilled } from "./index.ts";

const photo = (n: number) =>
  ({
    id: `photo${n}`,
    widthPx: n % 3 ? 3000 : 2000,
    heightPx: 2400,
    caption: "",
    takenAt: "2026-01-01T10:00:00",
  }) as Photo;
const photosOn = (pages: ReturnType<typeof newPockets>["pages"]) =>
  pages.map((p) => allTiles(p).flatMap((t) => photoIdOf(t) ?? []));

test("photos fill the pockets page by page, on over backs and onto new sheets, and none is lost or laid twice", () => {
  fc.assert(
    fc.property(fc.constantFrom(...shippedPatterns), fc.integer({ min: 1, max: 70 }), (pattern, count) => {
      const start = newPockets({ name: "", unit: "in", pattern }, { newId: counter("p"), at: "" });
      const photos = Array.from({ length: count }, (_, n) => photo(n));
      const filled = pocketsFilled(start, start.pages[0]!.id, photos, counter("new"));
      const { pages } = applied(start, filled.changes);
      const each = pattern.pockets.length;
      expect(filled.photos).toBe(count);
      expect(filled.pages).toBe(Math.ceil(count / each));
      expect(pages).toHaveLength(2 * Math.max(1, Math.ceil(count / (2 * each))));
      expect(filled.leaves).toBe(pages.length / 2 - 1);
      const on = photosOn(pages);
      // Page by page the next ones in their order, wherever on the page each suits.
      for (const [i, ids] of on.entries()) {
        const wanted = photos.slice(i * each, (i + 1) * each).map((p) => p.id);
        expect([...ids].sort()).toEqual([...wanted].sort());
      }
      expect(pages.map((p, i) => sideOf({ ...start, pages }, p.id) === (i % 2 ? "left" : "right"))).not.toContain(
        false,
      );
    }),
    { numRuns: 60 },
  );
});

test("what is in pockets already stays, and pages before the open one are left alone", () => {
  const pattern = shippedPatterns.find((p) => p.pockets.length > 2)!;
  const start = newPockets({ name: "", unit: "in", pattern }, { newId: counter("p"), at: "" });
  const [front, back] = start.pages;
  const first = pocketsFilled(start, front!.id, [photo(0), photo(1)], counter("a"));
  const some = applied(start, first.changes);
  const before = photosOn(some.pages)[0]!;
  const onBack = applied(some, pocketsFilled(some, back!.id, [photo(5)], counter("b")).changes);
  expect(photosOn(onBack.pages)).toEqual([before, ["photo5"]]);
  const more = Array.from({ length: pattern.pockets.length }, (_, n) => photo(10 + n));
  const full = photosOn(applied(onBack, pocketsFilled(onBack, front!.id, more, counter("c")).changes).pages);
  expect(full[0]).toEqual(expect.arrayContaining(before));
  expect(full[0]).toHaveLength(pattern.pockets.length);
  expect(pocketsFilled(start, "gone", [photo(1)], counter("d"))).toEqual({
    changes: [],
    photos: 0,
    pages: 0,
    leaves: 0,
  });
});
