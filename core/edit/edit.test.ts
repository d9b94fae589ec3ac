import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedOn,
  arrangedTiles,
  barePage,
  flowPhotos,
  frameRect,
  mapTiles,
  newFreeTile,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  withFree,
} from "#core/document";
import type { Point } from "#core/geometry";
import type { Photo } from "#core/photo";
import { collage, counter, firstPlaced } from "../document/project.fixture.ts";
import {
  allSlippedIn,
  fillingLocked,
  laidFreely,
  locked,
  meaningOfDrop,
  pageToward,
  placeOnto,
  tilesUnder,
} from "./index.ts";

const fromShelf = { from: "shelf", photoId: "p9", section: "photos" } as const;

test("what letting go means depends on where: in a tile, near its edge, beside all of them", () => {
  const page = firstPlaced(collage([1.5, 1.5]));
  const [one, two] = arrangedOn(page) as [PlacedPage["tiles"][number], PlacedPage["tiles"][number]];
  const at = (tile: typeof one, x: number, y: number): Point => {
    const r = frameRect(tile.frame);
    return { x: r.x + r.w * x, y: r.y + r.h * y };
  };
  const held = { from: "tile", tileId: one.id } as const;
  expect(meaningOfDrop(fromShelf, page, at(one, 0.5, 0.5))).toEqual({ does: "put", tileId: one.id, photoId: "p9" });
  expect(meaningOfDrop(fromShelf, page, at(two, 0.05, 0.5))).toMatchObject({ does: "slip", edge: "left" });
  expect(meaningOfDrop(fromShelf, page, at(two, 0.5, 0.95))).toMatchObject({ does: "slip", edge: "bottom" });
  expect(meaningOfDrop(held, page, at(two, 0.5, 0.5))).toEqual({ does: "swap", tileId: one.id, withTileId: two.id });
  expect(meaningOfDrop(held, page, at(two, 0.97, 0.5))).toMatchObject({ does: "move", movedId: one.id, edge: "right" });
  expect(meaningOfDrop(held, page, at(one, 0.5, 0.5))).toEqual({ does: "nothing" });
  expect(meaningOfDrop(fromShelf, page, undefined)).toEqual({ does: "nothing" });
  const bare = placeAgain(page, { ...page.page, pieces: [] });
  expect(meaningOfDrop(fromShelf, bare, { x: 50, y: 50 })).toEqual({ does: "begin", photoId: "p9" });
  const emptied = placeAgain(
    page,
    mapTiles(page.page, (t) => ({ ...t, filling: { kind: "empty" } })),
  );
  expect(meaningOfDrop(fromShelf, emptied, at(two, 0.05, 0.5))).toMatchObject({ does: "put" });
});

test("beside all tiles a photo slips into a gap or lies freely; a paper takes a place or lies behind; an ornament lies over all", () => {
  const wide = collage([1.5, 1.5, 1.5, 1.5]);
  const page = firstPlaced({
    ...wide,
    pages: wide.pages.map((p) => ({ ...p, gapMm: 12, margin: { left: 30, right: 30, top: 30, bottom: 30 } })),
  });
  const { tiles } = page.groups[0]!;
  const [first] = tiles as [PlacedPage["tiles"][number]];
  const r = frameRect(first.frame);
  const beyond = { left: { x: r.x - 3, y: r.y + 9 }, right: { x: r.x + r.w + 3, y: r.y + 9 } };
  const inGap = Object.entries(beyond).find(([, p]) => p.x > 30 && p.x < page.format.widthMm - 30);
  if (inGap)
    expect(meaningOfDrop(fromShelf, page, inGap[1])).toEqual({
      does: "slip",
      photoId: "p9",
      tileId: first.id,
      edge: inGap[0],
    });
  const under = { x: r.x + r.w / 2, y: r.y + r.h + 3 };
  const below = meaningOfDrop(fromShelf, page, under);
  if (under.y < page.format.heightMm - 30) expect(below).toMatchObject({ does: "slip" });
  const margin = { x: 5, y: 5 };
  expect(meaningOfDrop(fromShelf, page, margin)).toEqual({ does: "lay", photoId: "p9", at: margin });
  expect(meaningOfDrop({ from: "tile", tileId: first.id }, page, margin)).toEqual({ does: "nothing" });
  const paper = { ...fromShelf, section: "papers" } as const;
  expect(meaningOfDrop(paper, page, margin)).toEqual({ does: "back", photoId: "p9" });
  expect(meaningOfDrop(paper, page, { x: r.x + 2, y: r.y + 2 })).toMatchObject({ does: "put", tileId: first.id });
  const sprig = { ...fromShelf, section: "ornaments" } as const;
  expect(meaningOfDrop(sprig, page, first.frame.centre)).toMatchObject({ does: "lay", at: first.frame.centre });
});

