import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { tilingFault } from "../../arrange/tiled.fixture.ts";
import {
  arrangedOn,
  barePage,
  frameRect,
  groupAt,
  layPhotos,
  layRows,
  layTree,
  type PlacedPage,
  placeAgain,
  placePage,
  treeOfGroup,
  withTree,
} from "../index.ts";
import { collage, counter, squareFormat } from "../project.fixture.ts";
import { rectsOf, tileIdsOf, widestGapOf, withTileIds } from "./index.ts";

const { style } = collage([1]);
const layers = {
  grid: (on: PlacedPage, photos: { id: string; aspect: number }[]) =>
    layPhotos(on, { photos, asked: {}, newId: counter("t") }),
  tree: (on: PlacedPage, photos: { id: string; aspect: number }[]) =>
    layTree(on, { photos, seed: 0, newId: counter("t") }),
  rows: (on: PlacedPage, photos: { id: string; aspect: number }[]) => layRows(on, { photos, newId: counter("t") }),
};

const anyPhotos = fc
  .array(fc.constantFrom(1.5, 0.67, 1, 1.78, 2.4), { minLength: 1, maxLength: 14 })
  .map((aspects) => aspects.map((aspect, i) => ({ id: `p${i}`, aspect })));
const margin = { top: 7, right: 9, bottom: 11, left: 13 };

test.each(["grid", "tree", "rows"] as const)(
  "%s: fills its room exactly with even gaps, holds what it names, and is cut by a tree just so",
  (kind) => {
    fc.assert(
      fc.property(anyPhotos, fc.constantFrom(0, 2, 5), (photos, gapMm) => {
        const bare = placePage(barePage(counter("p")), squareFormat, { ...style, gapMm, margin });
        const laid = layers[kind](bare, photos);
        if (!laid.ok) throw new Error(laid.code);
        const on = placeAgain(bare, laid.value.page);
        const at = groupAt(on)!;
        const { arrangement, tiles } = at.group;
        expect(arrangement.kind).toBe(kind);
        expect([...tileIdsOf(arrangement)].sort()).toEqual(tiles.map((t) => t.id).sort());
        const rects = arrangedOn(on).map((t) => frameRect(t.frame));
        expect(tilingFault(rects, at.room, on.look.gapMm)).toBeUndefined();
        const renamed = withTileIds(arrangement, (id) => `${id}!`);
        expect(rectsOf(renamed, at.room, gapMm).get(`${tiles[0]!.id}!`)).toEqual(
          rectsOf(arrangement, at.room, gapMm).get(tiles[0]!.id),
        );
        const most = widestGapOf(arrangement, at.room, 2);
        for (const r of rectsOf(arrangement, at.room, most).values())
          expect(Math.min(r.w, r.h)).toBeGreaterThan(2 - 1e-6);
        const tree = treeOfGroup(at);
        if (!tree) return;
        const cut = placeAgain(on, { ...on.page, pieces: [withTree(at.group, tree)] });
        for (const [i, t] of arrangedOn(cut).entries()) {
          const r = frameRect(t.frame);
          for (const k of ["x", "y", "w", "h"] as const)
            expect(r[k]).toBeCloseTo(rects[i]![k], kind === "grid" ? 0 : 6);
        }
      }),
      { numRuns: 60 },
    );
  },
);

test("rows are all of one height, in the photos' order, and as many as cut off the least", () => {
  const photos = [1.5, 1.5, 0.67, 1.5, 1.5, 0.67, 1, 1].map((aspect, i) => ({ id: `p${i}`, aspect }));
  const bare = placePage(barePage(counter("p")), squareFormat, style);
  const laid = layRows(bare, { photos, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  const tiles = arrangedOn(placeAgain(bare, laid.value.page));
  expect(new Set(tiles.map((t) => t.frame.height.toFixed(6))).size).toBe(1);
  expect(tiles.map((t) => (t.filling.kind === "photo" ? t.filling.view.photoId : ""))).toEqual(photos.map((p) => p.id));
  const lost = (ratio: number) => 1 - Math.min(ratio, 1 / ratio);
  const mean = tiles.reduce((sum, t, i) => sum + lost(t.frame.width / t.frame.height / photos[i]!.aspect), 0) / 8;
  expect(mean).toBeLessThan(0.12);
});
