import { expect, test } from "@jest/globals";
import { scattered } from "#core/arrange";
import {
  allTiles,
  arrangedTiles,
  type FreeTile,
  framingOf,
  freeTiles,
  mainGroup,
  type Page,
  type PlacedPage,
  pageChanges,
  photoIdOf,
  placeAgain,
  removeTiles,
  type Tile,
  tileIdsOf,
} from "#core/document";
import { photoMatrix } from "#core/fit";
import { combinedRings, flattened, type Ring, ringArea } from "#core/geometry";
import { collage, counter, firstPlaced } from "../document/project.fixture.ts";
import {
  firstScatter,
  gathered,
  givenBack,
  lettersInTiles,
  runThrough,
  type ScatteredPhoto,
  scatteredTiles,
  scatterTask,
  slippedIn,
  throughApart,
  throughReframed,
  throughTiles,
  tiled,
  tileMoved,
  withScattered,
  wordOfTiles,
} from "./index.ts";

const aspects = [1.5, 1, 0.7, 1.5, 1.33, 0.67, 1.5, 1, 2];
const project = collage(aspects);
const newId = counter("n");
const on = firstPlaced(project);
const group = mainGroup(on.page)!;
const shapeOf = () => ({ aspect: 1.5, focus: null });
const hexagons = { pattern: "hexagons", cut: false, sag: 0 } as const;
const patterned = placeAgain(on, tiled(group.id, hexagons, shapeOf)(on));
const photosOn = (p: Page) => allTiles(p).map(photoIdOf).toSorted();
const isWhole = (p: Page) => {
  const g = mainGroup(p)!;
  expect(tileIdsOf(g.arrangement).toSorted()).toEqual(g.tiles.map((t) => t.id).toSorted());
};

test("a group as a pattern has all of its photos, each in a shape of its own, and keeps its tiles' ids", () => {
  expect(photosOn(patterned.page)).toEqual(photosOn(on.page));
  isWhole(patterned.page);
  expect(patterned.tiles.every((t) => t.outline.kind === "path" && t.shaped)).toBe(true);
  expect(mainGroup(patterned.page)!.id).toBe(group.id);
});

test("one more slips in, one goes, one moves: the pattern is made anew for those that there are", () => {
  const [first, second, third] = arrangedTiles(patterned.page) as readonly [Tile, Tile, Tile, ...Tile[]];
  const photo = { id: "more", widthPx: 3, heightPx: 2 } as Parameters<typeof slippedIn>[0];
  const grown = slippedIn(photo, second.id, "right", newId)(patterned);
  expect(arrangedTiles(grown)).toHaveLength(aspects.length + 1);
  expect(arrangedTiles(grown).findIndex((t) => photoIdOf(t) === "more")).toBe(2);
  isWhole(grown);
  const less = removeTiles(patterned, [first.id, third.id]);
  expect(arrangedTiles(less)).toHaveLength(aspects.length - 2);
  isWhole(less);
  const moved = tileMoved(first.id, { tileId: third.id, edge: "right" })(patterned);
  expect(
    arrangedTiles(moved)
      .map((t) => t.id)
      .slice(0, 3),
  ).toEqual([second.id, third.id, first.id]);
  isWhole(moved);
  const all = arrangedTiles(patterned.page).map((t) => t.id);
  expect(removeTiles(patterned, all).pieces).toEqual([]);
});

test("a photo with a face goes into the cell that shows it", () => {
  // Of two triangles, one on its foot and one on its tip, a face at the very bottom is seen only in the one on its foot.
  const two = collage([1, 1]);
  const at = firstPlaced(two);
  const [a, b] = arrangedTiles(at.page).map(photoIdOf) as [string, string];
  for (const low of [a, b]) {
    const shape = (id: string) => ({
      aspect: 1,
      focus: {
        point: { x: 0.5, y: 0.5 },
        faces: [{ x: 0.05, y: id === low ? 0.78 : 0.12, w: 0.9, h: 0.18 }],
        from: "faces" as const,
      },
    });
    const page = tiled(mainGroup(at.page)!.id, { pattern: "triangles", cut: false, sag: 0 }, shape)(at);
    const placed = placeAgain(at, page);
    const upright = placed.tiles.find(
      (t) =>
        t.outline.kind === "path" &&
        t.outline.path[0]![2]! < 0.01 &&
        t.outline.path.filter((s) => s[0] !== "Z" && Number(s[2]) > 0.99).length === 2,
    )!;
    expect(photoIdOf(upright.tile)).toBe(low);
  }
});

