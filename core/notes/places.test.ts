import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Project } from "#core/document";
import { markOfPlace, type NotePlace, pointOn, shareOf, stretchIn, whereabouts } from "./index.ts";

import { changed, facts, hashes, page, photosSwapped, project, tiles } from "./notes.fixture.ts";

const onPhoto = (i: number, within = { x: 0.25, y: -0.1 }): NotePlace => ({
  on: "photo",
  pageId: page.id,
  tileId: tiles()[i]!.id,
  within,
  near: { x: 1, y: 2 },
  photo: hashes[`p${i}`]!,
});
test("a point of a tile, turned by any angle, comes back as the share it was made of", () => {
  const n = fc.double({ min: -1.9, max: 1.9, noNaN: true });
  const size = fc.double({ min: 1, max: 500, noNaN: true });
  fc.assert(
    fc.property(n, n, size, size, fc.integer({ min: -180, max: 180 }), (x, y, width, height, turn) => {
      const tile = { frame: { centre: { x: 30, y: 70 }, width, height, turn } };
      const back = shareOf(tile, pointOn(tile, { x, y }));
      expect(back.x).toBeCloseTo(x, 9);
      expect(back.y).toBeCloseTo(y, 9);
    }),
  );
  // A quarter to the right: what lay to the right of the middle lies below it.
  const tile = { frame: { centre: { x: 10, y: 20 }, width: 8, height: 4, turn: 90 } };
  const at = pointOn(tile, { x: 0.5, y: 0 });
  expect([at.x, at.y].map((v) => Math.round(v * 1e9) / 1e9)).toEqual([10, 24]);
});

test("a note on a photo goes where that photo goes, and back to its tile where the photo is gone", () => {
  const [first, second] = tiles();
  const place = onPhoto(0);
  const there = (p: Project) => whereabouts(p, place, facts);
  expect(there(project)).toMatchObject({ pageId: page.id, tileId: first!.id, gone: false });
  expect(there(project).at).toEqual(pointOn(first!, { x: 0.25, y: -0.1 }));
  const swapped = photosSwapped();
  expect(there(swapped)).toMatchObject({ tileId: second!.id, gone: false });
  const emptied = changed({
    type: "setTiles",
    pageId: page.id,
    items: [{ id: first!.id, set: { filling: { kind: "empty" } } }],
  });
  expect(there(emptied)).toMatchObject({ tileId: first!.id, gone: false });
  const cleared = changed({ type: "replacePage", page: { ...page, pieces: [] } });
  expect(there(cleared)).toEqual({ pageId: page.id, tileId: null, at: { x: 1, y: 2 }, gone: true });
  const other = { ...project, pages: [{ ...page, id: "another", pieces: [] }] };
  expect(there(other)).toEqual({ pageId: null, tileId: null, at: { x: 1, y: 2 }, gone: true });
});

test("the state of a place is another once what it speaks of has changed, and the same where only something else has", () => {
  const [first, second] = tiles();
  const places: NotePlace[] = [
    onPhoto(0),
    { on: "page", pageId: page.id },
    { on: "point", pageId: page.id, at: { x: 1, y: 1 } },
  ];
  const before = places.map((p) => markOfPlace(project, p, facts));
  expect(before.every((m) => /^[0-9a-f]{16}$/.test(m))).toBe(true);
  const nextTo = changed({
    type: "setTiles",
    pageId: page.id,
    items: [{ id: second!.id, set: { filling: { kind: "empty" } } }],
  });
  const onIt = changed({
    type: "setTiles",
    pageId: page.id,
    items: [{ id: first!.id, set: { filling: { kind: "empty" } } }],
  });
  const same = (p: Project) => places.map((place, i) => markOfPlace(p, place, facts) === before[i]);
  expect(same({ ...project, name: "Another" })).toEqual([true, true, true]);
  expect(same(nextTo)).toEqual([true, false, false]);
  expect(same(onIt)).toEqual([false, false, false]);
  expect(markOfPlace(project, { on: "book" }, facts)).toBe("");
  // Another computer knows the same photo by another id.
  const renamed = JSON.parse(JSON.stringify(project).replaceAll('"p0"', '"x0"')) as Project;
  const there = { ...facts, hashOf: (id: string) => hashes[id.replace("x", "p")] };
  expect(markOfPlace(renamed, places[0]!, there)).toBe(before[0]);
});

test("words that a note quotes are found again where they stand now, the nearest of several", () => {
  const quoted = { from: 10, to: 15, quote: "Hilda" };
  expect(stretchIn("Aunt with  Hilda there", { ...quoted, from: 11, to: 16 })).toEqual({ from: 11, to: 16 });
  expect(stretchIn("Hilda and her boat, and Hilda", quoted)).toEqual({ from: 0, to: 5 });
  expect(stretchIn("Hilda and her dog and Hilda", { ...quoted, from: 15, to: 20 })).toEqual({ from: 22, to: 27 });
  expect(stretchIn("Hilde", quoted)).toBeUndefined();
});
