import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { freeTiles, isGroup, mainGroup, newFreeTile, type Page, placePage, withFree } from "#core/document";
import { collage, counter } from "../document/project.fixture.ts";
import { hiddenSet, listedFrontToBack, named, pieceMoved } from "./index.ts";

const project = collage([1.5, 1, 0.7]);
const newId = counter("free");
const frame = { centre: { x: 40, y: 40 }, width: 20, height: 20, turn: 0 };
const page: Page = [0, 1, 2].reduce<Page>(
  (now) => withFree(now, newFreeTile(frame, { kind: "empty" }, newId)),
  project.pages[0]!,
);
const ids = (p: Page) => listedFrontToBack(p).flatMap((l) => (l.what === "group" ? [] : [l.tile.id]));
const group = mainGroup(page)!;
const drawn = (p: Page) => placePage(p, project.format, project.style).tiles.map((t) => t.id);

test("the list goes from front to back, the reverse of what is drawn", () => {
  expect(ids(page)).toEqual(drawn(page).toReversed());
  expect(listedFrontToBack(page).map((l) => l.what)).toEqual([
    ...["free", "free", "free"],
    ...["group", "arranged", "arranged", "arranged"],
  ]);
});

test("hidden, a tile is listed and not drawn; shown again, the page is as it was", () => {
  for (const id of ids(page)) {
    const without = hiddenSet(page, id, true);
    expect(ids(without)).toEqual(ids(page));
    expect(drawn(without)).toEqual(drawn(page).filter((d) => d !== id));
    expect(hiddenSet(without, id, true)).toBe(without);
    expect(hiddenSet(without, id, false)).toEqual(page);
  }
  const bare = hiddenSet(page, group.id, true);
  expect(drawn(bare)).toEqual(freeTiles(page).map((t) => t.id));
  expect(hiddenSet(bare, group.id, false)).toEqual(page);
});

test("a name is kept without blanks around it, and goes when it is emptied", () => {
  for (const id of [...ids(page), group.id]) {
    const now = named(page, id, "  The boat ");
    const of = now.pieces.flatMap((p) => (isGroup(p) ? [p, ...p.tiles] : [p])).find((p) => p.id === id);
    expect(of!.name).toBe("The boat");
    expect(named(now, id, "The boat")).toBe(now);
    expect(named(now, id, " ")).toEqual(page);
  }
});

test("a piece moves past one other at a time and back, a group too; at the ends all stays", () => {
  fc.assert(
    fc.property(fc.nat(3), fc.constantFrom(1, -1), (n, by) => {
      const { id } = page.pieces[n]!;
      const at = page.pieces.findIndex((p) => p.id === id);
      const moved = pieceMoved(page, id, by);
      const end = at + by < 0 || at + by >= page.pieces.length;
      expect(moved === page).toBe(end);
      if (end) return;
      expect(moved.pieces.findIndex((p) => p.id === id)).toBe(at + by);
      expect(pieceMoved(moved, id, by === 1 ? -1 : 1)).toEqual(page);
    }),
  );
  expect(pieceMoved(page, group.tiles[0]!.id, 1)).toBe(page);
});