test("just outside of a group photos become a column or a row of their own, over its whole height or width", () => {
  const page = firstPlaced(collage([1.5, 1.5, 0.8, 1, 1.2]));
  const { room } = page.groups[0]!;
  const middle = { x: room.x + room.w / 2, y: room.y + room.h / 2 };
  const outside = {
    left: { x: room.x - 3, y: middle.y },
    right: { x: room.x + room.w + 3, y: middle.y },
    top: { x: middle.x, y: room.y - 3 },
    bottom: { x: middle.x, y: room.y + room.h + 3 },
  };
  const photos = [
    { id: "n1", widthPx: 3000, heightPx: 2000 } as Photo,
    { id: "n2", widthPx: 2000, heightPx: 3000 } as Photo,
  ];
  for (const [edge, at] of Object.entries(outside)) {
    const meant = meaningOfDrop(fromShelf, page, at);
    if (meant.does !== "slip") throw new Error(meant.does);
    expect([meant.edge, meant.whole]).toEqual([edge, true]);
    const next = placeAgain(page, allSlippedIn(photos, meant.tileId, meant.edge, counter("n"), true)(page));
    const fresh = arrangedOn(next).filter((t) => ["n1", "n2"].includes(photoIdOf(t) ?? ""));
    const rects = fresh.map((t) => frameRect(t.frame));
    const { gapMm } = next.look;
    const upright = edge === "left" || edge === "right";
    // Together they reach from one end to the other, at the edge that was meant.
    const along = rects.reduce((sum, r) => sum + (upright ? r.h : r.w), gapMm);
    expect(along).toBeCloseTo(upright ? room.h : room.w, 4);
    for (const r of rects)
      expect(
        {
          left: r.x - room.x,
          top: r.y - room.y,
          right: room.x + room.w - r.x - r.w,
          bottom: room.y + room.h - r.y - r.h,
        }[edge as "left"],
      ).toBeCloseTo(0, 4);
  }
});

test("under a point lie the tiles that hold it, what covers the others first", () => {
  const page = firstPlaced(collage([1.5, 1.5]));
  const [one] = arrangedOn(page);
  const at = one!.frame.centre;
  const newId = counter("over");
  const laid = [0, 1].reduce(
    (on) => placeAgain(on, laidFreely(on, { id: "p9", section: "photos", aspect: 1 }, at, newId)),
    page,
  );
  expect(tilesUnder(laid, at)).toEqual(["over2", "over1", one!.id]);
  expect(tilesUnder(laid, { x: -20, y: 5 })).toEqual([]);
});

test("what is laid freely lies whole inside the trim, in its own shape, over the rest", () => {
  const page = firstPlaced(collage([1.5]));
  fc.assert(
    fc.property(
      fc.double({ min: 0.2, max: 5, noNaN: true }),
      fc.integer({ min: -50, max: 400 }),
      fc.integer({ min: -50, max: 400 }),
      fc.constantFrom("photos", "papers", "ornaments"),
      (aspect, x, y, section) => {
        const next = laidFreely(page, { id: "p9", section, aspect }, { x, y }, () => "new");
        const tile = next.pieces.at(-1)!;
        if (tile.kind !== "tile") throw new Error("no free tile on top");
        const f = frameRect(tile.frame);
        expect(f.w / f.h).toBeCloseTo(aspect);
        expect(Math.max(f.w, f.h)).toBeCloseTo({ photos: 0.4, papers: 0.5, ornaments: 0.25 }[section] * 304.8);
        expect(Math.min(f.x, f.y)).toBeGreaterThan(-1e-9);
        expect(Math.max(f.x + f.w, f.y + f.h)).toBeLessThan(304.8 + 1e-9);
        if (f.w < x && x < 304.8 - f.w) expect(tile.frame.centre.x).toBeCloseTo(x);
      },
    ),
  );
});

