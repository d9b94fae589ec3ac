import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { contrastOf, luminance } from "#core/colour";
import {
  arrangedTiles,
  autoFramed,
  findPlaced,
  frameRect,
  freeTiles,
  mapTiles,
  newFreeTile,
  photoIdOf,
  placeAgain,
  placed,
  withFree,
  withoutPieces,
} from "#core/document";
import { laidWords } from "#core/scene";
import { setter } from "../check/check.fixture.ts";
import { collage, counter, firstPlaced } from "../document/project.fixture.ts";
import { bareBook, bookOf } from "./books.fixture.ts";
import { captionOf, newWords, offOthers, photoIdsOn, restyled, roomier, uncaptioned, withCaptions } from "./index.ts";

const facts = {
  photo: (id: string) => ({
    aspect: 1.5,
    focus: null,
    caption: id === "p1" ? "" : `By the water, ${id}`,
    takenAt: "2026-03-01T10:00:00",
  }),
  setter,
};

test("captions stand under their photos, as high as their words, and are asked for once", () => {
  const project = bookOf([0, 4]);
  const on = placed(project, project.pages[1]!);
  const wanted = uncaptioned(on.page, facts);
  expect(wanted).toHaveLength(3);
  const style = { ...project.words.caption, insetMm: 1 };
  const { page, tiles } = withCaptions(on, wanted, { style, facts, newId: counter("cap") });
  expect(tiles.map(([, photo]) => photo)).toEqual(wanted);
  for (const [captionId, photoId] of tiles) {
    const [caption, photo] = [findPlaced(page, captionId)!, findPlaced(page, photoId)!];
    expect(caption.border.widthMm).toBe(0);
    expect(caption.frame.width).toBeCloseTo(photo.frame.width, 4);
    expect(frameRect(caption.frame).y).toBeGreaterThan(frameRect(photo.frame).y);
    if (caption.filling.kind !== "words") throw new Error("no words");
    expect(laidWords(caption.filling, caption.frame, facts)?.hidden).toBe(0);
  }
  expect(uncaptioned(page.page, facts)).toEqual([]);
  for (const [captionId, photoTileId] of tiles) {
    expect(captionOf(page, photoTileId)?.id).toBe(captionId);
    // Written over, it follows no photo any more, but still stands under it.
    const own = placeAgain(
      page,
      mapTiles(page.page, (t) =>
        t.filling.kind === "words" ? { ...t, filling: { ...t.filling, from: null, text: "Mine" } } : t,
      ),
    );
    expect(captionOf(own, photoTileId)?.id).toBe(captionId);
  }
  expect(captionOf(on, wanted[0]!)).toBeUndefined();
  expect(arrangedTiles(page.page).flatMap((t) => photoIdOf(t) ?? [])).toEqual(photoIdsOn(on.page));
});

test("a caption on the foot of a frame lies in it, however the frame is turned, and can be read on it", () => {
  const start = firstPlaced(collage([1.5, 1]));
  const style = { ...bareBook.words.caption, colour: "#22302b" };
  for (const colour of ["#ffffff", "#101418"])
    for (const turn of [0, 30]) {
      const free = newFreeTile(
        { centre: { x: 80, y: 80 }, width: 60, height: 50, turn },
        { kind: "photo", view: autoFramed("p2") },
        () => "photo",
      );
      const border = { widthMm: 2, colour };
      const on = placeAgain(start, withFree(start.page, { ...free, border }));
      const { page, tiles } = withCaptions(on, ["photo"], { style, facts, newId: () => "label", place: "foot" });
      expect(tiles).toEqual([["label", "photo"]]);
      const [photo, label] = [findPlaced(page, "photo")!, findPlaced(page, "label")!];
      if (label.filling.kind !== "words") throw new Error("no words");
      expect(laidWords(label.filling, label.frame, facts)?.hidden).toBe(0);
      expect(label.frame.turn).toBe(turn);
      expect(label.frame.width).toBe(56);
      expect(photo.border).toMatchObject({ widthMm: 2, colour, footMm: label.frame.height });
      // From the frame's middle straight down to the foot's.
      const [dx, dy] = [label.frame.centre.x - 80, label.frame.centre.y - 80];
      expect(Math.hypot(dx, dy)).toBeCloseTo(25 - label.frame.height / 2, 6);
      expect(Math.atan2(-dx, dy)).toBeCloseTo((turn * Math.PI) / 180, 6);
      expect(contrastOf(luminance(label.filling.style.colour), luminance(colour))).toBeGreaterThan(4.5);
    }
  const [first] = arrangedTiles(start.page);
  const bare = withCaptions(start, [first!.id], { style, facts, newId: () => "label", place: "foot" }).page;
  expect(findPlaced(bare, first!.id)!.border).toMatchObject({ widthMm: 3, colour: "#ffffff" });
});

