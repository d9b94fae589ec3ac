import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { allSides } from "#core/geometry";
import {
  applyChange,
  arrangedOn,
  arrangedTiles,
  type Change,
  commit,
  type Editing,
  emptyPlaces,
  fillEmpty,
  frameRect,
  invertChange,
  layPhotos,
  lookChange,
  nextRedo,
  nextUndo,
  noHistory,
  type Project,
  placePage,
  redo,
  undo,
} from "../index.ts";
import { anyChange, collage, counter, firstPlaced, mixedProject, squareFormat } from "../project.fixture.ts";
import { projectSchema } from "../schema/index.ts";

const seven = collage([1.5, 0.7, 1, 2.2, 1.3, 0.8, 1.5]);
const mixed = mixedProject();
const pageId = seven.pages[0]!.id;
const at = (ms: number) => new Date(ms).toISOString();
const start: Editing = { project: seven, history: noHistory };
const rename = (name: string) => [{ type: "setProject", name } as const];

function must<T>(outcome: { readonly ok: boolean; readonly value?: T; readonly code?: string }): T {
  if (!outcome.ok) throw new Error(outcome.code);
  return outcome.value as T;
}

test("no change followed by its inverse differs from the start", () => {
  fc.assert(
    fc.property(anyChange, (change) => {
      const after = applyChange(mixed, change);
      if (!after.ok) return;
      expect(projectSchema.safeParse(after.value).success).toBe(true);
      expect(must(applyChange(after.value, invertChange(mixed, change)))).toEqual(mixed);
    }),
  );
});

test("any row of steps can be undone to the start and done again to the end", () => {
  fc.assert(
    fc.property(fc.array(anyChange, { maxLength: 8 }), (changes) => {
      let now: Editing = { project: mixed, history: noHistory };
      for (const [i, change] of changes.entries()) {
        const next = commit(now, { name: { code: "arranged", count: 1 }, changes: [change], at: at(i) });
        if (next.ok) now = next.value;
      }
      const steps = now.history.steps.length;
      let back = now;
      for (let i = 0; i < steps; i += 1) back = must(undo(back));
      expect(back.project).toEqual(mixed);
      for (let i = 0; i < steps; i += 1) back = must(redo(back));
      expect(back.project).toEqual(now.project);
    }),
    { numRuns: 60 },
  );
});

test("a gesture that comes to nothing leaves no step", () => {
  expect(must(commit(start, { name: { code: "renamed", count: 1 }, changes: rename(seven.name), at: at(0) }))).toBe(
    start,
  );
});

test("a gesture of several changes is taken whole or not at all", () => {
  const bad = { type: "setTiles", pageId, items: [{ id: "gone", set: { filling: { kind: "empty" } } }] } as const;
  expect(
    commit(start, { name: { code: "renamed", count: 1 }, changes: [...rename("Other"), bad], at: at(0) }),
  ).toMatchObject({ ok: false, code: "tileGone" });
});

test("typing in one place is one step; a pause or another place begins a new one", () => {
  const type = (now: Editing, name: string, ms: number, mergeKey: string) =>
    must(commit(now, { name: { code: "renamed", count: 1 }, changes: rename(name), at: at(ms), mergeKey }));
  let now = type(start, "B", 0, "name");
  now = type(now, "Bo", 400, "name");
  expect(now.history.steps).toHaveLength(1);
  expect(must(undo(now)).project.name).toBe("A year");
  // A clock that was put back, or stands still, says nothing of how close together they were.
  for (const ms of [100, 100]) now = type(now, `At ${ms} ${now.history.steps.length}`, ms, "name");
  expect(now.history.steps).toHaveLength(3);
  now = must(undo(must(undo(now))));
  now = type(now, "Boat", 5000, "name");
  now = type(now, "Boats", 5100, "elsewhere");
  expect(now.history.steps).toHaveLength(3);
});

test("a new step after undoing takes the place of what was undone", () => {
  const once = must(commit(start, { name: { code: "renamed", count: 1 }, changes: rename("One"), at: at(0) }));
  const back = must(undo(once));
  expect(nextRedo(back.history)).toEqual({ code: "renamed", count: 1 });
  const other = must(
    commit(back, { name: { code: "changedUnit", count: 1 }, changes: [{ type: "setProject", unit: "mm" }], at: at(9) }),
  );
  expect(nextRedo(other.history)).toBeUndefined();
  expect(nextUndo(other.history)?.code).toBe("changedUnit");
  expect(must(undo(must(undo(other))))).toMatchObject({ project: seven });
});

/** The work after one gesture. */
const after = (project: Project, changes: readonly Change[]) =>
  commit({ project, history: noHistory }, { name: { code: "arranged", count: 1 }, changes, at: at(1) });
const dressed = (project: Project, own: Parameters<typeof lookChange>[1]) =>
  after(project, [lookChange(project.pages[0]!, own, project.style)]);
const look = seven.style;

