import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { newFreeTile, pageChanges, placePage } from "#core/document";
import { collage, squareFormat } from "../document/project.fixture.ts";
import { snapMove } from "./free/snapping.ts";
import { guideAdded, guideMoved, guideRemoved, guidesCleared, guidesInTracks, snapTargets } from "./index.ts";

const project = collage([]);
const page = { ...project.pages[0]!, pieces: [] };

test("guides are laid, moved, and gone when they are moved off the page; without any the page says nothing of them", () => {
  const one = guideAdded(page, { axis: "x", mm: 41.26 });
  expect(one.guides).toEqual([{ axis: "x", mm: 41.3 }]);
  const two = guideAdded(one, { axis: "y", mm: 12 });
  expect(guideMoved(two, 0, 50, 200).guides).toEqual([
    { axis: "x", mm: 50 },
    { axis: "y", mm: 12 },
  ]);
  expect(guideMoved(two, 0, 201, 200).guides).toEqual([{ axis: "y", mm: 12 }]);
  expect(guideMoved(one, 0, -1, 200)).toEqual(page);
  expect(guideRemoved(one, 0)).toEqual(page);
  expect(guideRemoved(one, 7)).toBe(one);
  expect(guideMoved(one, 7, 3, 200)).toBe(one);
});

test("small changes say that a guide was laid, and undo it", () => {
  const guided = guideAdded(page, { axis: "y", mm: 20 });
  expect(pageChanges(page, guided)).toEqual([
    { type: "setPages", items: [{ id: page.id, set: { guides: [{ axis: "y", mm: 20 }] } }] },
  ]);
  expect(pageChanges(guided, page)).toMatchObject([{ items: [{ unset: ["guides"] }] }]);
});

test("what is moved comes to lie on a guide, and is told so", () => {
  const guided = guideAdded(page, { axis: "x", mm: 41.3 });
  const targets = snapTargets(placePage(guided, project.format, project.style), new Set());
  const { by, lines } = snapMove({ x: 20, y: 33.33, w: 10, h: 10 }, { x: 20.9, y: 0 }, targets, 1);
  expect(by.x).toBeCloseTo(21.3);
  expect(lines.map((l) => l.kind)).toContain("guide");
});

test("columns get a line on both sides, equally wide and one gap apart; lines that are there are not laid twice", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 12 }),
      fc.double({ min: 0, max: 8, noNaN: true }),
      fc.double({ min: 0, max: 40, noNaN: true }),
      (count, gapMm, fromMm) => {
        const toMm = 180;
        const laid = guidesInTracks(page, "x", { count, gapMm, fromMm, toMm });
        const at = [...new Set((laid.guides ?? []).map((g) => g.mm))].sort((a, b) => a - b);
        expect(at[0]).toBeCloseTo(fromMm, 0);
        expect(at.at(-1)).toBeCloseTo(toMm, 0);
        const each = (toMm - fromMm - gapMm * (count - 1)) / count;
        for (let i = 0; i < count; i += 1)
          for (const edge of [0, each]) {
            const wanted = fromMm + i * (each + gapMm) + edge;
            expect(Math.min(...at.map((mm) => Math.abs(mm - wanted)))).toBeLessThan(0.051);
          }
        expect(guidesInTracks(laid, "x", { count, gapMm, fromMm, toMm })).toEqual(laid);
        expect(guidesCleared(laid)).toEqual(page);
      },
    ),
  );
  expect(guidesInTracks(page, "y", { count: 0, gapMm: 3, fromMm: 0, toMm: 100 })).toEqual(page);
  expect(guidesInTracks(page, "y", { count: 50, gapMm: 30, fromMm: 0, toMm: 100 })).toEqual(page);
});

test("thirds are lines to lie on, and so are the corners of a shape with straight sides", () => {
  const style = collage([]).style;
  const frame = { centre: { x: 60, y: 70 }, width: 40, height: 30, turn: 20 };
  const hexagon = {
    ...newFreeTile(frame, { kind: "empty" }, () => "h"),
    outline: { kind: "polygon" as const, sides: 6 },
  };
  const on = placePage({ ...page, pieces: [hexagon] }, { ...squareFormat, widthMm: 150, heightMm: 150 }, style);
  const thirds = snapTargets(on, new Set(), "thirds");
  for (const mm of [50, 100]) {
    expect(thirds.x.some((l) => l.kind === "guide" && Math.abs(l.at - mm) < 1e-9)).toBe(true);
    expect(snapTargets(on, new Set()).y.some((l) => l.kind === "guide")).toBe(false);
  }
  // Each corner of the hexagon, by its own arithmetic: it fills its box from point to point.
  const tiles = snapTargets(on, new Set()).x.filter((l) => l.kind === "tile" && l.from === l.to);
  expect(tiles).toHaveLength(6);
  const centre = tiles.reduce((sum, l) => sum + l.at, 0) / 6;
  expect(centre).toBeCloseTo(60, 6);
});
