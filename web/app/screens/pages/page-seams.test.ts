import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedOn,
  barePage,
  frameRect,
  insideRect,
  layPhotos,
  layTree,
  type PlacedPage,
  placeAgain,
  placePage,
} from "#core/document";
import { collage, counter, squareFormat as format } from "../../../../core/document/project.fixture.ts";
import { pageSeams, snapped } from "./page-seams.ts";

const base = collage([1.5]);
const photos = [1.5, 0.67, 1.5, 1, 1.33, 0.67, 1.5].map((aspect, i) => ({ id: `p${i}`, aspect }));
const bare = placePage(barePage(counter("page")), format, base.style);
const page = (tree: boolean): PlacedPage => {
  const laid = tree
    ? layTree(bare, { photos, seed: 0, newId: counter("t") })
    : layPhotos(bare, { photos, asked: { rows: 3, columns: 3 }, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return placeAgain(bare, laid.value.page);
};

/** The page after a seam was let go at a place. */
function after(now: PlacedPage, index: number, by: number, alone: boolean): PlacedPage {
  const seam = pageSeams(now)[index]!;
  return placeAgain(now, seam.moved(now, seam.at + by, alone));
}
const rects = (on: PlacedPage) => arrangedOn(on).map((t) => frameRect(t.frame));
const moved = (a: PlacedPage, b: PlacedPage) =>
  rects(a).filter((r, i) => Math.max(Math.abs(r.x - rects(b)[i]!.x), Math.abs(r.w - rects(b)[i]!.w)) > 1e-6).length;

test("a place snaps to the nearest within reach, and stays where none is", () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 300, noNaN: true }),
      fc.array(fc.double({ min: 0, max: 300, noNaN: true }), { maxLength: 8 }),
      fc.double({ min: 0, max: 9, noNaN: true }),
      (at, snaps, reach) => {
        const to = snapped(at, snaps, reach);
        const nearest = Math.min(...snaps.map((s) => Math.abs(s - at)));
        if (nearest > reach) expect(to).toBe(at);
        else expect(Math.abs(to - at)).toBeCloseTo(nearest, 9);
      },
    ),
  );
});

test("seams snap to halves and thirds of the room, to others, and to where they fit best", () => {
  const now = page(true);
  const room = insideRect(now.look, format);
  for (const seam of pageSeams(now)) {
    const [start, length] = seam.across ? [room.x, room.w] : [room.y, room.h];
    for (const share of [1 / 3, 1 / 2, 2 / 3])
      expect(seam.snaps().some((s) => Math.abs(s - (start + share * length)) < 1e-9)).toBe(true);
    expect(seam.snaps().some((s) => Math.abs(s - seam.at) < 1e-6)).toBe(true);
  }
  const set = after(now, 0, 9, false);
  const [first] = pageSeams(now);
  const there = pageSeams(set).find((s) => s.key === first!.key)!;
  expect(there.at).toBeCloseTo(first!.at + 9, 5);
  expect(there.snaps().some((s) => Math.abs(s - first!.at) < 1e-5)).toBe(true);
});

test("each seam of a page has a name of its own, and one of a grid's column is the stop for the tab key", () => {
  const tree = pageSeams(page(true));
  expect(new Set(tree.map((s) => s.label)).size).toBe(tree.length);
  const grid = pageSeams(page(false));
  const stops = grid.filter((s) => s.main);
  expect(new Set(stops.map((s) => s.label)).size).toBe(stops.length);
  expect(pageSeams(bare)).toEqual([]);
});

test("a seam moved alone moves no more than one moved with its line", () => {
  const now = page(true);
  for (const [i, seam] of pageSeams(now).entries()) {
    if (!seam.across) continue;
    expect(moved(now, after(now, i, 6, true))).toBeLessThanOrEqual(moved(now, after(now, i, 6, false)));
  }
});

test("a grid's seam moves its whole column", () => {
  const now = page(false);
  const index = pageSeams(now).findIndex((s) => s.across);
  const next = after(now, index, 11, false);
  expect(pageSeams(next)[index]!.at).toBeCloseTo(pageSeams(now)[index]!.at + 11, 5);
});
