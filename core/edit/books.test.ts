import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedTiles,
  type Change,
  commit,
  lookOf,
  mapTiles,
  noHistory,
  type Page,
  type Project,
} from "#core/document";
import { applied, counter } from "../document/project.fixture.ts";
import { bareBook, bookOf } from "./books.fixture.ts";
import {
  breakable,
  breakMoved,
  breakRange,
  lookOnEvery,
  lookOnThese,
  mirroredLook,
  numbersShown,
  photoIdsOn,
  photosMoved,
} from "./index.ts";

const deps = { aspectOf: () => 1.5, newId: counter("n") };
const kept = (project: Project, changes: readonly Change[] | undefined): Project => {
  const gesture = { name: { code: "arranged", count: 1 }, changes: changes ?? [], at: "" } as const;
  const done = commit({ project, history: noHistory }, gesture);
  if (!done.ok) throw new Error(done.code);
  return done.value.project;
};

test("a break takes photos along in their order, and leaves one on each page at least", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 6 }),
      fc.integer({ min: 1, max: 6 }),
      fc.integer({ min: -9, max: 9 }),
      (a, b, by) => {
        const project = bookOf([0, a, b]);
        const [left, right] = [project.pages[1]!, project.pages[2]!];
        const all = [...photoIdsOn(left), ...photoIdsOn(right)];
        const moved = breakMoved(project, [left.id, right.id], by, deps);
        const [least, most] = breakRange(left, right);
        const steps = Math.max(least, Math.min(most, by));
        expect(moved?.count ?? 0).toBe(Math.abs(steps));
        const { pages } = kept(project, moved?.changes);
        expect([...photoIdsOn(pages[1]!), ...photoIdsOn(pages[2]!)]).toEqual(all);
        expect(photoIdsOn(pages[1]!)).toHaveLength(a + steps);
      },
    ),
    { numRuns: 40 },
  );
});

test("a break is moved only between pages of photos that are free to be arranged anew", () => {
  const project = bookOf([0, 3, 2, 0]);
  const [bare, left, right] = project.pages as [Page, Page, Page];
  expect(breakable(left, right)).toBe(true);
  for (const other of [undefined, bare, { ...right, blank: true }]) expect(breakable(left, other)).toBe(false);
  const first = arrangedTiles(right)[0]!.id;
  const changed = [
    mapTiles(right, (t) => (t.id === first ? { ...t, lock: { place: true } } : t)),
    mapTiles(right, (t) => (t.id === first ? { ...t, filling: { kind: "empty" } } : t)),
  ];
  for (const page of changed) expect([breakable(left, page), breakable(page, right)]).toEqual([false, false]);
});

test("photos go onto another page behind those that are there, and nowhere else", () => {
  const project = bookOf([0, 3, 2]);
  const [from, to] = [project.pages[1]!, project.pages[2]!];
  const first = arrangedTiles(from)[0]!.id;
  const moved = photosMoved(project, from.id, [first], to.id, deps);
  const { pages } = kept(project, moved?.changes);
  expect([photoIdsOn(pages[1]!), photoIdsOn(pages[2]!)]).toEqual([
    ["p1", "p2"],
    ["p3", "p4", "p0"],
  ]);
  expect(photosMoved(project, from.id, ["gone"], to.id, deps)).toBeUndefined();
  expect(photosMoved(project, from.id, [first], from.id, deps)).toBeUndefined();
});

test("a look goes onto pages that have room for it, the others and the cover go on as they were, and nothing is copied down", () => {
  const project = bookOf([0, 2, 3]);
  const look = { ...project.style, background: "#336655" };
  const wide = { ...look, gapMm: 160 };
  const before = project.pages.map((p) => lookOf(p, project.style));
  const { changes, count, left } = lookOnEvery(project, wide);
  const after = kept(project, changes);
  expect(count + left).toBe(project.pages.length);
  expect(left).toBeGreaterThan(0);
  for (const [i, page] of after.pages.entries()) {
    const says = page.background !== undefined;
    expect(lookOf(page, after.style)).toEqual(says ? before[i] : wide);
  }
  expect(lookOnThese(project, [project.pages[1]!], look)).toMatchObject({ count: 1, left: 0 });
  expect(mirroredLook(mirroredLook(look))).toEqual(look);
});

test("shown page numbers raise the foot of every page that has too little, but of those without a number", () => {
  const low = { ...bareBook, style: { ...bareBook.style, margin: { ...bareBook.style.margin, bottom: 1 } } };
  const plain = low.pages[3]!.id;
  const own = low.pages[4]!.id;
  const project = applied(low, [
    { type: "setPages", items: [{ id: plain, set: { plain: true } }] },
    { type: "setPages", items: [{ id: own, set: { margin: { top: 5, right: 5, bottom: 2, left: 5 } } }] },
  ]);
  const shown = kept(project, numbersShown(project, true));
  const feet = new Map(shown.pages.map((p) => [p.id, lookOf(p, shown.style).margin.bottom]));
  expect(shown.book!.numbers.shown).toBe(true);
  expect(feet.get(plain)).toBe(1);
  const others = [...feet].filter(([id]) => id !== plain).map(([, mm]) => mm);
  expect(new Set(others).size).toBe(1);
  expect(others[0]).toBeGreaterThan(5);
  const hidden = kept(shown, numbersShown(shown, false));
  expect(hidden.pages).toEqual(shown.pages);
});
