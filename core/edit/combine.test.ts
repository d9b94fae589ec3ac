import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type FreeTile, freeTiles, newFreeTile, type Page, type PlacedTile, placePage, withFree } from "#core/document";
import { flattened, record, ringArea } from "#core/geometry";
import { outlineOf } from "#core/outlines";
import { collage, counter } from "../document/project.fixture.ts";
import { letFree, madeExact, shapeGrown, shapesCombined, tiled, tilesMirrored } from "./index.ts";

const project = collage([]);
const format = { ...project.format, widthMm: 300, heightMm: 300, bleedMm: 0 };
const bare: Page = { ...project.pages[0]!, pieces: [] };
const colour = { kind: "colour", colour: "#b2472a" } as const;
const on = (page: Page) => placePage(page, format, project.style);

const tile = (x: number, y: number, w: number, h: number, more: Partial<FreeTile> = {}): FreeTile => ({
  ...newFreeTile({ centre: { x, y }, width: w, height: h, turn: 0 }, colour, newId),
  ...more,
});
const newId = counter("t");
const page = (...tiles: readonly FreeTile[]): Page => tiles.reduce<Page>((now, t) => withFree(now, t), bare);

const areaOf = (t: FreeTile): number => {
  const whole = { x: 0, y: 0, w: t.frame.width, h: t.frame.height };
  const path = record((to) =>
    outlineOf(t.outline ?? { kind: "rectangle" }).trace({ whole, seen: whole, cornerMm: 0 }, to),
  );
  return Math.abs(flattened(path).reduce((sum, r) => sum + ringArea(r), 0));
};
const combined = (p: Page, how: Parameters<typeof shapesCombined>[2]) =>
  shapesCombined(
    on(p),
    freeTiles(p).map((t) => t.id),
    how,
  );

test("joined, cut out and overlapping rectangles have the areas of arithmetic, whichever way their rings run", () => {
  const side = fc.integer({ min: 20, max: 80 });
  fc.assert(
    fc.property(side, side, fc.integer({ min: 1, max: 19 }), (w, h, over) => {
      const p = page(tile(100, 100, w, h), tile(100 + w - over, 100, w, h));
      const both = over * h;
      const one = freeTiles(combined(p, "union"));
      expect(one).toHaveLength(1);
      expect(areaOf(one[0]!)).toBeCloseTo(2 * w * h - both, 1);
      expect(one[0]!.frame.width).toBeCloseTo(2 * w - over, 3);
      expect(areaOf(freeTiles(combined(p, "difference"))[0]!)).toBeCloseTo(w * h - both, 1);
      expect(areaOf(freeTiles(combined(p, "intersection"))[0]!)).toBeCloseTo(both, 1);
    }),
  );
  const heart = tile(100, 100, 60, 60, { outline: { kind: "heart" } });
  const star = tile(120, 110, 60, 60, {
    outline: { kind: "star", points: 5, inner: 0.4 },
    frame: { centre: { x: 120, y: 110 }, width: 60, height: 60, turn: 20 },
  });
  const [u, i] = ["union", "intersection"].map((how) =>
    areaOf(freeTiles(combined(page(heart, star), how as "union"))[0]!),
  );
  expect(u! + i!).toBeCloseTo(areaOf(heart) + areaOf(star), 0);
});

test("where nothing is left, nothing is done", () => {
  const apart = page(tile(50, 50, 20, 20), tile(150, 150, 20, 20));
  expect(combined(apart, "intersection")).toBe(apart);
  const one = page(tile(50, 50, 20, 20));
  expect(combined(one, "union")).toBe(one);
  expect(shapeGrown(on(one), freeTiles(one)[0]!.id, -10, "mitre")).toBe(one);
});

test("a shape grown sharp and shrunk again is as it was; grown round it lacks its corners", () => {
  const p = page(tile(100, 100, 40, 30));
  const { id } = freeTiles(p)[0]!;
  const grown = shapeGrown(on(p), id, 5, "mitre");
  expect(freeTiles(grown)[0]!.frame).toMatchObject({ width: 50, height: 40, centre: { x: 100, y: 100 } });
  expect(areaOf(freeTiles(shapeGrown(on(grown), id, -5, "mitre"))[0]!)).toBeCloseTo(1200, 1);
  const round = areaOf(freeTiles(shapeGrown(on(p), id, 5, "round"))[0]!);
  expect(round).toBeCloseTo(1200 + 2 * 5 * 70 + Math.PI * 25, 0);
});

test("mirrored twice a tile is as it was, but for what is now set by hand", () => {
  const path = { kind: "path", path: [["M", 0, 0], ["L", 1, 0.2], ["L", 0.3, 1], ["Z"]] } as const;
  const p = page(
    tile(100, 100, 40, 30, { outline: path, frame: { centre: { x: 100, y: 100 }, width: 40, height: 30, turn: 25 } }),
  );
  const ids = freeTiles(p).map((t) => t.id);
  for (const way of ["side", "stack"] as const) {
    const once = tilesMirrored(p, ids, way);
    expect(freeTiles(once)[0]!.frame.turn).toBe(-25);
    expect(areaOf(freeTiles(once)[0]!)).toBeCloseTo(areaOf(freeTiles(p)[0]!), 3);
    const twice = freeTiles(tilesMirrored(once, ids, way))[0]!;
    expect(twice.frame).toEqual(freeTiles(p)[0]!.frame);
    const points = (t: FreeTile) =>
      (t.outline?.kind === "path" ? t.outline.path : []).flatMap((s) =>
        s.slice(1).map((v) => Math.round(1e6 * Number(v))),
      );
    expect(points(twice)).toEqual(points(freeTiles(p)[0]!));
  }
});

test("tiles put down by eye become one group where the lowest lay, with the page's gap between them", () => {
  const p = page(tile(60, 60, 50, 40), tile(121, 58, 50, 41), tile(200, 250, 20, 20));
  const [a, b, c] = freeTiles(p) as [FreeTile, FreeTile, FreeTile];
  const next = madeExact(on(p), [a.id, b.id], newId);
  expect(next.pieces.map((x) => x.kind)).toEqual(["group", "tile"]);
  expect(next.pieces[1]).toBe(c);
  const [left, right] = on(next).groups[0]!.tiles as [PlacedTile, PlacedTile];
  expect(left.frame.height).toBeCloseTo(right.frame.height, 6);
  const gap = right.frame.centre.x - right.frame.width / 2 - (left.frame.centre.x + left.frame.width / 2);
  expect(gap).toBeCloseTo(on(next).look.gapMm, 6);
  expect(madeExact(on(p), [a.id], newId)).toBe(p);
});

test("a group let go lies as it lay, to the last shape, and can be made exact again", () => {
  const five = collage([1.5, 1, 0.7, 1.5, 1]);
  const before = placePage(five.pages[0]!, five.format, five.style);
  const tilings = tiled(before.groups[0]!.group.id, { pattern: "diamonds", cut: false, sag: 0 }, () => undefined);
  for (const page of [before.page, tilings(before)]) {
    const placed = placePage(page, five.format, five.style);
    const loose = placePage(letFree(placed, placed.groups[0]!.group.id), five.format, five.style);
    expect(loose.groups).toEqual([]);
    const seen = (p: typeof placed) =>
      p.tiles.map(({ id, frame, outline, cornerMm, border }) => ({ id, frame, outline, cornerMm, border }));
    expect(seen(loose)).toEqual(seen(placed));
    expect(letFree(loose, "gone")).toBe(loose.page);
  }
});
