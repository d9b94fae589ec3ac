import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { bleedBox, printPixels } from "#core/lab";
import { book, gutterLab, holding, tile } from "../../check/check.fixture.ts";
import { fileHolds, type PrintFile, type PrintFileOptions, type Project, printFiles } from "../index.ts";

const project = (leaves: number): Project => {
  const bare = book(gutterLab);
  const pages = Array.from({ length: leaves }, (_, i) => ({
    ...bare.pages[0]!,
    id: `l${i}`,
    pieces: [tile(`t${i}`, { x: 10, y: 10, w: 60, h: 40 }, holding("p"))],
  }));
  return { ...bare, pages };
};

const files = (p: Project, options: PrintFileOptions) => printFiles(p, () => undefined, options);
const tilesOn = (f: PrintFile) => f.parts.flatMap((part) => part.page.tiles.map((t) => t.id));

test("however pages are put on files, each is on exactly one, in order, and as many pixels are printed of it", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 24 }),
      fc.constantFrom(...fileHolds),
      fc.boolean(),
      (n, holds, withoutBleed) => {
        const p = project(n);
        const all = files(p, { holds, withoutBleed });
        expect(all.flatMap(tilesOn)).toEqual(p.pages.map((_, i) => `t${i}`));
        for (const f of all) {
          expect(f.format.bleedMm).toBe(withoutBleed ? 0 : p.format.bleedMm);
          const box = bleedBox(f.format);
          for (const { clip } of f.parts) {
            expect(clip.w > 0 && clip.h > 0).toBe(true);
            expect(clip.x >= box.x - 1e-9 && clip.x + clip.w <= box.x + box.w + 1e-9).toBe(true);
            expect(clip.h).toBeCloseTo(box.h);
          }
          const leaf = printPixels({ ...p.format, bleedMm: f.format.bleedMm });
          expect(printPixels(f.format).heightPx).toBe(leaf.heightPx);
        }
      },
    ),
  );
});

test("mixed files hold what is seen alone by itself, and all others two by two", () => {
  const p = project(6);
  // The first page is a right one and the last a left one: both are seen alone.
  expect(files(p, { holds: "mixed" }).map(tilesOn)).toEqual([["t0"], ["t1", "t2"], ["t3", "t4"], ["t5"]]);
  expect(files(p, { holds: "mixed" }).map((f) => f.format.widthMm / p.format.widthMm)).toEqual([1, 2, 2, 1]);
  expect(files(p, { holds: "spreads" }).map((f) => f.format.widthMm / p.format.widthMm)).toEqual([2, 2, 2, 2]);
  expect(files(p, { holds: "pages" })).toHaveLength(6);
});
