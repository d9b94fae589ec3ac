import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  arrangedOn,
  arrangedTiles,
  firstCover,
  formatOf,
  frameRect,
  groupsOf,
  layTree,
  leafFormat,
  newBook,
  type PlacedPage,
  placeAgain,
  placed,
  placePage,
} from "#core/document";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { collage, counter, firstPlaced } from "../document/project.fixture.ts";
import {
  aroundGroup,
  bareRegions,
  groupMeant,
  lostAtEdges,
  roomAdded,
  roomFilled,
  roomSeamMoved,
  roomSeams,
  roomSplit,
  roomsJoined,
} from "./index.ts";

const shapes = [1.5, 0.7, 1, 1.3, 0.8, 1.6];
const start = () => firstPlaced(collage(shapes));
const axis = fc.constantFrom("side" as const, "stack" as const);

/** A page cut in parts, at random. */
const parts = fc.array(fc.tuple(fc.nat(9), axis), { minLength: 1, maxLength: 4 }).map((cuts): PlacedPage => {
  const newId = counter("n");
  return cuts.reduce((on, [which, way]) => {
    const groups = groupsOf(on.page);
    return placeAgain(on, roomSplit(on, groups[which % groups.length]?.id, way, newId));
  }, start());
});

const rooms = (on: PlacedPage) => on.groups.map((g) => g.room);
const gapsHold = (on: PlacedPage) => {
  const { gapMm } = on.look;
  const all = rooms(on);
  for (const [i, a] of all.entries())
    for (const b of all.slice(i + 1)) {
      const apartX = Math.max(a.x, b.x) - Math.min(a.x + a.w, b.x + b.w);
      const apartY = Math.max(a.y, b.y) - Math.min(a.y + a.h, b.y + b.h);
      // Two rooms never come nearer to each other than the gap.
      expect(Math.max(apartX, apartY)).toBeGreaterThanOrEqual(gapMm - 1e-6);
    }
  const area = all.reduce((sum, r) => sum + (r.w + gapMm) * (r.h + gapMm), 0);
  const { margin } = on.look;
  const [w, h] = [on.format.widthMm - margin.left - margin.right, on.format.heightMm - margin.top - margin.bottom];
  expect(area).toBeCloseTo((w + gapMm) * (h + gapMm), 3);
};

test("parts of a page fill it with one and the same gap between them, however it is cut and its lines are moved", () => {
  fc.assert(
    fc.property(parts, fc.nat(9), fc.double({ min: -50, max: 350, noNaN: true }), (on, which, toMm) => {
      gapsHold(on);
      const seams = roomSeams(on);
      expect(seams.length).toBeGreaterThan(0);
      const seam = seams[which % seams.length]!;
      const moved = placeAgain(on, roomSeamMoved(on, seam, toMm));
      gapsHold(moved);
      expect(arrangedTiles(moved.page)).toHaveLength(arrangedTiles(on.page).length);
      // Where it went it is found again, and moved back all is as before.
      const there = roomSeams(moved).find((s) => s.across === seam.across && Math.abs(s.at - toMm) < 1e-6);
      if (there) {
        const back = placeAgain(moved, roomSeamMoved(moved, there, seam.at));
        for (const [i, r] of rooms(back).entries()) {
          expect(r.x).toBeCloseTo(rooms(on)[i]!.x, 6);
          expect(r.w).toBeCloseTo(rooms(on)[i]!.w, 6);
        }
      }
    }),
    { numRuns: 80 },
  );
});

test("one part again, every tile is still there and lies on the side where it lay", () => {
  fc.assert(
    fc.property(parts, (on) => {
      const joined = placeAgain(on, roomsJoined(on));
      expect(groupsOf(joined.page)).toHaveLength(1);
      expect(new Set(arrangedTiles(joined.page).map((t) => t.id))).toEqual(
        new Set(arrangedTiles(on.page).map((t) => t.id)),
      );
      const [room] = rooms(joined);
      const covered = arrangedOn(joined).reduce((sum, t) => {
        const r = frameRect(t.frame);
        return sum + (r.w + joined.look.gapMm) * (r.h + joined.look.gapMm);
      }, 0);
      expect(covered).toBeCloseTo((room!.w + joined.look.gapMm) * (room!.h + joined.look.gapMm), 0);
    }),
    { numRuns: 40 },
  );
});

