import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type PhotoShape, photoMatrix } from "#core/fit";
import { applyTo, inverse, type Point, type Rect } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { tilingFault } from "../../arrange/tiled.fixture.ts";
import {
  arrangedOn,
  arrangedTiles,
  barePage,
  commit,
  flowPhotos,
  frameRect,
  framingOf,
  groupAt,
  insertBeside,
  insideRect,
  layTree,
  mostTiles,
  noHistory,
  onGroup,
  type Page,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  placePage,
  refit,
  removeTiles,
  seamsOfGroup,
  setTileAspect,
  splitTile,
  withGroup,
  withLocked,
  withPageMirrored,
  withSeamMoved,
  withTileMoved,
} from "../index.ts";
import { noDress } from "../page/look.ts";
import { firstLight } from "../page/plain-dress.ts";
import { collage, counter, squareFormat } from "../project.fixture.ts";
import { projectSchema } from "../schema/index.ts";

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
      ...noDress,
      light: firstLight,
      backdrop: null,
      background: "#ffffff",
    };
    const photos = Array.from({ length: count }, (_, i) => ({ id: `p${i}`, aspect: aspectOfId(`p${i}`) }));
    const bare = placePage(barePage(counter("page")), format, look);
    const laid = layTree(bare, { photos, seed: 0, newId: counter("t") });
    if (!laid.ok) throw new Error(laid.code);
    return placeAgain(bare, laid.value.page);
  });

/** The tiles without what they reach into the bleed. */
function withinTrim(on: PlacedPage): Rect[] {
  const { format } = on;
  return arrangedOn(on).map((tile) => {
    const r = frameRect(tile.frame);
    const [x, y] = [Math.max(0, r.x), Math.max(0, r.y)];
    return { x, y, w: Math.min(format.widthMm, r.x + r.w) - x, h: Math.min(format.heightMm, r.y + r.h) - y };
  });
}

/** What is wrong with a page whose tiles should fill its room exactly, on into the bleed where it has no margin. */
function pageFault(on: PlacedPage): string | undefined {
  const { format } = on;
  const { gapMm, margin } = on.look;
  const fault = tilingFault(withinTrim(on), insideRect(on.look, format), gapMm);
  if (fault) return fault;
  const rects = arrangedOn(on).map((t) => frameRect(t.frame));
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
  for (const tile of arrangedOn(on)) {
    const id = photoIdOf(tile);
    if (id === undefined || tile.filling.kind !== "photo") continue;
    const photo: PhotoShape = { aspect: aspectOfId(id), focus: null };
    const r = frameRect(tile.frame);
    const back = inverse(photoMatrix(photo.aspect, r, framingOf(tile.filling.view, photo, tile, format)));
    const corners: Point[] = [r, { x: r.x + r.w, y: r.y }, { x: r.x, y: r.y + r.h }, { x: r.x + r.w, y: r.y + r.h }];
    for (const corner of corners) {
      const at = applyTo(back, corner);
      if (Math.min(at.x, at.y, 1 - at.x, 1 - at.y) < -1e-6) return `tile ${tile.id} is not covered`;
    }
  }
  return undefined;
}

