import { expect, test } from "@jest/globals";
import { applyChange, frameRect, type Page } from "#core/document";
import { applyTo } from "#core/geometry";
import { collage, squareFormat } from "../document/project.fixture.ts";
import { scene } from "./index.ts";

const photos: Record<string, { aspect: number; focus: null }> = {
  p0: { aspect: 1.5, focus: null },
  p1: { aspect: 0.7, focus: null },
};
const two = collage([1.5, 0.7]);
const page = two.pages[0]!;

test("a page is its ground over all the bleed, then its photos", () => {
  const drawn = scene(page, squareFormat, { photo: (id) => photos[id] });
  expect(drawn.box).toEqual({ x: -3, y: -3, w: 310.8, h: 310.8 });
  expect(drawn.steps.map((s) => s.draw)).toEqual(["fill", "photo", "photo"]);
  expect(drawn.steps[0]).toMatchObject({
    colour: "#ffffff",
    path: [["M", -3, -3], ["L", 307.8, -3], ["L", 307.8, 307.8], ["L", -3, 307.8], ["Z"]],
  });
});

test("a border is a ring on top of its photo", () => {
  const look = { ...page.look, border: { widthMm: 2, colour: "#102030" } };
  const bordered = applyChange(two, { type: "setLook", pageId: page.id, look });
  const steps = bordered.ok ? scene(bordered.value.pages[0]!, squareFormat, { photo: (id) => photos[id] }).steps : [];
  expect(steps.map((s) => s.draw)).toEqual(["fill", "photo", "fill", "photo", "fill"]);
  expect(steps[2]).toMatchObject({ rule: "evenodd", colour: "#102030" });
});

test("an empty tile and an unknown photo draw nothing", () => {
  expect(scene(page, squareFormat, { photo: () => undefined }).steps).toHaveLength(1);
});

test("what a view names as its centre lies in the middle of the tile", () => {
  const tile = page.tiles[1]!;
  if (tile.filling.kind !== "photo") throw new Error(tile.filling.kind);
  const view = { ...tile.filling.view, byHand: true, zoom: 3, centre: { x: 0.4, y: 0.55 }, turn: 8 };
  const filled = { ...page, tiles: [{ ...tile, filling: { kind: "photo", view } as const }] };
  const step = scene(filled, squareFormat, { photo: (id) => photos[id] }).steps[1]!;
  if (step.draw !== "photo") throw new Error(step.draw);
  const middle = applyTo(step.matrix, view.centre);
  expect(middle.x).toBeCloseTo(tile.frame.centre.x);
  expect(middle.y).toBeCloseTo(tile.frame.centre.y);
});

test("a field of colour fills its outline; what shows beside a whole photo lies under it", () => {
  const [first, second] = page.tiles;
  if (second?.filling.kind !== "photo") throw new Error("no photo");
  const whole = { ...second.filling.view, byHand: true, whole: true, zoom: 0, behind: "#102030" };
  const filled: Page = {
    ...page,
    tiles: [
      { ...first!, filling: { kind: "colour", colour: "#b2472a" } },
      { ...second, filling: { kind: "photo", view: whole } },
    ],
  };
  const { steps } = scene(filled, squareFormat, { photo: (id) => photos[id] });
  expect(steps.map((s) => s.draw)).toEqual(["fill", "fill", "fill", "photo"]);
  expect(steps.flatMap((s) => (s.draw === "fill" ? [s.colour] : []))).toEqual(["#ffffff", "#b2472a", "#102030"]);
  const bare = { ...filled, tiles: [{ ...second, filling: { kind: "photo", view: { ...whole, behind: null } } }] };
  expect(scene(bare as Page, squareFormat, { photo: (id) => photos[id] }).steps.map((s) => s.draw)).toEqual([
    "fill",
    "photo",
  ]);
});

test("only a tile without corners says that a rectangle is all there is to cut out", () => {
  const look = { ...page.look, cornerMm: 4 };
  const rounded = applyChange(two, { type: "setLook", pageId: page.id, look });
  const plains = (p: Page) =>
    scene(p, squareFormat, { photo: (id) => photos[id] }).steps.flatMap((s) => (s.draw === "photo" ? [s.plain] : []));
  expect(plains(page)).toEqual(page.tiles.map((t) => frameRect(t.frame)));
  expect(rounded.ok && plains(rounded.value.pages[0]!)).toEqual([undefined, undefined]);
});
