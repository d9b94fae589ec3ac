import { expect, test } from "@jest/globals";
import type { PlacedPage, PlacedTile } from "#core/document";
import { flattened, type Ring, ringArea } from "#core/geometry";
import { collage, firstPlaced } from "../document/project.fixture.ts";
import { ringsAfter } from "./ring.ts";

const page = firstPlaced(collage([1.5]));
const [first] = page.tiles as [PlacedTile];
const line = { id: "r", widthMm: 2, colour: "#b2472a", awayMm: 1 };
/** A field of colour that lies freely, 60 × 40 mm, with its left edge at `left`. */
const free = (id: string, left: number, ring: typeof line | undefined = line): PlacedTile => ({
  ...first,
  id,
  groupId: undefined,
  frame: { centre: { x: left + 30, y: 100 }, width: 60, height: 40, turn: 0 },
  filling: { kind: "colour", colour: "#2a72b2" },
  tile: { ...first.tile, ...(ring ? { ring } : {}) },
});
const holding = (gapMm: number, ...tiles: readonly PlacedTile[]): PlacedPage => ({
  ...page,
  look: { ...page.look, gapMm },
  tiles,
});
const boxOf = (line: Ring): readonly number[] => {
  const [xs, ys] = [line.map((p) => p.x), line.map((p) => p.y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return [x, y, Math.max(...xs) - x, Math.max(...ys) - y].map((v) => Math.round(v * 100) / 100);
};
/** By which tile each ring comes, in which colour, and the boxes of its lines. */
const ringsOf = (on: PlacedPage) =>
  [...ringsAfter(on)].map(([tile, step]) => {
    if (step.draw !== "fill") throw new Error("not filled");
    const lines = flattened(step.path);
    return {
      by: tile.id,
      colour: step.colour,
      rule: step.rule,
      boxes: lines.map(boxOf),
      areas: lines.map((l) => Math.abs(ringArea(l))),
    };
  });

test("a border around tiles no further apart than the gap runs around all of them as one, and lies outside of it", () => {
  const [ring, ...more] = ringsOf(holding(4, free("a", 20), free("b", 84)));
  expect(more).toEqual([]);
  expect(ring).toMatchObject({ by: "b", colour: "#b2472a", rule: "evenodd" });
  expect(ring!.boxes).toEqual([
    [17, 77, 130, 46],
    [19, 79, 126, 42],
  ]);
  // Corners are sharp: each line is a whole rectangle.
  expect(ring!.areas).toEqual([expect.closeTo(130 * 46, 1), expect.closeTo(126 * 42, 1)]);
});

test("without a distance its inner line is the tiles' own edge", () => {
  const [ring] = ringsOf(holding(4, free("a", 20, { ...line, awayMm: 0 })));
  expect(ring!.boxes).toEqual([
    [18, 78, 64, 44],
    [20, 80, 60, 40],
  ]);
});

test("tiles further apart than the gap have a border each, and no gap is wider than 20 mm", () => {
  const lefts = (gapMm: number, apartMm: number) =>
    ringsOf(holding(gapMm, free("a", 20), free("b", 80 + apartMm))).map((r) =>
      r.boxes.map(([x]) => x!).sort((a, b) => a - b),
    );
  expect(lefts(4, 8)).toEqual([[17, 19, 85, 87]]);
  // Where there is too little room for two borders they are one between the tiles.
  expect(lefts(4, 4.2)).toEqual([[17, 19, 83.2]]);
  expect(lefts(4, 4.05)).toEqual([[17, 19]]);
  expect(lefts(30, 19.9)).toEqual([[17, 19]]);
  expect(lefts(30, 21)).toEqual([[17, 19, 98, 100]]);
});

test("an empty tile is not gone around, and the border comes after the last tile that is", () => {
  const empty: PlacedTile = { ...free("c", 148), filling: { kind: "empty" } };
  const [ring] = ringsOf(holding(4, free("a", 20), free("b", 84), empty));
  expect(ring!.by).toBe("b");
  expect(ring!.boxes[0]).toEqual([17, 77, 130, 46]);
  expect(ringsOf(holding(4, empty))).toEqual([]);
});

test("each border goes around its own tiles, as the last of them says; one of no width is none", () => {
  const other = { id: "s", widthMm: 1, colour: "#20502a", awayMm: 0 };
  const thin = { ...line, widthMm: 0.5, colour: "#000000" };
  const rings = ringsOf(holding(4, free("a", 20), free("c", 84, other), free("b", 200, thin)));
  expect(rings.map((r) => [r.by, r.colour, r.boxes.length])).toEqual([
    ["b", "#000000", 4],
    ["c", "#20502a", 2],
  ]);
  expect(ringsOf(holding(4, free("a", 20), free("b", 84, { ...line, widthMm: 0 })))).toEqual([]);
});
