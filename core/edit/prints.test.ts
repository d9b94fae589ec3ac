import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { formatOf, newPrints, type Project, photosOf, placed, printFiles } from "#core/document";
import { labCardSchema } from "#core/lab/schema";
import type { Photo } from "#core/photo";
import { applied, counter } from "../document/project.fixture.ts";
import { mostCopies, printBill, printsAdded, printsOf, printsRemoved, printsSet } from "./index.ts";

const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/fernhill-prints.json", "utf8")));
const none = newPrints({ name: "Prints", lab }, { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" });
const photo = (id: string, widthPx = 3000, heightPx = 2000) => ({ id, widthPx, heightPx }) as Photo;
const added = (project: Project, photos: readonly Photo[], sizeId: string) =>
  applied(project, printsAdded(project, photos, sizeId, counter(`${sizeId}-${printsOf(project).length}-`)));

const sizeIds = lab.sizes.map((s) => s.id);
const someGroups = fc.array(
  fc.tuple(fc.constantFrom(...sizeIds), fc.uniqueArray(fc.integer({ min: 0, max: 8 }), { minLength: 1, maxLength: 6 })),
  { minLength: 1, maxLength: 4 },
);
const made = (groups: readonly (readonly [string, readonly number[]])[]) =>
  groups.reduce(
    (now, [sizeId, ns]) =>
      added(
        now,
        ns.map((n) => photo(`photo${n}`, n % 2 ? 2000 : 3000, n % 2 ? 3000 : 2000)),
        sizeId,
      ),
    none,
  );

test("every photo is printed as often in each size as it was put in, alone, full, and lying as it does", () => {
  fc.assert(
    fc.property(someGroups, (groups) => {
      const project = made(groups);
      const wanted = new Map<string, number>();
      for (const [sizeId, ns] of groups)
        for (const n of ns) wanted.set(`${sizeId} photo${n}`, (wanted.get(`${sizeId} photo${n}`) ?? 0) + 1);
      const prints = printsOf(project);
      const got = new Map(
        prints.map((p) => [`${p.print.sizeId} ${photosOf(p, project.style).join()}`, p.print.copies]),
      );
      expect(got).toEqual(wanted);
      expect(project.pages).toHaveLength(prints.length);
      for (const page of prints) {
        const format = formatOf(project, page);
        const size = lab.sizes.find((s) => s.id === page.print.sizeId)!;
        expect([format.widthMm, format.heightMm].sort((a, b) => a - b)).toEqual([size.widthMm, size.heightMm]);
        const isWide = Number(photosOf(page, project.style)[0]!.slice(5)) % 2 === 0;
        expect(format.widthMm > format.heightMm).toBe(isWide);
        const [tile] = placed(project, page).tiles;
        expect(tile!.frame.width).toBeCloseTo(format.widthMm);
        expect(tile!.frame.height).toBeCloseTo(format.heightMm);
      }
    }),
    { numRuns: 40 },
  );
});

test("what it costs is copies times the lab's prices, and not told where a size has none", () => {
  const project = made([["4x6", [0, 1, 2]]]);
  const [first, second] = printsOf(project);
  const more = applied(project, [
    printsSet([first!], { copies: 5 }),
    printsSet([second!], { sizeId: "8x10", sideways: true }),
  ]);
  expect(printBill(more)).toEqual({ count: 7, price: expect.closeTo(5 * 0.19 + 1.9 + 0.19) });
  const free = { ...lab, sizes: lab.sizes.map(({ price, ...s }) => (s.id === "8x10" ? s : { ...s, price })) };
  expect(printBill({ ...more, lab: labCardSchema.parse(free) })).toEqual({ count: 7, price: undefined });
  const [resized] = printsOf(more).filter((p) => p.print.sizeId === "8x10");
  expect(formatOf(more, resized!)).toMatchObject({ widthMm: 254, heightMm: 203.2, ppi: 300, bleedMm: 0 });
});

test("never more copies than an order can hold", () => {
  const full = applied(made([["4x6", [0]]]), [printsSet(printsOf(made([["4x6", [0]]])), { copies: mostCopies })]);
  const again = added(full, [photo("photo0")], "4x6");
  expect(printsOf(again).map((p) => p.print.copies)).toEqual([mostCopies]);
});

test("prints taken away leave the others, and the last ones a bare page that the next ones replace", () => {
  const project = made([["5x7", [0, 1, 2]]]);
  const ids = printsOf(project).map((p) => p.id);
  const fewer = applied(project, printsRemoved(project, [ids[1]!], counter("bare")));
  expect(fewer.pages.map((p) => p.id)).toEqual([ids[0], ids[2]]);
  const nothing = applied(project, printsRemoved(project, ids, counter("bare")));
  expect([nothing.pages.length, printsOf(nothing).length]).toEqual([1, 0]);
  expect(added(nothing, [photo("photo5")], "4x6").pages).toHaveLength(1);
});

test("each print is a file of its own size that knows how often it is wanted", () => {
  const project = made([
    ["4x6", [0, 1]],
    ["8x10", [0]],
    ["8x10", [0]],
  ]);
  const files = printFiles(project, () => undefined);
  expect(files.map((f) => [f.format.name, f.print])).toEqual([
    ["4 × 6 in", { copies: 1, sizeId: "4x6" }],
    ["4 × 6 in", { copies: 1, sizeId: "4x6" }],
    ["8 × 10 in", { copies: 2, sizeId: "8x10" }],
  ]);
});
