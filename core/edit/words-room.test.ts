import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedTiles,
  findPlaced,
  frameRect,
  isFree,
  mapTiles,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  placed,
  type Words,
} from "#core/document";
import type { Rect } from "#core/geometry";
import { laidWords, neededHeight, sizeFitting, withRoomFitted, withRoomGrown } from "#core/scene";
import { firstWordStyles, wordRoles } from "#core/words";
import { setter } from "../check/check.fixture.ts";
import { counter } from "../document/project.fixture.ts";
import { bookOf } from "./books.fixture.ts";
import { newWords, type PageLight, photoIdsOn, roomsForWords } from "./index.ts";

const facts = { photo: () => ({ aspect: 1.5, focus: null }), setter };
const [w, h] = [40, 40];
/** Calm and dark in its upper half, restless below. */
const light: PageLight = {
  w,
  h,
  light: Float32Array.from({ length: w * h }, (_, i) => (i < (w * h) / 2 ? 0.02 : (i % 2) * 0.8)),
};
const texts = {
  title: "A year on the water",
  heading: "Spring",
  small: "Photos by Nan",
  caption: "At the lock",
  journal: "What happened on that day. ".repeat(10),
};
const rectsOverlap = (a: Rect, b: Rect) =>
  a.x + 0.01 < b.x + b.w && b.x + 0.01 < a.x + a.w && a.y + 0.01 < b.y + b.h && b.y + 0.01 < a.y + a.h;
const pageOf = (photos: number): PlacedPage => {
  const project = bookOf([0, photos]);
  return placed(project, project.pages[1]!);
};
const wordsFor = (on: PlacedPage, role: keyof typeof texts) => {
  const made = newWords(on.format, role, firstWordStyles[role], counter("w"));
  return { ...made, filling: { ...(made.filling as Words), text: texts[role] } };
};
const hidden = (on: PlacedPage, id: string) => {
  const tile = findPlaced(on, id)!;
  return laidWords(tile.filling as Words, tile.frame, facts)!.hidden;
};

test("words on a full page have places where all of them are seen, no photo is lost, and none is covered but where it is calm", () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 9 }), fc.constantFrom(...wordRoles), (photos, role) => {
      const on = pageOf(photos);
      const tile = wordsFor(on, role);
      const rooms = roomsForWords({ on, tile, facts, light, keepOff: [] });
      expect(rooms.some((r) => r.place === "own")).toBe(true);
      expect(rooms.map((r) => r.worth)).toEqual(rooms.map((r) => r.worth).sort((a, b) => b - a));
      for (const room of rooms) {
        const now = placeAgain(on, room.page);
        expect([room.place, hidden(now, tile.id)]).toEqual([room.place, 0]);
        expect([...photoIdsOn(room.page)].sort()).toEqual([...photoIdsOn(on.page)].sort());
        const at = frameRect(findPlaced(now, tile.id)!.frame);
        const over = now.tiles.filter((t) => t.id !== tile.id && rectsOverlap(frameRect(t.frame), at));
        expect(over.length).toBe(room.place === "over" ? 1 : 0);
        expect(isFree(room.page, tile.id)).toBe(room.place === "over");
        if (room.place !== "over") continue;
        expect(at.y + at.h).toBeLessThan(on.format.heightMm * 0.56);
        expect((findPlaced(now, tile.id)!.filling as Words).style.colour).toBe("#ffffff");
      }
      // From one place to the next, and back.
      const [first] = rooms;
      const there = placeAgain(on, first!.page);
      const again = roomsForWords({ on: there, tile: arrangedOrFree(there, tile.id), facts, light, keepOff: [] });
      expect(again.map((r) => r.place).sort()).toEqual(rooms.map((r) => r.place).sort());
    }),
    { numRuns: 6 },
  );
});

const arrangedOrFree = (on: PlacedPage, id: string) => findPlaced(on, id)!.tile;

test("faces and other words are left free, and so is a page without photos", () => {
  const on = pageOf(4);
  const tile = wordsFor(on, "title");
  const off = [{ x: 0, y: 0, w: 1, h: 0.6 }];
  expect(roomsForWords({ on, tile, facts, light, keepOff: off }).map((r) => r.place)).not.toContain("over");
  expect(roomsForWords({ on: pageOf(0), tile, facts, light, keepOff: [] })).toEqual([]);
});

test("a room grows with its words, and the photos are solved in the rest; one that was given a size stays", () => {
  const on = pageOf(5);
  const tile = wordsFor(on, "journal");
  const rooms = roomsForWords({ on, tile, facts, light, keepOff: [] });
  for (const room of rooms) {
    const more = (change: Partial<Words>) =>
      placeAgain(
        on,
        mapTiles(room.page, (t) =>
          t.id === tile.id
            ? { ...t, filling: { ...(t.filling as Words), text: texts.journal.repeat(2), ...change } }
            : t,
        ),
      );
    const full = more({});
    expect(hidden(full, tile.id)).toBeGreaterThan(0);
    const grown = placeAgain(on, withRoomGrown(full, tile.id, facts)!);
    expect([room.place, hidden(grown, tile.id)]).toEqual([room.place, 0]);
    expect(arrangedTiles(grown.page).flatMap((t) => photoIdOf(t) ?? [])).toEqual(photoIdsOn(on.page));
    expect(withRoomGrown(grown, tile.id, facts)).toBeUndefined();
    expect(withRoomGrown(more({ grows: undefined }), tile.id, facts)).toBeUndefined();
  }
});

test("the least height shows all words, and a millimetre less does not", () => {
  const base = wordsFor(pageOf(2), "journal").filling as Words;
  for (const change of [{}, { columns: 3 }, { turn: 90 as const }, { paragraphLines: 1 }]) {
    const words: Words = { ...base, style: { ...base.style, ...change } };
    const height = neededHeight(words, 90, facts);
    const at = (mm: number) => laidWords(words, { width: 90, height: mm }, facts)!.hidden;
    expect([at(height), at(height - 1.5 * 5) > 0]).toEqual([0, true]);
  }
});

test("words are made to fit their box, and a box to fit its words", () => {
  const on = pageOf(4);
  const tile = wordsFor(on, "journal");
  for (const room of roomsForWords({ on, tile, facts, light, keepOff: [] })) {
    const there = placeAgain(on, room.page);
    const placedTile = findPlaced(there, tile.id)!;
    const sized = sizeFitting(placedTile, facts, 4)!;
    const at = (sizePt: number) =>
      laidWords({ ...sized, style: { ...sized.style, sizePt } }, placedTile.frame, facts)!.hidden;
    expect([at(sized.style.sizePt), at(sized.style.sizePt + 0.25) > 0]).toEqual([0, true]);
    expect(sizeFitting(placedTile, facts, 60)).toBeUndefined();
    const shorter = placeAgain(
      on,
      mapTiles(room.page, (t) =>
        t.id === tile.id ? { ...t, filling: { ...(t.filling as Words), text: "Short." } } : t,
      ),
    );
    const fitted = placeAgain(on, withRoomFitted(shorter, tile.id, facts)!);
    expect(findPlaced(fitted, tile.id)!.frame.height).toBeLessThan(placedTile.frame.height * 0.8);
    expect(hidden(fitted, tile.id)).toBe(0);
  }
});