const ids = patterned.tiles.map((t) => t.id);
const photo = { id: "wide", aspect: 1.6, focus: null };
const through = placeAgain(patterned, runThrough(patterned, ids, photo, newId));
const matrices = (p: PlacedPage) =>
  p.tiles.map((t) => {
    const view = t.filling.kind === "photo" ? t.filling.view : undefined;
    const { centre, width: w, height: h } = t.frame;
    const m = photoMatrix(
      photo.aspect,
      { x: centre.x - w / 2, y: centre.y - h / 2, w, h },
      framingOf(view!, photo, t, p.format),
    );
    return [m.a, m.b, m.c, m.d, m.e, m.f].map((v) => Math.round(v * 1e6) / 1e6);
  });

test("one photo lies the same in all of its tiles, moves as one, and stays where it is when it comes apart", () => {
  const [first, ...rest] = matrices(through);
  for (const m of rest) expect(m).toEqual(first);
  const id = through.tiles[0]!.tile.through!.id;
  expect(throughTiles(through.page, id)).toHaveLength(ids.length);
  const moved = throughReframed(through.page, id, { zoom: 1.4, centre: { x: 0.4, y: 0.5 }, turn: 5, flip: false });
  const now = matrices(placeAgain(through, moved));
  expect(now[0]).not.toEqual(first);
  for (const m of now) expect(m).toEqual(now[0]);
  const apart = placeAgain(
    through,
    throughApart(placeAgain(through, moved), id, () => photo.aspect),
  );
  expect(apart.tiles.some((t) => t.tile.through)).toBe(false);
  for (const m of matrices(apart)) for (const [i, v] of m.entries()) expect(v).toBeCloseTo(now[0]![i]!, 3);
});

test("a tile that took something else keeps its part, and shows it again when it is given back", () => {
  const lent: Page = {
    ...through.page,
    pieces: through.page.pieces.map((p) =>
      p.kind === "group"
        ? {
            ...p,
            tiles: p.tiles.map((t) =>
              t.id === ids[2] ? { ...t, filling: { kind: "colour", colour: "#112233" } as const } : t,
            ),
          }
        : p,
    ),
  };
  const placed = placeAgain(through, lent);
  expect(placed.tiles.find((t) => t.id === ids[2])!.through).toBeUndefined();
  // The box stays that of all tiles, so that the photo does not jump.
  expect(placed.tiles.find((t) => t.id === ids[0])!.through).toEqual(through.tiles[0]!.through);
  expect(givenBack(lent, ids)).toEqual(through.page);
  expect(givenBack(through.page, ids)).toBe(through.page);
});

test("small changes lead from one page to another of these kinds, and say all of it", () => {
  for (const [a, b] of [
    [on.page, patterned.page],
    [patterned.page, through.page],
  ] as const) {
    const changes = pageChanges(a, b);
    expect(changes.length).toBeGreaterThan(0);
    expect(changes.every((c) => c.type === "replacePage" || "pageId" in c || "items" in c)).toBe(true);
  }
  const faint = { ...on.page, pieces: [{ ...group, tiles: group.tiles.map((t) => ({ ...t, opacity: 0.5 })) }] };
  expect(JSON.stringify(pageChanges(on.page, faint))).toContain("opacity");
});

const photoOf = (id: string): ScatteredPhoto => ({
  aspect: aspects[Number(id.replace(/\D/g, "")) % 9] ?? 1.5,
  focus: null,
  caption: id.endsWith("1") ? "Here we are" : "",
});
const style = project.words.caption;