test("new words lie off what is there, as near as they can be to where they would begin", () => {
  const bare = firstPlaced(collage([1]));
  const on = placeAgain(
    bare,
    withoutPieces(
      bare.page,
      bare.page.pieces.map((p) => p.id),
    ),
  );
  const style = { ...bareBook.words.title, sizePt: 20 };
  const rects: ReturnType<typeof frameRect>[] = [];
  let now = on;
  for (let i = 0; i < 12; i += 1) {
    const tile = offOthers(
      newWords(on.format, "title", style, () => `w${i}`),
      now,
    );
    const r = frameRect(tile.frame);
    expect(rects.every((o) => r.y + r.h <= o.y || o.y + o.h <= r.y)).toBe(true);
    expect([r.y >= on.format.safeMm - 1e-6, r.y + r.h <= on.format.heightMm - on.format.safeMm + 1e-6]).toEqual([
      true,
      true,
    ]);
    rects.push(r);
    now = placeAgain(now, withFree(now.page, tile));
  }
  expect(rects[0]).toEqual(frameRect(newWords(on.format, "title", style, () => "w").frame));
  expect(Math.abs(rects[1]!.y - rects[0]!.y)).toBeLessThan(rects[0]!.h * 1.5);
});

test("new words move up or down no further than they must, and only for what shares their columns", () => {
  const bare = firstPlaced(collage([1]));
  const empty = withoutPieces(
    bare.page,
    bare.page.pieces.map((p) => p.id),
  );
  const { format } = bare;
  const own = newWords(format, "title", { ...bareBook.words.title, sizePt: 20 }, () => "w");
  const words = { ...own, frame: { ...own.frame, width: 60 } };
  const { x: cx, y: cy } = words.frame.centre;
  const box = fc.record({
    x: fc.double({ min: -90, max: 90, noNaN: true }),
    y: fc.double({ min: -60, max: 120, noNaN: true }),
    w: fc.double({ min: 4, max: 60, noNaN: true }),
    h: fc.oneof(fc.double({ min: 4, max: 60, noNaN: true }), fc.double({ min: 100, max: 420, noNaN: true })),
  });
  const apart = 0.3 * 20 * (25.4 / 72);
  const from = (top: number, bottom: number) => ({ x: 0, w: 50, y: (top + bottom) / 2 - cy, h: bottom - top });
  // Room for the words' beginning only, above or below.
  const edge = format.safeMm + apart + 3;
  const examples = [[[from(-10, format.heightMm - edge)]], [[from(edge, format.heightMm + 10)]]] as [
    ReturnType<typeof from>[],
  ][];
  fc.assert(
    fc.property(fc.array(box, { maxLength: 5 }), (boxes) => {
      const tiles = boxes.map(({ x, y, w, h }, i) => {
        const frame = { centre: { x: cx + x, y: cy + y }, width: w, height: h, turn: 0 };
        return newFreeTile(frame, { kind: "colour", colour: "#ddccbb" }, () => `b${i}`);
      });
      const on = placeAgain(bare, tiles.reduce(withFree, empty));
      const at = offOthers(words, on).frame.centre;
      expect(at.x).toBe(cx);
      const half = words.frame.height / 2;
      const isFree = (y: number, apart: number) =>
        y - half >= format.safeMm - 1e-6 &&
        y + half <= format.heightMm - format.safeMm + 1e-6 &&
        boxes.every(
          (b) =>
            Math.abs(b.x) >= 30 + b.w / 2 || Math.abs(cy + b.y - y) >= half + b.h / 2 + (y === cy ? 0 : apart) - 1e-6,
        );
      // Tried every tenth of a millimetre, with the room that is left between words and what they moved away from.
      let nearest = Number.POSITIVE_INFINITY;
      for (let d = 0; d < format.heightMm; d += 0.1)
        if (isFree(cy + d, apart) || isFree(cy - d, apart)) {
          nearest = d;
          break;
        }
      // Where no room is left they stay.
      expect(at.y === cy || isFree(at.y, 0)).toBe(true);
      if (!Number.isFinite(nearest)) return;
      expect(isFree(at.y, 0)).toBe(true);
      expect(Math.abs(at.y - cy)).toBeLessThan(nearest + 1e-6);
      expect(Math.abs(at.y - cy)).toBeGreaterThan(nearest === 0 ? -1 : nearest - apart - 0.1);
    }),
    { examples },
  );
});