type Edit = (on: PlacedPage, pick: number) => Page;
const ids = counter("new");
const at = ({ page }: PlacedPage, pick: number) => {
  const tiles = arrangedTiles(page);
  return tiles[pick % tiles.length]!.id;
};
const aspectOf = () => undefined;
const edits: readonly Edit[] = [
  (on, pick) => insertBeside(on, { photoId: "p1", aspect: aspectOfId("p1"), tileId: at(on, pick), edge: "left" }, ids),
  (on, pick) => (arrangedTiles(on.page).length > 2 ? removeTiles(on, [at(on, pick)]) : on.page),
  (on, pick) => splitTile(on, at(on, pick), pick % 2 ? "side" : "stack", ids),
  (on, pick) => withTileMoved(on, at(on, pick), { tileId: at(on, pick + 3), edge: "bottom" }),
  (on, pick) => setTileAspect(on, at(on, pick), [1, 3 / 2, 3 / 4][pick % 3]!),
  (on, pick) => withPageMirrored(on, pick % 2 ? "side" : "stack"),
  (on, pick) => {
    const locked = placeAgain(on, withLocked(on.page, [at(on, pick)], true));
    return onGroup(locked, groupAt(locked), (g) => refit(g, { seed: pick, keepSet: true, aspectOf }));
  },
  (on, pick) => {
    const group = groupAt(on)!;
    const seams = seamsOfGroup(group);
    const seam = seams[pick % Math.max(1, seams.length)];
    return seam ? withSeamMoved(on, group, seam, seam.at + (pick % 21) - 10, pick % 2 === 0) : on.page;
  },
];
const anyEdits = fc.array(fc.tuple(fc.nat(edits.length - 1), fc.nat(97)), { maxLength: 6 });

test("whatever a hand does to a page, it stays full, even, covered, and reaches into the bleed", () => {
  fc.assert(
    fc.property(anyPage, anyEdits, (page, done) => {
      let now = page;
      expect(pageFault(now)).toBeUndefined();
      for (const [edit, pick] of done) {
        const next = placeAgain(now, edits[edit]!(now, pick));
        // A page that no hand would want, with a tile thinner than its gap, may have narrower gaps; it is not gone on with.
        if (Math.min(...withinTrim(next).map((r) => Math.min(r.w, r.h))) < 2 * page.look.gapMm + 2) break;
        expect(pageFault(next)).toBeUndefined();
        now = next;
      }
    }),
    { numRuns: 150 },
  );
});

test("photos that flow into a page are all there, and it stays exact when places are made for them", () => {
  fc.assert(
    fc.property(anyPage, fc.integer({ min: 0, max: 14 }), (page, n) => {
      const photos = Array.from({ length: n }, (_, i) => ({ id: `p${i}`, aspect: aspectOfId(`p${i}`), focus: null }));
      const flowed = placeAgain(page, flowPhotos(page, { photos, newId: counter("f") }).page);
      expect(
        arrangedOn(flowed)
          .flatMap((t) => photoIdOf(t) ?? [])
          .toSorted(),
      ).toEqual(photos.map((p) => p.id).toSorted());
      if (Math.min(...withinTrim(flowed).map((r) => Math.min(r.w, r.h))) < 12) return;
      expect(pageFault(flowed)).toBeUndefined();
    }),
    { numRuns: 80 },
  );
});

test("a page never holds more tiles than work can be read back with", () => {
  const page = fc.sample(anyPage, { numRuns: 1, seed: 3 })[0]!;
  const photos = Array.from({ length: mostTiles + 40 }, (_, i) => ({ id: `p${i}`, aspect: 1, focus: null }));
  const flowed = flowPhotos(page, { photos, newId: counter("f") }).page;
  expect(arrangedTiles(flowed)).toHaveLength(mostTiles);
  const project = { ...collage([1]), pages: [flowed] };
  expect(projectSchema.safeParse(project).success).toBe(true);
  const kept = (change: Parameters<typeof commit>[1]["changes"][number]) =>
    commit({ project, history: noHistory }, { name: { code: "arranged", count: 1 }, changes: [change], at: "" });
  const on = placePage(flowed, project.format, project.style);
  const more = splitTile(on, arrangedTiles(flowed)[0]!.id, "side", ids);
  expect(kept({ type: "replacePage", page: more })).toMatchObject({ ok: false, code: "tooManyTiles" });
  const insert = kept({ type: "insertPages", pages: [{ page: { ...more, id: "copy" }, at: 1 }] });
  expect(insert).toMatchObject({ ok: false, code: "tooManyTiles" });
  const [group] = on.groups;
  const bare = withGroup(flowed, { ...group!.group, tiles: group!.group.tiles.slice(1) });
  expect(kept({ type: "replacePage", page: bare })).toMatchObject({ ok: false, code: "noArrangement" });
});