test("of a print its faces have to be seen, else what lies around its focus, and the words on its foot", () => {
  const tiles = scatteredTiles(on.page, group.id);
  const face = { x: 0.4, y: 0.3, w: 0.1, h: 0.2 };
  const withFace = (id: string): ScatteredPhoto => ({
    ...photoOf(id),
    caption: "Here we are",
    focus: { faces: [face], point: { x: 0.5, y: 0.5 }, from: "faces" },
  });
  const bare = scatterTask(on, tiles, { ...firstScatter(on), frame: "none" as const }, withFace).prints;
  for (const { w, h, must } of bare) {
    // No border: the whole photo is the print.
    expect(must).toHaveLength(1);
    const [at] = must;
    expect([at!.x / w, at!.y / h, at!.w / w, at!.h / h]).toEqual(
      [face.x, face.y, face.w, face.h].map((v) => expect.closeTo(v, 6)),
    );
  }
  const footed = scatterTask(on, tiles, { ...firstScatter(on), frame: "foot" as const }, withFace).prints;
  for (const { w, h, must } of footed) {
    expect(must).toHaveLength(2);
    const [at, words] = must;
    // The same border to the left and the right, and the words in the middle of a foot that is deeper than the other sides.
    const border = words!.x;
    expect(words!.w).toBeCloseTo(w - 2 * border, 6);
    const photo = { w: w - 2 * border, h: at!.h / face.h };
    expect([at!.x - border, at!.y - border]).toEqual([
      expect.closeTo(face.x * photo.w, 4),
      expect.closeTo(face.y * photo.h, 4),
    ]);
    const foot = h - border - photo.h;
    expect(foot).toBeGreaterThan(border);
    expect(words!.y + words!.h / 2).toBeCloseTo(h - foot / 2, 4);
    expect(words!.h / foot).toBeCloseTo(0.7, 4);
  }
  const unseen = scatterTask(on, tiles, { ...firstScatter(on), frame: "none" as const }, photoOf).prints;
  for (const { w, h, must } of unseen) {
    const [at] = must;
    expect([at!.x + at!.w / 2, at!.y + at!.h / 2]).toEqual([expect.closeTo(w / 2, 6), expect.closeTo(h / 2, 6)]);
    expect([at!.w, at!.h]).toEqual([at!.w, at!.w]);
    expect(at!.w).toBeGreaterThan(0.1 * Math.min(w, h));
  }
});

test("scattered and gathered again, all photos are there; feet carry what is said of a photo, over their own print", () => {
  const scatter = { ...firstScatter(on), frame: "foot" as const };
  const given = { groupId: group.id, scatter, photoOf, style, newId };
  const task = scatterTask(on, scatteredTiles(on.page, group.id), scatter, photoOf);
  expect(task.prints.map((p) => p.w * p.h).reduce((s, a) => s + a, 0)).toBeCloseTo(
    on.format.widthMm * on.format.heightMm * scatter.cover,
    0,
  );
  const page = withScattered(on, scattered({ ...task, moves: 3000 }), given);
  const free = freeTiles(page);
  const words = free.filter((t) => t.filling.kind === "words");
  expect(
    free
      .filter((t) => photoIdOf(t) !== undefined)
      .map(photoIdOf)
      .toSorted(),
  ).toEqual(photosOn(on.page));
  expect(words.length).toBeGreaterThan(0);
  for (const w of words) {
    const at = free.indexOf(w);
    const print = free[at - 1]!;
    expect(w.filling.kind === "words" && w.filling.from?.photoId).toBe(photoIdOf(print));
    expect(w.frame.turn).toBe(print.frame.turn);
    expect(print.border!.footMm!).toBeGreaterThan(w.frame.height);
  }
  const back = gathered(placeAgain(on, page), "again", photoOf);
  expect(freeTiles(back)).toEqual([]);
  expect(back.scatter).toBeUndefined();
  expect(
    arrangedTiles(back)
      .map((t) => t.id)
      .toSorted(),
  ).toEqual(group.tiles.map((t) => t.id).toSorted());
  // Again without feet: no words stay behind.
  const placed = placeAgain(on, page);
  const bare = { ...scatter, frame: "none" as const };
  const tiles = scatteredTiles(page, undefined);
  const again = withScattered(placed, scattered({ ...scatterTask(placed, tiles, bare, photoOf), moves: 500 }), {
    ...given,
    groupId: undefined,
    scatter: bare,
  });
  expect(freeTiles(again).some((t) => t.filling.kind === "words")).toBe(false);
});

