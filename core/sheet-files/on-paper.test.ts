import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { frameRect, placed } from "#core/document";
import { applyTo, type Rect } from "#core/geometry";
import { collage } from "../document/project.fixture.ts";
import { contactSheets, officePapers, paperProof } from "./index.ts";

const project = collage([1.5, 1, 0.7]);
const page = placed(project, project.pages[0]!);
const on = { project, paper: "a4", title: "A year", numberOf: (n: number, of: number) => `${n}/${of}` } as const;
const inside = (r: Rect): boolean =>
  r.x >= 0 && r.y >= 0 && r.x + r.w <= officePapers.a4.widthMm && r.y + r.h <= officePapers.a4.heightMm;
const meet = (a: Rect, b: Rect): boolean =>
  a.x < b.x + b.w - 0.01 && b.x < a.x + a.w - 0.01 && a.y < b.y + b.h - 0.01 && b.y < a.y + a.h - 0.01;

test("every opening is on a sheet once, undistorted, beside no other, with lines beneath it that lie on no page", () => {
  const size = fc.double({ min: 50, max: 500, noNaN: true });
  const leaves = fc.integer({ min: 1, max: 2 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(size, size, leaves), { minLength: 1, maxLength: 9 }),
      fc.integer({ min: 1, max: 4 }),
      (sizes, perSheet) => {
        const openings = sizes.map(([w, h, count], i) => ({
          label: `Page ${i}`,
          leaves: Array.from({ length: count }, () => ({ page, box: { x: 3, y: 4, w, h } })),
        }));
        const files = paperProof(openings, perSheet, on);
        expect(files).toHaveLength(Math.ceil(sizes.length / perSheet));
        const shown = files.flatMap((f) => f.parts.slice(1));
        expect(shown).toHaveLength(openings.flatMap((o) => o.leaves).length);
        for (const { parts } of files) {
          const [ground, ...pages] = parts;
          const lines = ground!.page.tiles.filter((t) => t.id.startsWith("line")).map((t) => frameRect(t.frame));
          expect(lines.length).toBeGreaterThanOrEqual(1);
          for (const [i, { clip, place }] of pages.entries()) {
            expect(inside(clip)).toBe(true);
            expect(place.a).toBeCloseTo(place.d, 9);
            const from = applyTo(place, { x: 3, y: 4 });
            expect([from.x, from.y]).toEqual([expect.closeTo(clip.x, 6), expect.closeTo(clip.y, 6)]);
            for (const other of [...pages.slice(i + 1).map((p) => p.clip), ...lines])
              expect(meet(clip, other)).toBe(false);
          }
        }
      },
    ),
    { numRuns: 60 },
  );
});

test("every photo is on a contact sheet once, in order, as it is shaped, with its name under it", () => {
  const aspect = fc.double({ min: 0.2, max: 5, noNaN: true });
  fc.assert(
    fc.property(
      fc.array(aspect, { minLength: 1, maxLength: 70 }),
      fc.integer({ min: 3, max: 6 }),
      (aspects, columns) => {
        const photos = aspects.map((a, i) => ({ id: `p${i}`, aspect: a, label: `${i + 1} name` }));
        const files = contactSheets(photos, columns, on);
        const tiles = files.flatMap((f) => f.parts[0]!.page.tiles);
        const shown = tiles.filter((t) => t.filling.kind === "photo");
        expect(shown.map((t) => t.filling.kind === "photo" && t.filling.view.photoId)).toEqual(photos.map((p) => p.id));
        for (const [i, t] of shown.entries()) expect(t.frame.width / t.frame.height).toBeCloseTo(aspects[i]!, 6);
        for (const { parts } of files) {
          const all = parts[0]!.page.tiles.map((t) => frameRect(t.frame));
          for (const [i, a] of all.entries()) {
            expect(inside(a)).toBe(true);
            for (const b of all.slice(i + 1)) expect(meet(a, b)).toBe(false);
          }
        }
        const labels = tiles.flatMap((t) =>
          t.filling.kind === "words" && t.id.startsWith("label") ? [t.filling.text] : [],
        );
        expect(labels).toEqual(photos.map((p) => p.label));
      },
    ),
    { numRuns: 60 },
  );
  expect(contactSheets([], 4, on)).toEqual([]);
});
