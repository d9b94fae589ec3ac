import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import {
  allTiles,
  arrangedOn,
  arrangedTiles,
  barePage,
  frameRect,
  groupAt,
  inAnotherSize,
  insideRect,
  isLarger,
  joined,
  layTree,
  matchedTo,
  newBook,
  newFreeTile,
  newPrints,
  onLargerSheets,
  type Page,
  type PlacedPage,
  type Project,
  parted,
  placeAgain,
  placed,
  placePage,
  refitted,
  seamsOfGroup,
  sharedLines,
  spreadsHold,
  withFree,
  withSeamMoved,
} from "../index.ts";
import { collage, counter, squareFormat } from "../project.fixture.ts";

const lab = (name: string) => labCardSchema.parse(JSON.parse(readFileSync(`demo/labs/${name}.json`, "utf8")));
const [flat, glued] = [lab("tern-hill-layflat"), lab("marrow-and-lisle")];
const shapes = [1.5, 0.67, 1, 1.5, 1.33, 0.75, 1.5, 2.4];

const photos = (n: number, prefix: string) =>
  Array.from({ length: n }, (_, i) => ({ id: `${prefix}${i}`, aspect: shapes[i % shapes.length]! }));
const aspectOf = (id: string) => shapes[Number(id.slice(1)) % shapes.length];

const full = (on: PlacedPage, n: number, prefix = "p"): PlacedPage => {
  const laid = layTree(on, { photos: photos(n, prefix), seed: 1, newId: counter(`${prefix}${on.id}`) });
  if (!laid.ok) throw new Error(laid.code);
  return placeAgain(on, laid.value.page);
};
const bare = (id: string, style: Project["style"]) =>
  placePage(
    barePage(() => id),
    squareFormat,
    style,
  );
const idsOn = (page: Page) => allTiles(page).map((t) => t.id);

function book(): Project {
  const begun = newBook(
    { name: "A book", unit: "mm", lab: glued, format: formatFromCard(glued, glued.sizes[2]!, false) },
    { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" },
  );
  const pages = begun.pages.map((p, i) => full(placed(begun, p), 2 + (i % 5)).page);
  return { ...begun, pages };
}

/** How much of the room the tiles and the gaps between them fill. */
function filled(on: PlacedPage): void {
  const { format } = on;
  const room = insideRect(on.look, format);
  for (const t of arrangedOn(on)) {
    const r = frameRect(t.frame);
    expect(r.w).toBeGreaterThan(1);
    expect(r.h).toBeGreaterThan(1);
    expect(r.x).toBeGreaterThanOrEqual(Math.min(room.x, -format.bleedMm) - 1e-6);
    expect(r.x + r.w).toBeLessThanOrEqual(Math.max(room.x + room.w, format.widthMm + format.bleedMm) + 1e-6);
  }
}

test("every page fits another size with every photo still on it", () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 60, max: 900 }),
      fc.integer({ min: 60, max: 900 }),
      fc.integer({ min: 1, max: 14 }),
      (w, h, n) => {
        const { style } = book();
        const { page } = full(bare("b", style), n);
        const to = { ...squareFormat, widthMm: w, heightMm: h };
        const { page: next } = refitted(page, { format: squareFormat, style }, { format: to, style }, aspectOf);
        expect(idsOn(next)).toEqual(idsOn(page));
        filled(placePage(next, to, style));
      },
    ),
    { numRuns: 30 },
  );
});

test("a whole book at another lab: spreads stay on the left, and what was lost is said", () => {
  const base = book();
  const pages = [...base.pages];
  const spread = joined(base, pages[1]!, pages[2]!);
  const moved = pages[5]!;
  const on = placed(base, moved);
  const group = groupAt(on)!;
  const seam = seamsOfGroup(group)[0]!;
  const hand = withSeamMoved(on, group, seam, seam.at + 6, true);
  const project = { ...base, pages: pages.with(5, hand).toSpliced(1, 2, spread) };
  expect(spreadsHold(project.pages, true)).toBe(true);
  const to = { lab: flat, format: formatFromCard(flat, flat.sizes[1]!, false) };
  const made = inAnotherSize(project, to, { aspectOf, newId: counter("n") });
  // A first page on the left tears a spread that began on page 2.
  expect(made.losses).toContainEqual({ code: "spreadParted", page: 2 });
  expect(made.losses).toContainEqual({ code: "seams", page: 6 });
  expect(spreadsHold(made.project.pages, false)).toBe(true);
  expect(made.project.book!.paperId).toBe(flat.book!.papers[0]!.id);
  for (const p of made.project.pages) filled(placed(made.project, p));
});

