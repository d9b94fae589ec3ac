import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { bindsSo, boundPages, formatFromCard, type LabCard, pageCounts } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import {
  applyChange,
  barePage,
  type Change,
  coverParts,
  formatOf,
  invertChange,
  newBook,
  openingsOf,
  type Page,
  type Project,
  pageCount,
  pagesBefore,
  pagesOf,
  sideOf,
  spreadsHold,
} from "../index.ts";
import { counter } from "../project.fixture.ts";

const labs: readonly LabCard[] = [
  "tern-hill-layflat",
  "marrow-and-lisle",
  "otterbourne-books",
  "pennywhistle-press",
].map((name) => labCardSchema.parse(JSON.parse(readFileSync(`demo/labs/${name}.json`, "utf8"))));

const book = (lab: LabCard): Project =>
  newBook(
    { name: "A book", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
    { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" },
  );

const anyLab = fc.constantFrom(...labs);
/** Rows of single pages and spreads whose spreads all begin on the left. */
const anyRow = (first: boolean) =>
  fc.array(fc.boolean(), { minLength: 1, maxLength: 40 }).map((fileOptions) => {
    const newId = counter("r");
    const pages: Page[] = [];
    let leaves = 0;
    for (const spread of fileOptions) {
      const left = (leaves + (first ? 1 : 0)) % 2 === 0;
      const page = barePage(newId, spread && left ? 2 : 1);
      pages.push(page);
      leaves += page.span;
    }
    return pages;
  });

test("a page is left or right by how many come before it, and openings hold every page once, in order", () => {
  fc.assert(
    fc.property(
      fc.boolean().chain((first) => anyRow(first).map((pages) => ({ first, pages }))),
      ({ first, pages }) => {
        expect(spreadsHold(pages, first)).toBe(true);
        const openings = openingsOf(pages, first);
        expect(openings.flatMap(pagesOf)).toEqual(pages);
        const before = pagesBefore(pages);
        for (const o of openings) {
          const [a] = pagesOf(o);
          expect(o.firstNumber).toBe(before[pages.indexOf(a!)]! + 1);
          if (o.spread) expect(o.spread.span).toBe(2);
          // A leaf alone is the first of a book that begins on the right, or the last.
          else if (!o.left) expect([o, first]).toEqual([openings[0], true]);
          else if (!o.right) expect(o).toBe(openings.at(-1));
        }
      },
    ),
  );
});

test("a new book has the least pages of its lab, and each page the fold on its inner side", () => {
  for (const lab of labs) {
    const project = book(lab);
    expect(pageCount(project.pages)).toBe(lab.book!.pages.least);
    for (const page of project.pages) {
      const side = sideOf(project, page.id);
      const format = formatOf(project, page);
      expect(format.folds).toEqual([
        { atMm: side === "left" ? project.format.widthMm : 0, hiddenMm: lab.book!.gutterMm },
      ]);
      expect(formatOf(project, page)).toBe(format);
    }
    expect(sideOf(project, project.pages[0]!.id)).toBe(lab.book!.firstOnRight ? "right" : "left");
  }
});

test("41 pages where the lab wants steps of 4: the next number that is bound", () => {
  const rules = labs[1]!.book!;
  expect(bindsSo(rules, 41)).toBe(false);
  expect(boundPages(rules, 41)).toBe(44);
  fc.assert(
    fc.property(anyLab, fc.integer({ min: -5, max: 500 }), (lab, wanted) => {
      const bound = boundPages(lab.book!, wanted);
      expect(bindsSo(lab.book!, bound)).toBe(true);
      expect(pageCounts(lab.book!)).toContain(bound);
      if (wanted <= lab.book!.pages.most) expect(bound).toBeGreaterThanOrEqual(wanted);
    }),
  );
});

test("the cover's parts lie side by side without a gap, and its spine grows with the pages", () => {
  fc.assert(
    fc.property(anyLab, fc.integer({ min: 0, max: 4 }), fc.integer({ min: 2, max: 300 }), (lab, which, pages) => {
      const rules = lab.book!;
      const project = book(lab);
      const chosen = {
        ...project,
        book: {
          ...project.book!,
          coverId: rules.covers[which % rules.covers.length]!.id,
          paperId: rules.papers[which % rules.papers.length]!.id,
        },
      };
      const parts = coverParts(chosen, pages)!;
      let x = 0;
      for (const p of parts.panels) {
        expect(p.x).toBeCloseTo(x, 9);
        x += p.w;
      }
      expect(parts.widthMm).toBeCloseTo(x, 9);
      const boards = parts.panels.filter((p) => p.part === "front" || p.part === "back").map((p) => p.w);
      expect(boards).toEqual([0, 0].map(() => project.format.widthMm + parts.cover.overhangMm));
      expect(coverParts(chosen, pages + 2)!.spineMm).toBeGreaterThanOrEqual(parts.spineMm);
    }),
  );
});

test("no move, insertion or removal tears a spread over two leaves, and each is undone exactly", () => {
  const change = (project: Project): fc.Arbitrary<Change> => {
    const pageId = fc.constantFrom(...project.pages.map((p) => p.id));
    const at = fc.integer({ min: 0, max: project.pages.length });
    return fc.oneof(
      fc.record({
        type: fc.constant("movePages" as const),
        pageIds: fc.array(pageId, { minLength: 1, maxLength: 3 }),
        to: at,
      }),
      fc.record({
        type: fc.constant("removePages" as const),
        pageIds: fc.array(pageId, { minLength: 1, maxLength: 3 }),
      }),
      at.map((to) => ({
        type: "insertPages" as const,
        pages: [{ page: barePage(() => "new", 1), at: to }],
      })),
      at.map((to) => ({
        type: "insertPages" as const,
        pages: [{ page: barePage(() => "new", 2), at: to }],
      })),
    );
  };
  const lab = labs[1]!;
  const any = anyRow(true).map((pages): Project => ({ ...book(lab), pages }));
  fc.assert(
    fc.property(
      any.chain((p) => change(p).map((c) => [p, c] as const)),
      ([project, c]) => {
        const done = applyChange(project, c);
        if (!done.ok) return;
        expect(spreadsHold(done.value.pages, true)).toBe(true);
        const back = applyChange(done.value, invertChange(project, c));
        expect(back.ok && back.value).toEqual(project);
      },
    ),
    { numRuns: 300 },
  );
});

test("a lab card that contradicts itself is refused, and says where", () => {
  const card = labs[1]!;
  const trouble = (book: object) => {
    const read = labCardSchema.safeParse({ ...card, book: { ...card.book, ...book } });
    return read.success ? [] : read.error.issues.map((i) => i.message);
  };
  expect(trouble({})).toEqual([]);
  expect(trouble({ pages: { least: 40, most: 20, step: 4 } })).toContain("leastAboveMost");
  expect(trouble({ pages: { least: 24, most: 242, step: 4 } })).toContain("stepMissesMost");
  expect(trouble({ binding: "layFlat" })).toContain("gutterInLayFlat");
  expect(trouble({ files: "spreads" })).toContain("spreadsFromRight");
  expect(trouble({ firstOnRight: false, pages: { least: 25, most: 240, step: 5 } })).toContain("halfSpread");
  const [soft] = card.book!.covers;
  const table = (rows: object[]) => ({ covers: [{ ...soft, spine: { kind: "table", rows } }] });
  expect(trouble(table([{ upToPages: 100, mm: 4 }]))).toContain("tableTooShort");
  expect(
    trouble(
      table([
        { upToPages: 200, mm: 9 },
        { upToPages: 240, mm: 4 },
      ]),
    ),
  ).toContain("tableNotRising");
  expect(labCardSchema.safeParse({ ...card, kind: "collage" }).success).toBe(false);
  expect(labCardSchema.safeParse({ ...card, safeMm: 50, book: { ...card.book, gutterMm: 40 } }).success).toBe(true);
});
