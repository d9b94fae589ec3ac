import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { formatFromCard, safeBox } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { mmOfPt } from "#core/words";
import {
  type Book,
  barePage,
  drawnPage,
  footFor,
  formatOf,
  frameRect,
  newBook,
  type PlacedTile,
  type Project,
  sideOf,
} from "../index.ts";
import { counter } from "../project.fixture.ts";

const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/otterbourne-books.json", "utf8")));
const bare = newBook(
  { name: "Our book", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
  { newId: counter("p"), at: "" },
);
const numbered = (numbers: Partial<Book["numbers"]>, more: Partial<Project> = {}): Project => ({
  ...bare,
  ...more,
  book: { ...bare.book!, numbers: { ...bare.book!.numbers, shown: true, ...numbers } },
});
const numbersOn = (project: Project, i: number): readonly PlacedTile[] =>
  drawnPage(project, project.pages[i]!, () => undefined).tiles.filter((t) => t.id.startsWith("running"));
const said = (tile: PlacedTile | undefined) => (tile?.filling.kind === "words" ? tile.filling : undefined);

test("a number stands on one line at the foot: in the middle of the margin, inside of what is safe, and clear of what lies above", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 5, max: 24 }), (bottom, sizePt) => {
      const style = { ...bare.style, margin: { top: 5, right: 5, bottom, left: 5 } };
      const project = numbered({ style: { ...bare.book!.numbers.style, sizePt } }, { style });
      const [tile] = numbersOn(project, 3);
      const r = frameRect(tile!.frame);
      const safe = safeBox(formatOf(project, project.pages[3]!));
      const lineMm = 1.5 * mmOfPt(sizePt);
      expect(r.h).toBeCloseTo(lineMm);
      expect(r.y + r.h).toBeLessThanOrEqual(safe.y + safe.h + 1e-9);
      // As low as it may be, or one line above that, and between these in the middle of the margin.
      const lowest = safe.y + safe.h - lineMm / 2;
      const middle = project.format.heightMm - bottom / 2;
      const expected = middle >= lowest ? lowest : Math.max(middle, lowest - lineMm);
      expect(r.y + r.h / 2).toBeCloseTo(expected);
      if (bottom >= footFor(project) && bottom < 2 * footFor(project))
        expect(r.y).toBeGreaterThanOrEqual(project.format.heightMm - bottom - 1e-9);
      expect([r.x, r.x + r.w]).toEqual([expect.closeTo(safe.x), expect.closeTo(safe.x + safe.w)]);
    }),
  );
});

test("numbers go up from the first page; at the outer edge left and right take turns; what runs along stands on the inside", () => {
  const project = numbered({ place: "outer", running: "name" });
  for (const [i, page] of project.pages.entries()) {
    const words = said(numbersOn(project, i)[0]);
    const left = sideOf(project, page.id) === "left";
    expect(words?.style.align).toBe(left ? "left" : "right");
    expect(words?.text).toBe(left ? `${i + 1}   Our book` : `Our book   ${i + 1}`);
  }
  const atFold = numbered({ place: "inner" });
  expect(said(numbersOn(atFold, 1)[0])?.style.align).toBe(
    sideOf(atFold, atFold.pages[1]!.id) === "left" ? "right" : "left",
  );
  const inMiddle = numbered({ place: "middle", running: "name" });
  expect(said(numbersOn(inMiddle, 4)[0])).toMatchObject({ text: "5   Our book", style: { align: "centre" } });
});

test("a spread has two numbers, each on its own page and off the fold; blank and plain pages have none", () => {
  const first = sideOf(bare, bare.pages[0]!.id) === "left" ? 0 : 1;
  const spread = barePage(counter("s"), 2);
  const pages = bare.pages.toSpliced(first, 2, spread);
  const project = numbered({}, { pages });
  const two = numbersOn(project, first);
  expect(two.map((t) => said(t)?.text)).toEqual([String(first + 1), String(first + 2)]);
  const leaf = project.format.widthMm;
  const [l, r] = two.map((t) => frameRect(t.frame));
  expect(l!.x + l!.w).toBeCloseTo(leaf - project.format.safeMm);
  expect(r!.x).toBeCloseTo(leaf + project.format.safeMm);
  for (const mark of [{ blank: true }, { plain: true }])
    expect(numbersOn({ ...project, pages: pages.with(first, { ...spread, ...mark }) }, first)).toEqual([]);
});
