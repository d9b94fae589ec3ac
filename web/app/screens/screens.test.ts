import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { newFreeTile, printFiles, withFree } from "#core/document";
import type { Photo } from "#core/photo";
import { firstWordStyles } from "#core/words";
import { collage } from "../../../core/document/project.fixture.ts";
import { pagesAsked } from "../components/pages-asked.ts";
import { laidOut, wholeSeen } from "../components/zoom/zoom.ts";
import { binPhotos, spanOf } from "../state/library/time-bins.ts";
import { gatherOriginals } from "../state/session/gather-originals.ts";
import { snapped } from "./pages/page-seams.ts";
import { nearestToward, openingView, placeOf, toPage } from "./pages/page-view.ts";
import { neighbour, wallRows } from "./photos/rows.ts";
import { gathered, wallGroups } from "./photos/wall-groups.ts";

const photo = (id: string, widthPx: number, heightPx: number, day = "2026-01-01") =>
  ({ id, name: id, widthPx, heightPx, takenAt: `${day}T10:00:00` }) as Photo;

test("the wall's rows fill the width, hold every photo once and in order, and begin each event anew", () => {
  const size = fc.integer({ min: 1, max: 9000 });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(size, size, fc.constantFrom("2026-01-01", "2026-01-02")), { maxLength: 60 }),
      fc.integer({ min: 200, max: 2000 }),
      (sizes, width) => {
        const photos = sizes
          .map(([w, h, day], i) => photo(`p${i}`, w, h, day))
          .sort((a, b) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : 0));
        const groups = wallGroups(photos, [], "oldest");
        const rows = wallRows(groups, width, 150, 8);
        expect(rows.flatMap((r) => (r.kind === "photos" ? r.placed.map((p) => p.photo.id) : []))).toEqual(
          photos.map((p) => p.id),
        );
        for (const r of rows) {
          if (r.kind !== "photos") continue;
          const used = r.placed.reduce((x, p) => x + p.w, 8 * (r.placed.length - 1));
          expect(used).toBeLessThanOrEqual(width + 1e-6);
          expect(r.h).toBeLessThanOrEqual(150 + 1e-6);
          expect(new Set(r.placed.map((p) => p.photo.takenAt)).size).toBe(1);
        }
        expect(rows.filter((r) => r.kind === "event")).toHaveLength(new Set(photos.map((p) => p.takenAt)).size);
      },
    ),
  );
});

test("arrow keys lead along the wall and to the nearest above and below", () => {
  const rows = wallRows(
    [{ event: undefined, photos: ["a", "b", "c", "d"].map((id) => photo(id, 300, 150)) }],
    600,
    150,
    0,
  );
  expect(neighbour(rows, "a", "ArrowRight")).toBe("b");
  expect(neighbour(rows, "b", "ArrowRight")).toBe("c");
  expect(neighbour(rows, "b", "ArrowDown")).toBe("d");
  expect(neighbour(rows, "c", "ArrowUp")).toBe("a");
  expect(neighbour(rows, "a", "ArrowLeft")).toBeUndefined();
  expect(neighbour(rows, "gone", "ArrowUp")).toBe("a");
});

test("a seam snaps to what is near and to nothing else", () => {
  expect(snapped(100.4, [50, 100, 101], 1)).toBe(100);
  expect(snapped(97, [50, 100], 1)).toBe(97);
  expect(snapped(97, [], 1)).toBe(97);
});

test("the page lies in whole pixels, and a point of the screen leads back to its place", () => {
  const box = { x: -3, y: -3, w: 310.8, h: 210.8 };
  const room = { w: 903.4, h: 611.7 };
  const laid = laidOut({ content: box, room, pad: { w: 30, h: 30 }, ppi: 300, devicePixelRatio: 1 }, wholeSeen);
  const { view } = openingView(box, undefined, laid, room);
  expect(view.seen).toBe(box);
  expect(Number.isInteger(view.leftPx) && Number.isInteger(view.topPx)).toBe(true);
  expect((view.box.w * view.scale) % 1).toBeCloseTo(0);
  const css = placeOf(view, { x: 20, y: 30, w: 10, h: 10 });
  expect(toPage(view, { x: Number.parseFloat(css.left), y: Number.parseFloat(css.top) })).toEqual({
    x: expect.closeTo(20),
    y: expect.closeTo(30),
  });
});

