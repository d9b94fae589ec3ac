import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type PhotoShape, photoMatrix } from "#core/fit";
import { applyTo, inverse, type Point, type Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { tilingFault } from "../arrange/tiled.fixture.ts";
import {
  applyChange,
  barePage,
  flowPhotos,
  frameRect,
  framingOf,
  insertBeside,
  layTree,
  mostTiles,
  type Page,
  photoIdOf,
  refit,
  removeTiles,
  roomRect,
  seamsOfPage,
  setTileAspect,
  splitTile,
  withLocked,
  withPageMirrored,
  withSeamMoved,
  withTileMoved,
} from "./index.ts";
import { collage, counter, squareFormat } from "./project.fixture.ts";
import { projectSchema } from "./schema/index.ts";

const shapes = [3 / 2, 2 / 3, 4 / 3, 1, 16 / 9];
const aspectOfId = (id: string) => shapes[Number(id.slice(1)) % shapes.length]!;
const margin = fc.constantFrom(0, 6, 15);
const anyPage = fc
  .record({
    count: fc.integer({ min: 2, max: 9 }),
    gapMm: fc.constantFrom(0, 2, 5),
    margin: fc.record({ top: margin, right: margin, bottom: margin, left: margin }),
    heightMm: fc.constantFrom(304.8, 220, 420),
  })
  .map(({ count, gapMm, margin, heightMm }) => {
    const format: PageFormat = { ...squareFormat, heightMm };
    const look = {
      gapMm,
      margin,
      cornerMm: 0,
      border: { widthMm: 0, colour: "#ffffff" },
      backdrop: null,
      background: "#ffffff",
    };
    const photos = Array.from({ length: count }, (_, i) => ({ id: `p${i}`, aspect: aspectOfId(`p${i}`) }));
    const laid = layTree(barePage(look, counter("page")), format, { photos, seed: 0, newId: counter("t") });
    if (!laid.ok) throw new Error(laid.code);
    return { page: laid.value.page, format };
  });

/** The tiles without what they reach into the bleed. */
function withinTrim(page: Page, format: PageFormat): Rect[] {
  return page.tiles.map((tile) => {
    const r = frameRect(tile.frame);
    const [x, y] = [Math.max(0, r.x), Math.max(0, r.y)];
    return { x, y, w: Math.min(format.widthMm, r.x + r.w) - x, h: Math.min(format.heightMm, r.y + r.h) - y };
  });
}

/** What is wrong with a page whose tiles should fill its room exactly, on into the bleed where it has no margin. */
function pageFault(page: Page, format: PageFormat): string | undefined {
  const { gapMm, margin } = page.look;
  const fault = tilingFault(withinTrim(page, format), roomRect(page.look, format), gapMm);
  if (fault) return fault;
  const rects = page.tiles.map((t) => frameRect(t.frame));
  const b = format.bleedMm;
  const ends = {
    left: Math.min(...rects.map((r) => r.x)),
    top: Math.min(...rects.map((r) => r.y)),
    right: format.widthMm - Math.max(...rects.map((r) => r.x + r.w)),
    bottom: format.heightMm - Math.max(...rects.map((r) => r.y + r.h)),
  };
  for (const side of ["left", "top", "right", "bottom"] as const) {
    const wanted = margin[side] === 0 ? -b : margin[side];
    if (Math.abs(ends[side] - wanted) > 1e-6) return `${side} ends at ${ends[side]}, not ${wanted}`;
  }
  for (const tile of page.tiles) {
    const id = photoIdOf(tile);
    if (id === undefined || tile.filling.kind !== "photo") continue;
    const photo: PhotoShape = { aspect: aspectOfId(id), focus: null };
    const r = frameRect(tile.frame);
    const back = inverse(photoMatrix(photo.aspect, r, framingOf(tile.filling.view, photo, tile.frame, format)));
    const corners: Point[] = [r, { x: r.x + r.w, y: r.y }, { x: r.x, y: r.y + r.h }, { x: r.x + r.w, y: r.y + r.h }];
    for (const corner of corners) {
      const at = applyTo(back, corner);
      if (Math.min(at.x, at.y, 1 - at.x, 1 - at.y) < -1e-6) return `tile ${tile.id} is not covered`;
    }
  }
  return undefined;
}

type Edit = (page: Page, format: PageFormat, pick: number) => Page;
const ids = counter("new");
const at = (page: Page, pick: number) => page.tiles[pick % page.tiles.length]!.id;
const aspectOf = () => undefined;
const edits: readonly Edit[] = [
  (page, format, pick) =>
    insertBeside(page, format, { photoId: "p1", aspect: aspectOfId("p1"), tileId: at(page, pick), edge: "left" }, ids),
  (page, format, pick) => (page.tiles.length > 2 ? removeTiles(page, format, [at(page, pick)]) : page),
  (page, format, pick) => splitTile(page, format, at(page, pick), pick % 2 ? "side" : "stack", ids),
  (page, format, pick) => withTileMoved(page, format, at(page, pick), { tileId: at(page, pick + 3), edge: "bottom" }),
  (page, format, pick) => setTileAspect(page, format, at(page, pick), [1, 3 / 2, 3 / 4][pick % 3]!),
  (page, format, pick) => withPageMirrored(page, format, pick % 2 ? "side" : "stack"),
  (page, format, pick) =>
    refit(withLocked(page, [at(page, pick)], true), format, { seed: pick, keepSet: true, aspectOf }),
  (page, format, pick) => {
    const seams = seamsOfPage(page, format);
    const seam = seams[pick % Math.max(1, seams.length)];
    return seam ? withSeamMoved(page, format, seam, seam.at + (pick % 21) - 10, pick % 2 === 0) : page;
  },
];
const anyEdits = fc.array(fc.tuple(fc.nat(edits.length - 1), fc.nat(97)), { maxLength: 6 });

test("whatever a hand does to a page, it stays full, even, covered, and reaches into the bleed", () => {
  fc.assert(
    fc.property(anyPage, anyEdits, ({ page, format }, done) => {
      let now = page;
      expect(pageFault(now, format)).toBeUndefined();
      for (const [edit, pick] of done) {
        const next = edits[edit]!(now, format, pick);
        // A page that no hand would want, with a tile thinner than its gap, may have narrower gaps; it is not gone on with.
        if (Math.min(...withinTrim(next, format).map((r) => Math.min(r.w, r.h))) < 2 * page.look.gapMm + 2) break;
        expect(pageFault(next, format)).toBeUndefined();
        now = next;
      }
    }),
    { numRuns: 150 },
  );
});

test("photos that flow into a page are all there, and it stays exact when places are made for them", () => {
  fc.assert(
    fc.property(anyPage, fc.integer({ min: 0, max: 14 }), ({ page, format }, n) => {
      const photos = Array.from({ length: n }, (_, i) => ({ id: `p${i}`, aspect: aspectOfId(`p${i}`), focus: null }));
      const flowed = flowPhotos(page, format, { photos, newId: counter("f") });
      expect(flowed.page.tiles.flatMap((t) => photoIdOf(t) ?? []).toSorted()).toEqual(
        photos.map((p) => p.id).toSorted(),
      );
      if (Math.min(...withinTrim(flowed.page, format).map((r) => Math.min(r.w, r.h))) < 12) return;
      expect(pageFault(flowed.page, format)).toBeUndefined();
    }),
    { numRuns: 80 },
  );
});

test("a page never holds more tiles than work can be read back with", () => {
  const { format, page } = fc.sample(anyPage, { numRuns: 1, seed: 3 })[0]!;
  const photos = Array.from({ length: mostTiles + 40 }, (_, i) => ({ id: `p${i}`, aspect: 1, focus: null }));
  const flowed = flowPhotos(page, format, { photos, newId: counter("f") }).page;
  expect(flowed.tiles).toHaveLength(mostTiles);
  const project = { ...collage([1]), pages: [flowed] };
  expect(projectSchema.safeParse(project).success).toBe(true);
  const more = { ...flowed, tiles: [...flowed.tiles, { ...flowed.tiles[0]!, id: "one more" }] };
  expect(applyChange(project, { type: "putPage", page: more })).toMatchObject({ ok: false, code: "tooManyTiles" });
  const copy = { ...more, id: "copy" };
  const insert = applyChange(project, { type: "insertPages", pages: [{ page: copy, at: 1 }] });
  expect(insert).toMatchObject({ ok: false, code: "tooManyTiles" });
});
