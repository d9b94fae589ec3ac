import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedOn,
  arrangedTiles,
  barePage,
  type Change,
  commit,
  findPlaced,
  flowPhotos,
  frameRect,
  freeTiles,
  layTree,
  lookOf,
  mapTiles,
  newBook,
  newFreeTile,
  noHistory,
  type PlacedPage,
  type Project,
  photoIdOf,
  placeAgain,
  placed,
  withFree,
} from "#core/document";
import type { Point } from "#core/geometry";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import type { Photo } from "#core/photo";
import { laidWords } from "#core/scene";
import { setter } from "../check/check.fixture.ts";
import { applied, collage, counter, firstPlaced } from "../document/project.fixture.ts";
import {
  allSlippedIn,
  breakMoved,
  breakRange,
  captionOf,
  fillingLocked,
  laidFreely,
  locked,
  lookOnEvery,
  lookOnThese,
  meaningOfDrop,
  mirroredLook,
  newWords,
  numbersShown,
  pageToward,
  photoIdsOn,
  photosMoved,
  placeOnto,
  restyled,
  roomier,
  tilesUnder,
  uncaptioned,
  withCaptions,
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

const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));
const bareBook = newBook(
  { name: "A book", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
  { newId: counter("p"), at: "" },
);
/** A book whose first pages hold so many photos each. */
function bookOf(counts: readonly number[]): Project {
  let n = 0;
  const laid = bareBook.pages.map((page, i) => {
    const photos = Array.from({ length: counts[i] ?? 0 }, () => ({ id: `p${n++}`, aspect: 1.5 }));
    const made = layTree(placed(bareBook, page), { photos, seed: 0, newId: counter(`t${i}-`) });
    return made.ok ? made.value.page : page;
  });
  return { ...bareBook, pages: laid };
}
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

const facts = {
  photo: (id: string) => ({
    aspect: 1.5,
    focus: null,
    caption: id === "p1" ? "" : `By the water, ${id}`,
    takenAt: "2026-03-01T10:00:00",
  }),
  setter,
};

test("captions stand under their photos, as high as their words, and are asked for once", () => {
  const project = bookOf([0, 4]);
  const on = placed(project, project.pages[1]!);
  const wanted = uncaptioned(on.page, facts);
  expect(wanted).toHaveLength(3);
  const style = { ...project.words.caption, insetMm: 1 };
  const { page, tiles } = withCaptions(on, wanted, { style, facts, newId: counter("cap") });
  expect(tiles.map(([, photo]) => photo)).toEqual(wanted);
  for (const [captionId, photoId] of tiles) {
    const [caption, photo] = [findPlaced(page, captionId)!, findPlaced(page, photoId)!];
    expect(caption.border.widthMm).toBe(0);
    expect(caption.frame.width).toBeCloseTo(photo.frame.width, 4);
    expect(frameRect(caption.frame).y).toBeGreaterThan(frameRect(photo.frame).y);
    if (caption.filling.kind !== "words") throw new Error("no words");
    expect(laidWords(facts.photo(caption.filling.from!.photoId).caption, style, caption.frame, setter)?.hidden).toBe(0);
  }
  expect(uncaptioned(page.page, facts)).toEqual([]);
  for (const [captionId, photoTileId] of tiles) {
    expect(captionOf(page, photoTileId)?.id).toBe(captionId);
    // Written over, it follows no photo any more, but still stands under it.
    const own = placeAgain(
      page,
      mapTiles(page.page, (t) =>
        t.filling.kind === "words" ? { ...t, filling: { ...t.filling, from: null, text: "Mine" } } : t,
      ),
    );
    expect(captionOf(own, photoTileId)?.id).toBe(captionId);
  }
  expect(captionOf(on, wanted[0]!)).toBeUndefined();
  expect(arrangedTiles(page.page).flatMap((t) => photoIdOf(t) ?? [])).toEqual(photoIdsOn(on.page));
});

test("new words lie inside of what is safe; made larger they take more room; restyled, each keeps its turn", () => {
  const { format, page } = firstPlaced(collage([1]));
  const style = { ...bareBook.words.title, sizePt: 20 };
  const tile = newWords(format, "title", style, () => "w");
  const r = frameRect(tile.frame);
  expect(Math.min(r.x, r.y)).toBeGreaterThanOrEqual(format.safeMm);
  expect(r.x + r.w).toBeLessThanOrEqual(format.widthMm - format.safeMm);
  if (tile.filling.kind !== "words") throw new Error("no words");
  const words = { ...tile.filling, text: "a great many words to be read by all of them" };
  const small = { ...tile.frame, width: 40, height: 12 };
  const larger = { ...words, style: { ...style, sizePt: 40 } };
  const frame = roomier(words, larger, small, format, facts)!;
  expect([frame.width, frame.height]).toEqual([80, 24]);
  expect(roomier(larger, words, small, format, facts)).toBeUndefined();
  const turned = { ...tile, filling: { ...words, style: { ...style, turn: 90 as const } } };
  const next = restyled(withFree(page, turned), "title", { ...style, sizePt: 31 });
  expect(freeTiles(next)[0]!.filling).toMatchObject({ style: { sizePt: 31, turn: 90 } });
  expect(restyled(next, "caption", style)).toBe(next);
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
