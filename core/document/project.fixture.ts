import fc from "fast-check";
import type { PageFormat } from "#core/lab";
import { barePage, type Change, copyPage, layPhotos, newProject, type Project } from "./index.ts";

export const squareFormat: PageFormat = {
  name: "12 × 12 in",
  widthMm: 304.8,
  heightMm: 304.8,
  bleedMm: 3,
  safeMm: 5,
  ppi: 300,
  leastPpi: 150,
};

export function counter(prefix: string): () => string {
  let n = 0;
  return () => {
    n += 1;
    return `${prefix}${n}`;
  };
}

/** A collage of photos with these aspects, called p0, p1, … */
export function collage(aspects: readonly number[], asked: { rows?: number; columns?: number } = {}): Project {
  const empty = newProject(
    { name: "A year", unit: "in", lab: null, format: squareFormat },
    { newId: counter("id"), at: "2026-01-01T00:00:00.000Z" },
  );
  const photos = aspects.map((aspect, i) => ({ id: `p${i}`, aspect }));
  const laid = layPhotos(empty.pages[0]!, squareFormat, { photos, asked, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return { ...empty, pages: [laid.value.page] };
}

/** Any change at all, most of which fit a collage of seven photos. */
export const anyChange: fc.Arbitrary<Change> = fc
  .constant(collage([1.5, 0.7, 1, 2.2, 1.3, 0.8, 1.5]))
  .chain((project) => {
    const page = project.pages[0]!;
    const pageId = page.id;
    const others = [copyPage(page, counter("c")), barePage(page.look, counter("b"))];
    const anyPageId = fc.constantFrom(pageId, ...others.map((p) => p.id), "gone");
    const tileId = fc.constantFrom(...page.tiles.map((t) => t.id), "gone");
    const length = fc.double({ min: 0, max: 60, noNaN: true });
    const colour = fc.constantFrom("#ffffff", "#102030", "#b2472a");
    const filling = fc.oneof(
      fc.constant({ kind: "empty" } as const),
      fc.record({
        kind: fc.constant("photo" as const),
        view: fc.record({
          photoId: fc.constantFrom("p0", "p3", "p9"),
          zoom: fc.double({ min: 1, max: 9, noNaN: true }),
          centre: fc.record({
            x: fc.double({ min: 0, max: 1, noNaN: true }),
            y: fc.double({ min: 0, max: 1, noNaN: true }),
          }),
          turn: fc.integer({ min: -90, max: 90 }),
          flip: fc.boolean(),
          byHand: fc.boolean(),
          whole: fc.boolean(),
          behind: fc.constantFrom(null, "#102030"),
        }),
      }),
    );
    return fc.oneof(
      fc.record({
        type: fc.constant("fillTiles" as const),
        pageId: fc.constant(pageId),
        fillings: fc.array(fc.record({ tileId, filling }), { minLength: 1, maxLength: 3 }),
      }),
      fc.record({
        type: fc.constant("setLook" as const),
        pageId: fc.constant(pageId),
        look: fc.record({
          gapMm: length,
          margin: fc.record({ top: length, right: length, bottom: length, left: length }),
          cornerMm: length,
          border: fc.record({ widthMm: length, colour }),
          background: colour,
          backdrop: fc.constant(null),
        }),
      }),
      fc.record({
        type: fc.constant("dressTiles" as const),
        pageId: fc.constant(pageId),
        tileIds: fc.array(tileId, { maxLength: 3 }),
        cornerMm: length,
      }),
      fc.record({
        type: fc.constant("moveSeam" as const),
        pageId: fc.constantFrom(pageId, "gone"),
        axis: fc.constantFrom("columns" as const, "rows" as const),
        index: fc.integer({ min: -1, max: 4 }),
        atMm: fc.double({ min: -50, max: 400, noNaN: true }),
      }),
      fc.record({
        type: fc.constant("insertPages" as const),
        pages: fc.array(fc.record({ page: fc.constantFrom(...others), at: fc.integer({ min: -1, max: 4 }) }), {
          maxLength: 2,
        }),
      }),
      fc.record({ type: fc.constant("removePages" as const), pageIds: fc.array(anyPageId, { maxLength: 2 }) }),
      fc.record({
        type: fc.constant("movePages" as const),
        pageIds: fc.array(anyPageId, { maxLength: 2 }),
        to: fc.integer({ min: -1, max: 4 }),
      }),
      fc.record({ type: fc.constant("setProject" as const), name: fc.string({ maxLength: 20 }) }),
      fc.record({ type: fc.constant("setProject" as const), unit: fc.constantFrom("mm" as const, "px" as const) }),
      fc.constant({ type: "putPage" as const, page: { ...page, tiles: page.tiles.slice(0, 3), arrangement: null } }),
    );
  });