test("words right under a photo that is in no group are its caption, and those a millimetre off or beside are not", () => {
  const start = firstPlaced(collage([1]));
  const photo = newFreeTile(
    { centre: { x: 80, y: 80 }, width: 60, height: 40, turn: 0 },
    { kind: "photo", view: autoFramed("p2") },
    () => "photo",
  );
  const caption = newWords(start.format, "caption", bareBook.words.caption, () => "words");
  const found = (x: number, below: number, width = 60) => {
    const frame = { centre: { x, y: 100 + below + 5 }, width, height: 10, turn: 0 };
    const page = withFree(withFree(start.page, photo), { ...caption, frame });
    return captionOf(placeAgain(start, page), "photo")?.id;
  };
  for (const [x, below] of [
    [80, 0],
    [80.4, 0.4],
    [79.6, -0.4],
  ] as const)
    expect([x, below, found(x, below)]).toEqual([x, below, "words"]);
  expect([found(80, 1), found(80, -1), found(81, 0), found(80, 0, 62), found(110, 0)]).toEqual(
    Array.from({ length: 5 }, () => undefined),
  );
});

test("new words lie inside of what is safe; made larger they take more room; restyled, each keeps its turn", () => {
  const { format, page } = firstPlaced(collage([1]));
  const style = { ...bareBook.words.title, sizePt: 20 };
  const tile = newWords(format, "title", style, () => "w");
  const r = frameRect(tile.frame);
  expect(Math.min(r.x, r.y)).toBeGreaterThanOrEqual(format.safeMm);
  expect(r.x + r.w).toBeLessThanOrEqual(format.widthMm - format.safeMm);
  if (tile.filling.kind !== "words") throw new Error("no words");
  const words = { ...tile.filling, text: "a great many words to be read by all of them" };
  const small = { ...tile.frame, width: 40, height: 12 };
  const larger = { ...words, style: { ...style, sizePt: 40 } };
  const frame = roomier(words, larger, small, format, facts)!;
  expect([frame.width, frame.height]).toEqual([80, 24]);
  expect(roomier(larger, words, small, format, facts)).toBeUndefined();
  const turned = { ...tile, filling: { ...words, style: { ...style, turn: 90 as const } } };
  const next = restyled(withFree(page, turned), "title", { ...style, sizePt: 31 });
  expect(freeTiles(next)[0]!.filling).toMatchObject({ style: { sizePt: 31, turn: 90 } });
  expect(restyled(next, "caption", style)).toBe(next);
});