test("two pages as a spread and apart again keep every tile", () => {
  const project = book();
  const [left, right] = [project.pages[1]!, project.pages[2]!];
  const spread = joined(project, left, right);
  expect(idsOn(spread)).toEqual([...idsOn(left), ...idsOn(right)]);
  const now = { ...project, pages: project.pages.toSpliced(1, 2, spread) };
  const [a, b] = parted(now, spread, counter("n"));
  expect([...idsOn(a), ...idsOn(b)].sort()).toEqual(idsOn(spread).sort());
  for (const p of [a, b]) filled(placePage(p, project.format, project.style));
});

test("a page matched to another has its gaps and margins, and shares lines that it did not share before", () => {
  let [before, after] = [0, 0];
  const project = book();
  const look = { ...project.style, gapMm: 2.5 };
  for (let n = 3; n < 9; n += 1) {
    const model = full(bare("m", look), n, "m");
    const page = full(bare("q", project.style), 11 - n, "q");
    const made = matchedTo(model, page, (tileId) => {
      const tile = arrangedTiles(page.page).find((t) => t.id === tileId);
      return tile?.filling.kind === "photo" ? aspectOf(tile.filling.view.photoId) : undefined;
    });
    const matched = placeAgain(page, made);
    expect(matched.look.gapMm).toBe(2.5);
    expect(idsOn(made)).toEqual(idsOn(page.page));
    filled(matched);
    before += sharedLines(page, model);
    after += sharedLines(matched, model);
  }
  expect(after).toBeGreaterThan(before + 3);
});

test("on a larger sheet every tile is as large as it was, and lies in the middle as it did", () => {
  const start = collage([1.5, 0.7, 1, 1.3, 0.8]);
  const note = newFreeTile(
    { centre: { x: 40, y: 60 }, width: 30, height: 10, turn: 5 },
    { kind: "empty" },
    () => "note",
  );
  const first = start.pages[0]!;
  const own = { ...withFree(first, note), margin: { top: 10, right: 0, bottom: 20, left: 4 } };
  const project = { ...start, pages: [own, ...start.pages.slice(1)] };
  fc.assert(
    fc.property(fc.double({ min: 0, max: 300, noNaN: true }), fc.double({ min: 0, max: 300, noNaN: true }), (w, h) => {
      const format = { ...squareFormat, widthMm: squareFormat.widthMm + w, heightMm: squareFormat.heightMm + h };
      expect(isLarger(squareFormat, format)).toBe(true);
      const there = onLargerSheets(project, { lab: null, format });
      const framesOf = (p: Project) => placed(p, p.pages[0]!).tiles.map((t) => t.frame);
      // A tile at the edge of the old sheet no longer reaches into a bleed.
      const bled = (f: { centre: { x: number }; width: number }) => f.centre.x + f.width / 2 > squareFormat.widthMm;
      for (const [i, was] of framesOf(project).entries()) {
        const is = framesOf(there)[i]!;
        if (bled(was)) continue;
        expect(is.width).toBeCloseTo(was.width, 6);
        expect(is.height).toBeCloseTo(was.height, 6);
        expect(is.centre.x - w / 2).toBeCloseTo(was.centre.x, 6);
        expect(is.centre.y - h / 2).toBeCloseTo(was.centre.y, 6);
      }
    }),
    { numRuns: 40 },
  );
  expect(isLarger(squareFormat, { ...squareFormat, heightMm: 200 })).toBe(false);
});

test("prints come to another lab in its size of the same name, or else in the nearest", () => {
  const prints = lab("fernhill-prints");
  const other = {
    ...prints,
    id: "other",
    sizes: prints.sizes.flatMap((s) => (s.id === "5x7" ? [] : [{ ...s, id: `new-${s.id}` }])),
  };
  const start = newPrints({ name: "", lab: prints }, { newId: counter("p"), at: "" });
  const page = (sizeId: string): Page => ({
    ...barePage(() => sizeId),
    print: { sizeId, sideways: true, copies: 3 },
  });
  const format = formatFromCard(other, other.sizes[0]!, false);
  const project = { ...start, pages: [page("4x6"), page("5x7"), page("8x10")] };
  const there = inAnotherSize(project, { lab: other, format }, { aspectOf, newId: counter("n") });
  expect(there.losses).toEqual([]);
  expect(there.project.pages.map((p) => p.print)).toEqual(
    ["new-4x6", "new-6x8", "new-8x10"].map((sizeId) => ({ sizeId, sideways: true, copies: 3 })),
  );
});