test("a turned or oval tile that lies freely takes a photo only where it really is", () => {
  const page = firstPlaced(collage([1]));
  const frame = { centre: { x: 150, y: 150 }, width: 80, height: 20, turn: 90 };
  const free = newFreeTile(frame, { kind: "empty" }, () => "free");
  const on = (tile: typeof free) => placeAgain(page, withFree(page.page, tile));
  const taken = (tile: typeof free, at: Point) => {
    const meaning = meaningOfDrop(fromShelf, on(tile), at);
    return meaning.does === "put" && meaning.tileId === "free";
  };
  expect(taken(free, { x: 150, y: 188 })).toBe(true);
  expect(taken(free, { x: 188, y: 150 })).toBe(false);
  const corner = { x: 158, y: 186 };
  expect(taken(free, corner)).toBe(true);
  expect(taken({ ...free, outline: { kind: "ellipse" } }, corner)).toBe(false);
  expect(taken({ ...free, outline: { kind: "ellipse" } }, { x: 150, y: 188 })).toBe(true);
});

test("a tile's two locks are set and let go each by itself, and what is locked in takes no other photo", () => {
  const on = firstPlaced(collage([1.5, 0.8, 1, 1.2]));
  const [a, b] = arrangedTiles(on.page).map((t) => t.id) as [string, string];
  const again = (page: PlacedPage["page"]) => placeAgain(on, page);
  const both = locked([a, b], true)(again(fillingLocked([a], true)(on)));
  expect(arrangedTiles(both).map((t) => t.lock)).toEqual([
    { filling: true, place: true },
    { place: true },
    undefined,
    undefined,
  ]);
  expect(locked([a, b], false)(again(fillingLocked([a], false)(again(both))))).toEqual(on.page);
  expect(fillingLocked([a], true)(again(both))).toEqual(both);
  const photos = ["x", "y", "z"].map((id) => ({ id, aspect: 1, focus: null }));
  const flowed = flowPhotos(again(both), { photos, newId: counter("n") }).page;
  expect(arrangedTiles(flowed).map(photoIdOf)[0]).toBe("p0");
  expect(arrangedTiles(flowed).slice(1).map(photoIdOf).sort()).toEqual(["x", "y", "z"]);
});

test("an opening goes before an earlier one and behind a later one; a page goes where it is let go; arrows go from line to line", () => {
  const page = (id: string) => ({ ...barePage(() => id), id });
  const rows = [["a"], ["b", "c"], ["d", "e"], ["f", "g"], ["h"]].map((ids) => ({ pages: ids.map(page) }));
  const all = rows.flatMap((r) => r.pages.map((p) => p.id));
  const after = (ids: readonly string[], to: number | undefined) => {
    const rest = all.filter((id) => !ids.includes(id));
    return to === undefined ? undefined : [...rest.slice(0, to), ...ids, ...rest.slice(to)].join("");
  };
  const moved = (ids: readonly string[], onto: string, asOpening?: boolean) =>
    after(ids, placeOnto(rows, ids, onto, asOpening));
  expect(moved(["d", "e"], "b")).toBe("adebcfgh");
  expect(moved(["b", "c"], "g")).toBe("adefgbch");
  expect(moved(["a"], "d", true)).toBe("bcdeafgh");
  expect(moved(["b"], "e")).toBe("acdebfgh");
  expect(moved(["g"], "c")).toBe("abgcdefh");
  expect([moved(["b", "c"], "c"), moved(["b"], "nowhere")]).toEqual([undefined, undefined]);
  const toward = (id: string, x: number, y: number) => pageToward(rows, id, { x, y }, 2)?.id;
  expect([toward("c", 1, 0), toward("c", -1, 0), toward("c", 0, 1), toward("e", 0, 1)]).toEqual(["d", "b", "g", "h"]);
  expect([toward("g", 0, -1), toward("a", -1, 0), toward("h", 0, 1)]).toEqual(["c", undefined, undefined]);
});
