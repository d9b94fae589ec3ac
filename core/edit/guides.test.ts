import { expect, test } from "@jest/globals";
import { pageChanges, placePage } from "#core/document";
import { collage } from "../document/project.fixture.ts";
import { snapMove } from "./free/snapping.ts";
import { guideAdded, guideMoved, guideRemoved, snapTargets } from "./index.ts";

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