test("a page without margins reaches into the bleed, and is measured to the trim all the same", () => {
  const bled = { ...look, margin: allSides(0), gapMm: 4 };
  const rectsIn = (project: Project) => arrangedOn(firstPlaced(project)).map((t) => frameRect(t.frame));
  const rects = rectsIn(must(dressed(seven, bled)).project);
  expect(Math.min(...rects.map((r) => r.x))).toBeCloseTo(-3);
  expect(Math.max(...rects.map((r) => r.x + r.w))).toBeCloseTo(307.8);
  const halves = rectsIn(must(dressed(collage([1, 1], { rows: 1, columns: 2 }), bled)).project);
  expect(halves[0]!.x + halves[0]!.w).toBeCloseTo(304.8 / 2 - 2);
});

test("a margin or a gap that leaves no room is refused with the most that would fit", () => {
  expect(dressed(seven, { ...look, margin: allSides(200) })).toMatchObject({ ok: false, code: "marginTooWide" });
  const gap = dressed(seven, { ...look, gapMm: 200 });
  expect(gap).toMatchObject({ ok: false, code: "gapTooWide" });
  if (!gap.ok) expect(dressed(seven, { ...look, gapMm: Number(gap.facts.mostMm) }).ok).toBe(true);
  const style = { ...look, gapMm: 200 };
  expect(after(seven, [{ type: "setProject", style }])).toMatchObject({ ok: false, code: "gapTooWide" });
});

test("what a tile says itself outlives what its page says, and what neither says is the style's", () => {
  const id = arrangedTiles(seven.pages[0]!)[0]!.id;
  const own = must(after(seven, [{ type: "setTiles", pageId, items: [{ id, set: { cornerMm: 9 } }] }])).project;
  const corners = (project: Project) => arrangedOn(firstPlaced(project)).map((t) => t.cornerMm);
  expect(corners(must(dressed(own, { ...look, cornerMm: 2 })).project)).toEqual([9, 2, 2, 2, 2, 2, 2]);
  const styled = must(after(own, [{ type: "setProject", style: { ...look, cornerMm: 3 } }])).project;
  expect(corners(styled)).toEqual([9, 3, 3, 3, 3, 3, 3]);
  const unsaid = must(after(styled, [{ type: "setTiles", pageId, items: [{ id, unset: ["cornerMm"] }] }])).project;
  expect(corners(unsaid)).toEqual([3, 3, 3, 3, 3, 3, 3]);
});

test("laying photos anew keeps the framing of those that were there", () => {
  const first = arrangedTiles(seven.pages[0]!)[0]!;
  const view = {
    photoId: "p0",
    zoom: 3,
    centre: { x: 0.2, y: 0.3 },
    turn: 5,
    flip: true,
    byHand: true,
    whole: false,
    behind: null,
  };
  const framed = must(
    applyChange(seven, {
      type: "setTiles",
      pageId,
      items: [{ id: first.id, set: { filling: { kind: "photo", view } } }],
    }),
  );
  const task = {
    photos: [
      { id: "p9", aspect: 1 },
      { id: "p0", aspect: 1.5 },
    ],
    asked: {},
    newId: counter("n"),
  };
  const laid = must(layPhotos(firstPlaced(framed), task));
  expect(arrangedTiles(laid.page).map((t) => t.filling)).toContainEqual({ kind: "photo", view });
});

test("200 photos on a small print get a gap that leaves them room; typed cells too few leave photos over", () => {
  const small = { ...squareFormat, widthMm: 101.6, heightMm: 152.4 };
  const photos = Array.from({ length: 200 }, (_, i) => ({ id: `p${i}`, aspect: i % 3 ? 1.5 : 0.67 }));
  const page = placePage({ ...seven.pages[0]!, gapMm: 12, margin: allSides(5) }, small, seven.style);
  const laid = must(layPhotos(page, { photos, asked: {}, newId: counter("n") }));
  expect(laid.gapNow).toBeLessThan(12);
  const tiles = arrangedOn(placePage(laid.page, small, seven.style));
  expect(tiles).toHaveLength(200);
  expect(Math.min(...tiles.map((t) => Math.min(t.frame.width, t.frame.height)))).toBeGreaterThan(1.9);
  expect(must(layPhotos(page, { photos, asked: { rows: 3, columns: 4 }, newId: counter("n") })).left).toBe(188);
  expect(layPhotos(page, { photos, asked: { rows: 99, columns: 99 }, newId: counter("n") })).toMatchObject({
    ok: false,
    code: "tooManyTiles",
  });
});

const square = (id: string) => ({ id, aspect: 1, focus: null });

test("empty tiles are filled in order, and what found no tile is counted", () => {
  const two = collage([1.5], { rows: 1, columns: 3 });
  expect(emptyPlaces(firstPlaced(two))).toHaveLength(2);
  const { fillings, left } = fillEmpty(firstPlaced(two), ["a", "b", "c"].map(square));
  expect(fillings.map((f) => f.tileId)).toEqual(
    arrangedTiles(two.pages[0]!)
      .slice(1)
      .map((t) => t.id),
  );
  expect(left).toBe(1);
});
