import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { freeTiles, newFreeTile, type Page, placePage, withFree } from "#core/document";
import { collage, counter } from "../document/project.fixture.ts";
import { hiddenSet, namedTile, pieceMoved, tilesFrontToBack } from "./index.ts";

const project = collage([1.5, 1, 0.7]);
const newId = counter("free");
const frame = { centre: { x: 40, y: 40 }, width: 20, height: 20, turn: 0 };
const page: Page = [0, 1, 2].reduce<Page>(
  (now) => withFree(now, newFreeTile(frame, { kind: "empty" }, newId)),
  project.pages[0]!,
);
const ids = (p: Page) => tilesFrontToBack(p).map((l) => l.tile.id);
const drawn = (p: Page) => placePage(p, project.format, project.style).tiles.map((t) => t.id);

test("the list goes from front to back, the reverse of what is drawn", () => {
  expect(ids(page)).toEqual(drawn(page).toReversed());
  expect(tilesFrontToBack(page).map((l) => l.free)).toEqual([true, true, true, false, false, false]);
});

test("hidden, a tile is listed and not drawn; shown again, the page is as it was", () => {
  for (const id of ids(page)) {
    const without = hiddenSet(page, id, true);
    expect(ids(without)).toEqual(ids(page));
    expect(drawn(without)).toEqual(drawn(page).filter((d) => d !== id));
    expect(hiddenSet(without, id, true)).toBe(without);
    expect(hiddenSet(without, id, false)).toEqual(page);
  }
});

test("a name is kept without blanks around it, and goes when it is emptied", () => {
  const [first] = ids(page) as [string];
  const named = namedTile(page, first, "  The boat ");
  expect(tilesFrontToBack(named)[0]!.tile.name).toBe("The boat");
  expect(namedTile(named, first, "The boat")).toBe(named);
  expect(namedTile(named, first, " ")).toEqual(page);
});

test("what lies freely moves past one piece at a time and back; groups and ends stay", () => {
  fc.assert(
    fc.property(fc.nat(2), fc.constantFrom(1, -1), (n, by) => {
      const { id } = freeTiles(page)[n]!;
      const at = page.pieces.findIndex((p) => p.id === id);
      const moved = pieceMoved(page, id, by);
      const end = at + by >= page.pieces.length;
      expect(moved === page).toBe(end);
      if (end) return;
      expect(moved.pieces.findIndex((p) => p.id === id)).toBe(at + by);
      expect(pieceMoved(moved, id, by === 1 ? -1 : 1)).toEqual(page);
    }),
  );
  expect(pieceMoved(page, page.pieces[0]!.id, 1)).toBe(page);
});
