import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedTiles,
  type Change,
  mainGroup,
  newBook,
  newPockets,
  type Page,
  type Project,
  photoIdOf,
  placed,
  sideOf,
  sidesKept,
} from "#core/document";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import type { Photo } from "#core/photo";
import { backOf, shippedPatterns } from "#core/pockets";
import { applied, collage, counter } from "../document/project.fixture.ts";
import {
  facingPage,
  frontPattern,
  leafPatterned,
  openingJoined,
  pagesEmptied,
  pagesForEach,
  pagesMoved,
  pagesNumbered,
  pagesPutIn,
  pageToDrawOn,
  placeBehindLeaf,
  placeForNew,
  pocketsSet,
  spreadParted,
} from "./index.ts";

const at = "2026-01-01T00:00:00.000Z";
const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));
const book = newBook(
  { name: "A book", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
  { newId: counter("p"), at },
);
const ids = (pages: readonly Page[]) => pages.map((p) => p.id);

test("a move does what was asked, or the nearest that leaves every page on its side", () => {
  fc.assert(
    fc.property(fc.nat(book.pages.length - 1), fc.nat(book.pages.length - 1), (from, to) => {
      const id = book.pages[from]!.id;
      const { asked, keepingSides } = pagesMoved(book, [id], to);
      const rest = ids(book.pages).filter((other) => other !== id);
      expect(ids(applied(book, [asked]).pages)).toEqual(rest.toSpliced(to, 0, id));
      if (!keepingSides) return;
      const kept = applied(book, [keepingSides.change]).pages;
      expect(sidesKept(book, kept)).toBe(true);
      // A leaf goes with the page that faces it.
      expect(keepingSides.count).toBe(facingPage(book, id) ? 2 : 1);
    }),
  );
  const facing = facingPage(book, book.pages[3]!.id)!;
  const target = book.pages.find(
    (p) => ![book.pages[3]!.id, facing.id].includes(p.id) && sideOf(book, p.id) === "left",
  )!;
  expect(pagesMoved(book, [book.pages[3]!.id], book.pages.indexOf(target)).keepingSides).toBeDefined();
});

test("new pages come before or behind the open one, and from the cover at the end", () => {
  const open = book.pages[4]!.id;
  expect([placeForNew(book, open, "before"), placeForNew(book, open, "after")]).toEqual([4, 5]);
  expect([placeForNew(book, open, "end"), placeForNew(book, "cover", "after")]).toEqual([
    book.pages.length,
    book.pages.length,
  ]);
  const [one, two] = [
    { ...book.pages[0]!, id: "one" },
    { ...book.pages[0]!, id: "two" },
  ];
  const row = ids(applied(book, [pagesPutIn([one, two], 5)]).pages);
  expect(row.slice(4, 8)).toEqual([open, "one", "two", book.pages[5]!.id]);
});

test("an opening is joined and parted again where it was; numbers and facing pages follow", () => {
  const page = book.pages.find((p) => sideOf(book, p.id) === "left" && facingPage(book, p.id))!;
  const facing = facingPage(book, page.id)!;
  const edit = openingJoined(book, page.id)!;
  const joined = applied(book, [{ type: "replaceAll", pages: edit.pages }]);
  const place = book.pages.indexOf(page);
  expect(joined.pages[place]!.span).toBe(2);
  expect(ids(joined.pages)).toEqual(ids(book.pages).toSpliced(place, 2, edit.open.id));
  for (const n of [place + 1, place + 2]) expect(ids(pagesNumbered(joined, new Set([n])))).toEqual([edit.open.id]);
  expect(facingPage(joined, edit.open.id)).toBeUndefined();
  const parted = spreadParted(joined, edit.open.id, counter("n"))!;
  expect(parted.pages.map((p) => p.span)).toEqual(book.pages.map((p) => p.span));
  expect(parted.open).toBe(parted.pages[place]);
  expect(spreadParted(book, facing.id, counter("n"))).toBeUndefined();
});

test("pages that are emptied stay where they are, as large, and are bare on purpose", () => {
  const changes = pagesEmptied(book, [book.pages[2]!.id, "unknown"]);
  expect(changes).toHaveLength(1);
  const after = applied(book, changes);
  expect(ids(after.pages)).toEqual(ids(book.pages));
  expect(after.pages[2]).toMatchObject({ blank: true, span: 1, pieces: [] });
});

test("each group of photos has a page: arranged by itself, or in the places of another", () => {
  const project = collage([1.5, 1.5, 0.7]);
  const model = project.pages[0]!;
  const photo = (id: string) => ({ id, widthPx: 3000, heightPx: 2000 }) as Photo;
  const groups = [[photo("a"), photo("b")], [photo("c")]];
  const on = (like: "fit" | "this") =>
    pagesForEach(project, groups, { like, model, newId: counter("n") }).map((p) =>
      arrangedTiles(p).map((t) => photoIdOf(t)),
    );
  expect(on("fit").map((photos) => photos.toSorted())).toEqual([["a", "b"], ["c"]]);
  expect(on("this").map((photos) => photos.length)).toEqual([3, 3]);
  expect(on("this").map((photos) => photos.filter((id) => id !== undefined).toSorted())).toEqual([["a", "b"], ["c"]]);
  // A page that holds nothing is no model, so each page is arranged by itself.
  const empty = pagesForEach(project, groups, { like: "this", model: { ...model, pieces: [] }, newId: counter("m") });
  expect(empty.map((p) => arrangedTiles(p).map(photoIdOf).toSorted())).toEqual([["a", "b"], ["c"]]);
});

const pattern = shippedPatterns.find((p) => p.id === "12-twelve-upright")!;
const other = shippedPatterns.find((p) => p.pockets.length !== pattern.pockets.length)!;
const cards: Project = newPockets({ name: "Cards", unit: "in", pattern }, { newId: counter("p"), at });

test("both sides of a leaf take another pattern, the back mirrored; a new leaf comes behind both", () => {
  const [front, back] = cards.pages as [Page, Page];
  expect(frontPattern(cards, front)).toEqual(pattern);
  expect(frontPattern(cards, back)?.pockets).toEqual(backOf(backOf(pattern)).pockets);
  const after = applied(cards, leafPatterned(cards, back, other, counter("n")));
  for (const page of after.pages) {
    expect(frontPattern(after, page)?.id).toBe(other.id);
    expect(arrangedTiles(page)).toHaveLength(other.pockets.length);
  }
  expect([placeBehindLeaf(cards, front), placeBehindLeaf(cards, back)]).toEqual([2, 2]);
});

test("another clearance holds for every page of pockets; other settings leave pages alone", () => {
  const clearances = (changes: readonly Change[]) => {
    const after = applied(cards, changes);
    return [
      after.pockets?.cardClearanceMm,
      ...after.pages.map((p) => {
        const a = mainGroup(p)?.arrangement;
        return a?.kind === "pockets" ? a.cardClearanceMm : undefined;
      }),
    ];
  };
  expect(clearances(pocketsSet(cards, { cardClearanceMm: 3.5 }))).toEqual([3.5, 3.5, 3.5]);
  expect(pocketsSet(cards, { ...cards.pockets! })).toHaveLength(1);
  expect(pocketsSet(book, { cardClearanceMm: 3.5 })).toEqual([]);
});

test("to draw pockets of one's own a page has one empty tile over all of it", () => {
  const page = pageToDrawOn(placed(cards, cards.pages[0]!), counter("n"))!;
  expect(arrangedTiles(page).map((t) => t.filling.kind)).toEqual(["empty"]);
  expect(mainGroup(page)?.arrangement.kind).toBe("tree");
});
