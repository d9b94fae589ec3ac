import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { allSides } from "#core/geometry";
import {
  applyChange,
  commit,
  type Editing,
  emptyTiles,
  fillEmpty,
  frameRect,
  invertChange,
  layPhotos,
  nextRedo,
  nextUndo,
  noHistory,
  redo,
  undo,
} from "./index.ts";
import { anyChange, collage, counter, squareFormat } from "./project.fixture.ts";
import { projectSchema } from "./schema/index.ts";

const seven = collage([1.5, 0.7, 1, 2.2, 1.3, 0.8, 1.5]);
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
      const after = applyChange(seven, change);
      if (!after.ok) return;
      expect(projectSchema.safeParse(after.value).success).toBe(true);
      expect(must(applyChange(after.value, invertChange(seven, change)))).toEqual(seven);
    }),
  );
});

test("any row of steps can be undone to the start and done again to the end", () => {
  fc.assert(
    fc.property(fc.array(anyChange, { maxLength: 8 }), (changes) => {
      let now = start;
      for (const [i, change] of changes.entries()) {
        const next = commit(now, { name: { code: "arranged", count: 1 }, changes: [change], at: at(i) });
        if (next.ok) now = next.value;
      }
      const steps = now.history.steps.length;
      let back = now;
      for (let i = 0; i < steps; i += 1) back = must(undo(back));
      expect(back.project).toEqual(seven);
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
  const bad = { type: "fillTiles", pageId, fillings: [{ tileId: "gone", filling: { kind: "empty" } }] } as const;
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

test("a page without margins reaches into the bleed, and is measured to the trim all the same", () => {
  const look = { ...seven.pages[0]!.look, margin: allSides(0), gapMm: 4 };
  const page = must(applyChange(seven, { type: "setLook", pageId, look })).pages[0]!;
  const rects = page.tiles.map((t) => frameRect(t.frame));
  expect(Math.min(...rects.map((r) => r.x))).toBeCloseTo(-3);
  expect(Math.max(...rects.map((r) => r.x + r.w))).toBeCloseTo(307.8);
  const two = collage([1, 1], { rows: 1, columns: 2 });
  const halves = must(applyChange(two, { type: "setLook", pageId: two.pages[0]!.id, look })).pages[0]!.tiles.map((t) =>
    frameRect(t.frame),
  );
  expect(halves[0]!.x + halves[0]!.w).toBeCloseTo(304.8 / 2 - 2);
});

test("a margin or a gap that leaves no room is refused with the most that would fit", () => {
  const look = seven.pages[0]!.look;
  const margin = applyChange(seven, { type: "setLook", pageId, look: { ...look, margin: allSides(200) } });
  expect(margin).toMatchObject({ ok: false, code: "marginTooWide" });
  const gap = applyChange(seven, { type: "setLook", pageId, look: { ...look, gapMm: 200 } });
  expect(gap).toMatchObject({ ok: false, code: "gapTooWide" });
  if (!gap.ok)
    expect(applyChange(seven, { type: "setLook", pageId, look: { ...look, gapMm: Number(gap.facts.mostMm) } }).ok).toBe(
      true,
    );
});

test("a tile's own corner outlives a new gap, and a new corner for the page goes to all", () => {
  const tileIds = [seven.pages[0]!.tiles[0]!.id];
  const own = must(applyChange(seven, { type: "dressTiles", pageId, tileIds, cornerMm: 9 }));
  const look = own.pages[0]!.look;
  const corners = (p: typeof own) => p.pages[0]!.tiles.map((t) => t.outline.cornerMm);
  expect(corners(must(applyChange(own, { type: "setLook", pageId, look: { ...look, gapMm: 1 } })))).toEqual([
    9, 0, 0, 0, 0, 0, 0,
  ]);
  expect(corners(must(applyChange(own, { type: "setLook", pageId, look: { ...look, cornerMm: 2 } })))).toEqual([
    2, 2, 2, 2, 2, 2, 2,
  ]);
});

test("laying photos anew keeps the framing of those that were there", () => {
  const page = seven.pages[0]!;
  const first = page.tiles[0]!;
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
      type: "fillTiles",
      pageId,
      fillings: [{ tileId: first.id, filling: { kind: "photo", view } }],
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
  const laid = must(layPhotos(framed.pages[0]!, squareFormat, task));
  expect(laid.page.tiles.map((t) => t.filling)).toContainEqual({ kind: "photo", view });
});

test("200 photos on a small print get a gap that leaves them room; typed cells too few leave photos over", () => {
  const small = { ...squareFormat, widthMm: 101.6, heightMm: 152.4 };
  const photos = Array.from({ length: 200 }, (_, i) => ({ id: `p${i}`, aspect: i % 3 ? 1.5 : 0.67 }));
  const page = { ...seven.pages[0]!, look: { ...seven.pages[0]!.look, gapMm: 12, margin: allSides(5) } };
  const laid = must(layPhotos(page, small, { photos, asked: {}, newId: counter("n") }));
  expect(laid.gapNow).toBeLessThan(12);
  expect(laid.page.tiles).toHaveLength(200);
  expect(Math.min(...laid.page.tiles.map((t) => Math.min(t.frame.width, t.frame.height)))).toBeGreaterThan(1.9);
  expect(must(layPhotos(page, small, { photos, asked: { rows: 3, columns: 4 }, newId: counter("n") })).left).toBe(188);
  expect(layPhotos(page, small, { photos, asked: { rows: 99, columns: 99 }, newId: counter("n") })).toMatchObject({
    ok: false,
    code: "tooManyTiles",
  });
});

const square = (id: string) => ({ id, aspect: 1, focus: null });

test("empty tiles are filled in order, and what found no tile is counted", () => {
  const two = collage([1.5], { rows: 1, columns: 3 });
  expect(emptyTiles(two.pages[0]!)).toHaveLength(2);
  const { fillings, left } = fillEmpty(two.pages[0]!, ["a", "b", "c"].map(square));
  expect(fillings.map((f) => f.tileId)).toEqual(two.pages[0]!.tiles.slice(1).map((t) => t.id));
  expect(left).toBe(1);
});