test("arrow keys lead to the tile that lies straight ahead", () => {
  const rects = [
    ["a", 0, 0],
    ["b", 10, 0],
    ["c", 0, 10],
    ["d", 10, 10],
  ].map(([id, x, y]) => ({ id: id as string, x: x as number, y: y as number, w: 9, h: 9 }));
  expect(nearestToward(rects, "a", "ArrowRight")).toBe("b");
  expect(nearestToward(rects, "a", "ArrowDown")).toBe("c");
  expect(nearestToward(rects, "d", "ArrowUp")).toBe("b");
  expect(nearestToward(rects, "a", "ArrowUp")).toBeUndefined();
});

test("a gathered pile shows its top alone, a spread one all; a hidden top leaves the pile to the next", () => {
  const photos = ["a", "b", "c", "d"].map((id) => photo(id, 300, 200));
  const ids = (list: readonly { id: string }[]) => list.map((p) => p.id).join("");
  const closed = gathered(photos, [["b", "a", "c"]], new Set());
  expect(ids(closed.photos)).toBe("bd");
  expect(closed.marks.get("b")).toEqual({ count: 3, open: false });
  const open = gathered(photos, [["b", "a", "c"]], new Set(["a"]));
  expect(ids(open.photos)).toBe("abcd");
  const without = gathered(
    photos.filter((p) => p.id !== "b"),
    [["b", "a", "c"]],
    new Set(),
  );
  expect(ids(without.photos)).toBe("ad");
  expect(gathered(photos.slice(3), [["b", "a", "c"]], new Set()).marks.size).toBe(0);
});

test("newest first turns the events and the photos in them around", () => {
  const photos = [photo("a", 3, 2, "2026-01-01"), photo("b", 3, 2, "2026-01-01"), photo("c", 3, 2, "2026-02-01")];
  const seen = (groups: ReturnType<typeof wallGroups>) => groups.map((g) => g.photos.map((p) => p.id).join(""));
  expect(seen(wallGroups(photos, [], "oldest"))).toEqual(["ab", "c"]);
  expect(seen(wallGroups([...photos].reverse(), [], "newest"))).toEqual(["c", "ba"]);
  expect(seen(wallGroups(photos, [], "name"))).toEqual(["abc"]);
});

test("the timeline counts by day, week or month as the time on it grows, and leaves gaps", () => {
  const photos = [photo("a", 3, 2, "2026-01-01"), photo("b", 3, 2, "2026-01-01"), photo("c", 3, 2, "2026-03-05")];
  const bins = (days: number) =>
    binPhotos(
      photos,
      [new Date("2025-12-30"), new Date(Date.parse("2025-12-30") + days * 86_400_000)],
      (id) => id === "b",
    );
  expect(bins(90).map((b) => [b.count, b.placed, b.firstId])).toEqual([
    [2, 1, "a"],
    [1, 0, "c"],
  ]);
  expect(bins(500)[0]!.to.getTime() - bins(500)[0]!.from.getTime()).toBe(7 * 86_400_000);
  expect(bins(2000).map((b) => b.from.toISOString().slice(0, 10))).toEqual(["2026-01-01", "2026-03-01"]);
  expect(spanOf([])).toBeUndefined();
});

test("pages are asked for by number and by range, whatever stands between", () => {
  const numbers = (text: string) => [...pagesAsked(text, "Umschlag").numbers];
  expect(numbers("1-4, 8")).toEqual([1, 2, 3, 4, 8]);
  expect(numbers("9 – 7; 3 and 3")).toEqual([7, 8, 9, 3]);
  expect(numbers("all of them")).toEqual([]);
  expect(numbers("1-99999").length).toBeLessThanOrEqual(2000);
  expect(["umschlag, 2", "cover"].map((text) => pagesAsked(text, "Umschlag").cover)).toEqual([true, false]);
});

test("a caption goes to print although its photo lies on another page, and stops nothing where its original is gone", async () => {
  const project = collage([1.5]);
  const page = project.pages[0]!;
  const words = {
    kind: "words",
    text: "",
    style: firstWordStyles.caption,
    role: "caption",
    from: { photoId: "elsewhere", what: "caption" },
    card: null,
  } as const;
  const frame = { centre: { x: 50, y: 50 }, width: 40, height: 10, turn: 0 };
  const captioned = withFree(
    page,
    newFreeTile(frame, words, () => "w"),
  );
  const [file] = printFiles({ ...project, pages: [captioned] }, () => undefined);
  const byId = new Map(["p0", "elsewhere"].map((id) => [id, photo(id, 300, 200)]));
  const store = { original: async (id: string) => (id === "p0" ? new Blob(["x"]) : undefined) };
  const found = await gatherOriginals(file!, byId, store);
  expect(found.map((f) => f.photo.id)).toEqual(["p0", "elsewhere"]);
});
