import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { allTiles, barePage, holdsAnything, layTree, type Page, photosOf, placed, sideOf } from "#core/document";
import { bindsSo } from "#core/lab";
import { applied, counter } from "../document/project.fixture.ts";
import { bareBook, lab } from "./books.fixture.ts";
import { finishedFlow } from "./index.ts";

const holding = (id: string): Page => {
  const laid = layTree(placed(bareBook, { ...barePage(() => `page-${id}`) }), {
    photos: [{ id, aspect: 1 }],
    seed: 0,
    newId: counter(`t-${id}`),
  });
  if (!laid.ok) throw new Error(laid.code);
  return laid.value.page;
};

test("finished pages fill a book's bare ones in their order, on their own sides, and as many come behind as can be bound", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 60 }),
      fc.uniqueArray(fc.integer({ min: 0, max: bareBook.pages.length - 1 }), { maxLength: 6 }),
      (count, taken) => {
        const project = {
          ...bareBook,
          pages: bareBook.pages.map((p, i) => (taken.includes(i) ? { ...holding(`old${i}`), id: p.id } : p)),
        };
        const finished = Array.from({ length: count }, (_, i) => holding(`new${i}`));
        const { changes, pageIds, leftOver } = finishedFlow(project, finished, counter("more"));
        const after = applied(project, changes);
        const shown = after.pages.map((p) => photosOf(p, after.style).join());
        // What was there stays where it was, and the new ones come in order.
        for (const i of taken) expect(shown[i]).toBe(`old${i}`);
        expect(shown.filter((s) => s.startsWith("new"))).toEqual(finished.map((_, i) => `new${i}`));
        expect(pageIds).toEqual(after.pages.flatMap((p, i) => (shown[i]!.startsWith("new") ? [p.id] : [])));
        for (const p of project.pages) expect(sideOf(after, p.id)).toBe(sideOf(project, p.id));
        expect(bindsSo(lab.book!, after.pages.length)).toBe(true);
        const rest = after.pages.filter((p) => !leftOver.includes(p.id));
        expect(leftOver.every((id) => allTiles(after.pages.find((p) => p.id === id)!).length === 0)).toBe(true);
        expect(bindsSo(lab.book!, rest.length)).toBe(true);
        // Nothing that could go stays: with one step fewer something would be lost, or the lab would not bind it.
        const { least, step } = lab.book!.pages;
        const last = after.pages.findLastIndex((p) => holdsAnything(p, after.style));
        expect(rest.length - step < Math.max(least, last + 1) || count > project.pages.length - taken.length).toBe(
          true,
        );
      },
    ),
    { numRuns: 60 },
  );
});