test("a letter in pieces has all of its shape but the gaps, and no piece reaches out of it", () => {
  const outline = [
    ["M", 0, 0],
    ["L", 0.6, 0],
    ["L", 0.6, -0.2],
    ["L", 0.2, -0.2],
    ["L", 0.2, -0.7],
    ["L", 0, -0.7],
    ["Z"],
  ] as const;
  const face = {
    ...{ key: "any", ascent: 0.8, descent: 0.2, covers: () => true, outline: () => outline },
    shape: (text: string) => [...text].map((_, i) => ({ file: 0, id: 1, cluster: i, advance: 0.7, dx: 0, dy: 0 })),
  };
  const ringsOn = (t: FreeTile) => {
    const { centre, width, height } = t.frame;
    const at = (x: number, y: number) => ({ x: centre.x + (x - 0.5) * width, y: centre.y + (y - 0.5) * height });
    const path = t.outline?.kind === "path" ? t.outline.path : [];
    return flattened(path).map((ring) => ring.map((p) => at(p.x, p.y)));
  };
  const areaOf = (rings: readonly Ring[]) => Math.abs(rings.reduce((sum, r) => sum + ringArea(r), 0));
  const colour = [{ kind: "colour", colour: "#112233" }] as const;
  const [whole] = wordOfTiles(on, "L", face, colour, counter("w"));
  const letter = ringsOn(whole!);
  for (const each of [2, 3, 5, 9]) {
    const pieces = wordOfTiles(on, "L", face, colour, counter("w"), each);
    expect(pieces.length).toBeGreaterThan(1);
    expect(pieces.length).toBeLessThanOrEqual(each);
    const areas = pieces.map((p) => areaOf(ringsOn(p)));
    const all = areas.reduce((a, b) => a + b, 0) / areaOf(letter);
    expect(all).toBeLessThan(1);
    expect(all).toBeGreaterThan(0.8);
    for (const [i, p] of pieces.entries()) {
      const inside = combinedRings(ringsOn(p), letter, "intersection");
      expect(areaOf(inside) / areas[i]!).toBeCloseTo(1, 2);
      for (const q of pieces.slice(0, i)) expect(areaOf(combinedRings(ringsOn(p), ringsOn(q), "intersection"))).toBe(0);
    }
  }
});

test("more letters than tiles stay out, and tiles without a letter keep what they hold", () => {
  const outline = (id: number) => [["M", 0, 0], ["L", 0.1 * id, 0], ["L", 0.1 * id, -0.7], ["Z"]] as const;
  const face = {
    key: "any",
    ascent: 0.8,
    descent: 0.2,
    shape: (text: string) =>
      [...text].map((_, i) => ({ file: 0, id: 3 + (i % 3), cluster: i, advance: 0.5, dx: 0, dy: 0 })),
    covers: () => true,
    outline: (_: number, id: number) => outline(id),
  };
  const letters = (text: string) =>
    lettersInTiles(
      on,
      on.tiles.slice(0, 3).map((t) => t.id),
      text,
      style,
      face,
    );
  const held = (p: Page) => arrangedTiles(p).map((t) => (t.filling.kind === "words" ? t.filling.text : "photo"));
  expect(held(letters("A B"))).toEqual(["A", "B", ...new Array(7).fill("photo")]);
  expect(held(letters("ABCDE"))).toEqual(["A", "B", "C", ...new Array(6).fill("photo")]);
  expect(letters(" ")).toBe(on.page);
});