test("photos are arranged in the part that is meant: that of the chosen tile, else the one that waits", () => {
  const newId = counter("n");
  const on = placeAgain(start(), roomSplit(start(), undefined, "side", newId));
  const [full, waiting] = on.groups;
  expect(groupMeant(on, undefined)).toBe(waiting);
  expect(groupMeant(on, full!.group.tiles[0]!.id)).toBe(full);
  expect(groupMeant(start(), undefined)!.group.tiles).toHaveLength(shapes.length);
  const photos = [1.2, 0.9, 1.4].map((aspect, i) => ({ id: `new${i}`, aspect }));
  const laid = layTree(aroundGroup(on, waiting!.group.id), { photos, seed: 0, newId });
  if (!laid.ok) throw new Error(laid.code);
  const now = placeAgain(on, laid.value.page);
  expect(now.groups.map((g) => g.group.tiles.length)).toEqual([shapes.length, 3]);
  for (const t of now.groups[1]!.tiles) expect(t.frame.centre.x).toBeGreaterThan(on.format.widthMm / 2);
});

test("a spread is cut at its fold: each page keeps its own margin from what the fold hides, and a gap over it is nobody's", () => {
  const margin = { top: 8, right: 8, bottom: 8, left: 8 };
  const format = leafFormat(collage([]).format, "left", 2, 9);
  const page = { ...collage(shapes).pages[0]!, span: 2 as const };
  const on = placePage(page, format, { ...collage([]).style, margin });
  const split = placeAgain(on, roomSplit(on, undefined, "side", counter("n")));
  const [left, right] = split.groups.map((g) => g.room);
  const fold = format.widthMm / 2;
  expect(left!.x).toBeCloseTo(8);
  expect(left!.x + left!.w).toBeCloseTo(fold - 8 - 9);
  expect(right!.x).toBeCloseTo(fold + 8 + 9);
  expect(right!.x + right!.w).toBeCloseTo(format.widthMm - 8);
  // Nothing can drag the fold, and within a page there are parts as on any other.
  expect(roomSeams(split)).toEqual([]);
  const parts = placeAgain(split, roomSplit(split, split.groups[0]!.group.id, "side", counter("m")));
  expect(parts.groups).toHaveLength(3);
  expect(roomSeams(parts)).toHaveLength(1);
  expect(arrangedTiles(roomsJoined(parts))).toHaveLength(shapes.length + 2);
});

test("each panel of a cover takes photos of its own, over all of it and out over the wrapped edge", () => {
  const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));
  const book = newBook(
    { name: "Ours", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[2]!, false) },
    { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" },
  );
  const made = firstCover(book, undefined, counter("c"))!;
  const project = { ...book, cover: made.cover };
  let on = placePage(made.cover, formatOf(project, made.cover), project.style);
  const regions = bareRegions(on);
  expect(regions).toEqual(expect.arrayContaining(["back", "spine", "front"]));
  for (const of of regions) on = placeAgain(on, roomAdded(on, of, counter(of)));
  expect(bareRegions(on)).toEqual([]);
  for (const g of on.groups) {
    const region = on.format.regions!.find((r) => r.of === g.group.room.of)!;
    expect([g.room.x, g.room.w, g.room.h]).toEqual([region.x, region.w, on.format.heightMm]);
    const frame = frameRect(g.tiles[0]!.frame);
    expect(frame.y).toBeCloseTo(-on.format.bleedMm);
  }
  expect(placed({ ...project, cover: on.page }, on.page).groups).toHaveLength(regions.length);
});

test("what a finished picture loses on a part of the cover is told to the millimetre, and nothing where the shapes agree", () => {
  const side = fc.double({ min: 20, max: 600, noNaN: true });
  fc.assert(
    fc.property(side, side, side, side, (w, h, pw, ph) => {
      const { sidesMm, endsMm } = lostAtEdges(pw / ph, { w, h });
      expect(Math.min(sidesMm, endsMm)).toBeCloseTo(0);
      expect((w + 2 * sidesMm) / (h + 2 * endsMm)).toBeCloseTo(pw / ph, 6);
    }),
  );
  const on = start();
  const filled = placeAgain(on, roomFilled(on, "page", "cover", counter("f")));
  expect(filled.groups).toHaveLength(1);
  expect(filled.tiles[0]!.filling).toMatchObject({ kind: "photo", view: { photoId: "cover" } });
});
