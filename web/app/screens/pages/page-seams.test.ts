import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  applyChange,
  barePage,
  frameRect,
  layPhotos,
  layTree,
  type Page,
  type Project,
  roomRect,
} from "#core/document";
import { collage, counter, squareFormat as format } from "../../../../core/document/project.fixture.ts";
import { pageSeams, snapped } from "./page-seams.ts";

const base = collage([1.5]);
const photos = [1.5, 0.67, 1.5, 1, 1.33, 0.67, 1.5].map((aspect, i) => ({ id: `p${i}`, aspect }));
const page = (tree: boolean): Page => {
  const bare = barePage(base.style, counter("page"));
  const laid = tree
    ? layTree(bare, format, { photos, seed: 0, newId: counter("t") })
    : layPhotos(bare, format, { photos, asked: { rows: 3, columns: 3 }, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return laid.value.page;
};

/** The page after a seam was let go at a place. */
function after(now: Page, index: number, by: number, alone: boolean): Page {
  const seam = pageSeams(now, format)[index]!;
  const project: Project = { ...base, pages: [now] };
  const changed = applyChange(project, seam.moved(now, seam.at + by, alone));
  if (!changed.ok) throw new Error(changed.code);
  return changed.value.pages[0]!;
}
const rects = (p: Page) => p.tiles.map((t) => frameRect(t.frame));
const moved = (a: Page, b: Page) =>
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
  const room = roomRect(now.look, format);
  for (const seam of pageSeams(now, format)) {
    const [start, length] = seam.across ? [room.x, room.w] : [room.y, room.h];
    for (const share of [1 / 3, 1 / 2, 2 / 3])
      expect(seam.snaps.some((s) => Math.abs(s - (start + share * length)) < 1e-9)).toBe(true);
    expect(seam.snaps.some((s) => Math.abs(s - seam.at) < 1e-6)).toBe(true);
  }
  const set = after(now, 0, 9, false);
  const [first] = pageSeams(now, format);
  const there = pageSeams(set, format).find((s) => s.key === first!.key)!;
  expect(there.at).toBeCloseTo(first!.at + 9, 5);
  expect(there.snaps.some((s) => Math.abs(s - first!.at) < 1e-5)).toBe(true);
});

test("each seam of a page has a name of its own, and one of a grid's column is the stop for the tab key", () => {
  const tree = pageSeams(page(true), format);
  expect(new Set(tree.map((s) => s.label)).size).toBe(tree.length);
  const grid = pageSeams(page(false), format);
  const stops = grid.filter((s) => s.main);
  expect(new Set(stops.map((s) => s.label)).size).toBe(stops.length);
  expect(pageSeams(barePage(base.style, counter("n")), format)).toEqual([]);
});

test("a seam moved alone moves no more than one moved with its line", () => {
  const now = page(true);
  for (const [i, seam] of pageSeams(now, format).entries()) {
    if (!seam.across) continue;
    expect(moved(now, after(now, i, 6, true))).toBeLessThanOrEqual(moved(now, after(now, i, 6, false)));
  }
});

test("a grid's seam moves its whole column", () => {
  const now = page(false);
  const index = pageSeams(now, format).findIndex((s) => s.across);
  const next = after(now, index, 11, false);
  expect(pageSeams(next, format)[index]!.at).toBeCloseTo(pageSeams(now, format)[index]!.at + 11, 5);
});
