import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { leavesOf } from "#core/arrange";
import {
  arrangedOn,
  barePage,
  boxAround,
  frameRect,
  freeTiles,
  groupsOf,
  insideRect,
  isGroup,
  newFreeTile,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  placePage,
  treeIn,
  withFree,
} from "#core/document";
import type { PageFormat } from "#core/lab";
import { firstWordStyles } from "#core/words";
import {
  adapted,
  drawnPage,
  flowsFrom,
  layTemplate,
  photoPlaces,
  shapeOf,
  shippedTemplates,
  type Template,
  templateOfPage,
  turned,
  unturned,
  waitsFor,
  withoutPapers,
} from "./index.ts";
import { readTemplateFile, templateFile, templateSchema } from "./schema/index.ts";

const shipped = shippedTemplates();
const anyShipped = fc.constantFrom(...shipped);
const anyFormat = fc
  .record({
    widthMm: fc.double({ min: 90, max: 700, noNaN: true }),
    heightMm: fc.double({ min: 90, max: 700, noNaN: true }),
  })
  .map(
    ({ widthMm, heightMm }): PageFormat => ({
      name: "any",
      widthMm,
      heightMm,
      bleedMm: 3,
      safeMm: 4,
      ppi: 300,
      leastPpi: 150,
    }),
  );
const counter = () => {
  let n = 0;
  return () => {
    n += 1;
    return `n${n}`;
  };
};
const photosOf = (n: number) =>
  Array.from({ length: n }, (_, i) => ({ id: `photo${i}`, aspect: i % 3 === 0 ? 2 / 3 : 3 / 2, focus: null }));
const formatOf = (t: Template): PageFormat => ({
  name: "own",
  ...t.page,
  bleedMm: 3,
  safeMm: 3,
  ppi: 300,
  leastPpi: 150,
});
const bare = (t: Template, format = formatOf(t)): PlacedPage =>
  placePage(barePage(counter()), format, { ...t.look, backdrop: null });
/** A bare page laid out by a template. */
const laidOut = (t: Template, n: number, format = formatOf(t)) => {
  const on = bare(t, format);
  const laid = layTemplate(on, t, { photos: photosOf(n), newId: counter() });
  return { ...laid, page: placeAgain(on, laid.page) };
};

const treeOf = (t: Template) => treeIn(groupsOf(drawnPage(t).page)[0])?.tree;
const straight = shipped.filter((t) => t.pieces.length === 1 && treeOf(t));

test("at least a hundred come along, each sound, with a name of its own and on all shapes of page", () => {
  expect(shipped.length).toBeGreaterThanOrEqual(100);
  for (const t of shipped) expect([t.name, templateSchema.safeParse(t).success]).toEqual([t.name, true]);
  expect(new Set(shipped.map((t) => t.name)).size).toBe(shipped.length);
  expect(new Set(shipped.map((t) => shapeOf(t.page)))).toEqual(new Set(["upright", "square", "sideways", "panorama"]));
  const kinds = shipped.flatMap((t) => t.pieces.map((p) => (isGroup(p) ? p.arrangement.kind : p.kind)));
  expect(new Set(kinds)).toEqual(new Set(["tree", "tiling", "tile"]));
  expect(shipped.filter((t) => t.scatter).length).toBeGreaterThan(5);
  expect(shipped.filter((t) => drawnPage(t).tiles.some((p) => waitsFor(p) === "words")).length).toBeGreaterThan(15);
});

test("on the page it was drawn for a template comes out as drawn, and no place is bent by much", () => {
  for (const t of shipped) {
    const { pieces, bent } = adapted(t, formatOf(t));
    expect([t.name, pieces]).toEqual([t.name, t.pieces]);
    expect(bent).toBeLessThan(1e-9);
  }
  for (const t of straight) {
    const frames = new Map(drawnPage(t).tiles.map((p) => [p.id, p.frame]));
    for (const l of leavesOf(treeOf(t)!)) {
      const { width, height } = frames.get(l.tileId)!;
      // Drawn by eye: a shape that the page has to bend further than this was drawn wrong.
      expect([t.name, l.tileId, Math.abs(Math.log(width / height / l.aspect)) < 0.25]).toEqual([
        t.name,
        l.tileId,
        true,
      ]);
    }
  }
});

test("on any page the places of a tree fill the room exactly, with equal gaps and none left out", () => {
  fc.assert(
    fc.property(fc.constantFrom(...straight), anyFormat, (t, format) => {
      const { page } = laidOut(t, photoPlaces(t), format);
      const room = insideRect(page.look, format);
      const areas = page.tiles.map(({ frame }) => {
        const r = frameRect(frame);
        // Into the bleed goes only what touches the trim.
        const left = Math.max(r.x, room.x);
        const top = Math.max(r.y, room.y);
        return (Math.min(r.x + r.w, room.x + room.w) - left) * (Math.min(r.y + r.h, room.y + room.h) - top);
      });
      const gaps = page.look.gapMm;
      const filled = areas.reduce((a, b) => a + b, 0);
      expect(page.tiles).toHaveLength(drawnPage(t).tiles.length);
      expect(filled).toBeLessThanOrEqual(room.w * room.h * (1 + 1e-9));
      if (gaps === 0) expect(filled / (room.w * room.h)).toBeCloseTo(1, 6);
    }),
    { numRuns: 40 },
  );
});

const fiveShapes = [
  { widthMm: 210, heightMm: 210 },
  { widthMm: 210, heightMm: 297 },
  { widthMm: 297, heightMm: 210 },
  { widthMm: 420, heightMm: 148 },
  { widthMm: 152, heightMm: 102 },
];

test("on five shapes of page every template has all its places, none under 8 mm, none outside, none over another that was not", () => {
  const [thin, outside, lieOver] = [new Set<string>(), new Set<string>(), new Set<string>()];
  for (const t of shipped)
    for (const size of fiveShapes) {
      const at = `${t.name} on ${size.widthMm} × ${size.heightMm}`;
      const format: PageFormat = { ...formatOf(t), ...size };
      const { page } = laidOut(t, photoPlaces(t), format);
      expect([at, page.tiles.length]).toEqual([at, drawnPage(t).tiles.length]);
      for (const { frame } of page.tiles) {
        if (Math.min(frame.width, frame.height) < 8) thin.add(at);
        // Prints on a table may lie over its edge.
        const r = t.scatter ? { ...frame.centre, w: 0, h: 0 } : boxAround(frame);
        const inside = r.x > -3.1 && r.y > -3.1 && r.x + r.w < size.widthMm + 3.1 && r.y + r.h < size.heightMm + 3.1;
        if (!inside) outside.add(at);
      }
      if (t.scatter) continue;
      // Cells of patterns lie apart by their shapes and not by their boxes; that is tested where they are made.
      const boxes = page.groups.flatMap((g) => (treeIn(g.group) ? g.tiles.map((p) => frameRect(p.frame)) : []));
      for (const [i, a] of boxes.entries())
        for (const b of boxes.slice(0, i)) {
          const over =
            Math.min(a.x + a.w, b.x + b.w) - Math.max(a.x, b.x) > 0.01 &&
            Math.min(a.y + a.h, b.y + b.h) - Math.max(a.y, b.y) > 0.01;
          if (over) lieOver.add(at);
        }
    }
  expect({ thin: [...thin], outside: [...outside], lieOver: [...lieOver] }).toEqual({
    thin: [],
    outside: [],
    lieOver: [],
  });
});

test("what lies freely stays apart and inside, keeps its shape, and is aligned as it was", () => {
  const place = fc.record({
    x: fc.integer({ min: 0, max: 8 }),
    y: fc.integer({ min: 0, max: 8 }),
    w: fc.integer({ min: 1, max: 3 }),
    h: fc.integer({ min: 1, max: 3 }),
  });
  fc.assert(
    fc.property(fc.array(place, { minLength: 2, maxLength: 6 }), anyFormat, (boxes, format) => {
      const [cell, side] = [20, 240];
      const frames = boxes.map(({ x, y, w, h }) => ({
        centre: { x: (x + w / 2) * cell, y: (y + h / 2) * cell },
        width: w * cell,
        height: h * cell,
        turn: 0,
      }));
      const t: Template = {
        ...shipped[0]!,
        page: { widthMm: side, heightMm: side },
        pieces: frames.map((frame, i) => ({ kind: "tile", id: `t${i}`, filling: { kind: "empty" }, frame })),
      };
      const after = placePage({ ...barePage(counter()), pieces: adapted(t, format).pieces }, format, {
        ...t.look,
        backdrop: null,
      }).tiles.map((p) => p.frame);
      const apart = (a: (typeof after)[number], b: (typeof after)[number], e: number) =>
        Math.abs(a.centre.x - b.centre.x) > (a.width + b.width) / 2 - e ||
        Math.abs(a.centre.y - b.centre.y) > (a.height + b.height) / 2 - e;
      const shares = (a: (typeof after)[number], b: (typeof after)[number]) =>
        [-0.5, 0, 0.5].some((k) => Math.abs(a.centre.x + k * a.width - b.centre.x - k * b.width) < 0.06);
      let together = true;
      for (const [i, f] of after.entries()) {
        const r = frameRect(f);
        expect(Math.min(r.x, r.y)).toBeGreaterThan(-0.06);
        expect(r.x + r.w).toBeLessThan(format.widthMm + 0.06);
        expect(r.y + r.h).toBeLessThan(format.heightMm + 0.06);
        for (let j = 0; j < i; j += 1) {
          if (apart(frames[i]!, frames[j]!, 1e-9)) expect(apart(f, after[j]!, 0.2)).toBe(true);
          if (shares(frames[i]!, frames[j]!)) together &&= shares(f, after[j]!);
        }
      }
      // Two by themselves are never in each other's way.
      if (boxes.length === 2 && apart(frames[0]!, frames[1]!, 1e-9)) expect(together).toBe(true);
    }),
    { numRuns: 200 },
  );
});

test("too few photos leave places bare, too many make places where cuts can, and every photo is there once", () => {
  fc.assert(
    fc.property(fc.constantFrom(...straight), fc.integer({ min: 0, max: 30 }), (t, n) => {
      const { page, empty, made } = laidOut(t, n);
      const there = page.tiles.flatMap((tile) => photoIdOf(tile) ?? []);
      expect(there.toSorted()).toEqual(
        photosOf(n)
          .map((p) => p.id)
          .toSorted(),
      );
      expect(empty).toBe(Math.max(0, photoPlaces(t) - n));
      expect(made).toBe(Math.max(0, n - photoPlaces(t)));
      for (const kind of ["colour", "words"] as const) {
        const of = (p: PlacedPage) =>
          p.tiles.filter((tile) => tile.filling.kind === kind || waitsFor(tile) === kind).length;
        expect(of(page)).toBe(of(drawnPage(t)));
      }
    }),
    { numRuns: 30 },
  );
});

test("with one photo too few a spare place stays empty, else the smallest without a number, and never the first", () => {
  for (const t of shipped.filter((s) => photoPlaces(s) > 1)) {
    const { page } = laidOut(t, photoPlaces(t) - 1);
    const [bare] = page.tiles.filter((p) => waitsFor(p) === "photo");
    const places = drawnPage(t).tiles.filter((p) => waitsFor(p) === "photo");
    const numbered = (p: (typeof places)[number]) =>
      p.filling.kind === "empty" && p.filling.waits?.for === "photo" && p.filling.waits.number !== undefined;
    expect([t.name, numbered(bare!)]).toEqual([t.name, false]);
    const area = ({ frame }: (typeof places)[number]) => frame.width * frame.height;
    const least = Math.min(...places.filter((p) => !numbered(p)).map(area));
    expect([t.name, area(bare!) < least * 1.15]).toEqual([t.name, true]);
  }
  const t = shipped.find((s) => s.name === "Corner of six")!;
  const wanted = drawnPage(t).tiles[2]!;
  const saved = templateOfPage(drawnPage(t), {
    ...{ id: "own", name: "Mine", family: "", numbered: [drawnPage(t).tiles[0]!.id] },
    skipped: new Set(),
    spare: new Set([wanted.id]),
  })!;
  const { page } = laidOut(saved, 5);
  const [left] = page.tiles.filter((p) => waitsFor(p) === "photo");
  expect(left!.frame.centre.x).toBeCloseTo(wanted.frame.centre.x, 6);
  expect(left!.frame.centre.y).toBeCloseTo(wanted.frame.centre.y, 6);
});

test("words on the page go into the places for words of their kind, looking as those have it; others lie where they were", () => {
  const t = shipped.find((s) => s.name === "Title, story and one")!;
  const on = bare(t);
  const words = (role: "title" | "caption" | "journal", text: string) =>
    newFreeTile(
      { centre: { x: 60, y: 60 }, width: 60, height: 20, turn: 0 },
      { kind: "words", text, role, style: firstWordStyles[role], from: null, card: null },
      counter(),
    );
  const written = [words("title", "Midsummer"), words("caption", "By the lock"), words("journal", "It rained.")];
  const page = written.reduce((p, w, i) => withFree(p, { ...w, id: `w${i}` }), on.page);
  const laid = placeAgain(on, layTemplate(placeAgain(on, page), t, { photos: photosOf(1), newId: counter() }).page);
  const held = laid.tiles.flatMap((p) =>
    p.filling.kind === "words" ? [[p.groupId !== undefined, p.filling] as const] : [],
  );
  expect(held.map(([inGroup, w]) => [inGroup, w.text]).toSorted()).toEqual([
    [false, "By the lock"],
    [true, "It rained."],
    [true, "Midsummer"],
  ]);
  expect(held.find(([, w]) => w.role === "title")![1].style.sizePt).toBe(40);
});

test("a paper stays in its tile, and leaves a place for one where the template goes elsewhere", () => {
  const t = shipped.find((s) => s.name === "Two panes")!;
  const { page } = laidOut(t, 2);
  const about = { id: "own", name: "Mine", family: "", numbered: [], skipped: new Set<string>() };
  const saved = templateOfPage(page, { ...about, isPaper: (id) => id === "photo1" })!;
  expect(drawnPage(saved).tiles.map((p) => photoIdOf(p))).toEqual([undefined, "photo1"]);
  expect(drawnPage(withoutPapers(saved)).tiles.map(waitsFor)).toEqual(["photo", "paper"]);
  // No photo flows into the paper's tile.
  expect(photoPlaces(saved)).toBe(1);
  expect(laidOut(saved, 1).page.tiles.map((p) => photoIdOf(p))).toEqual(["photo0", "photo1"]);
});

test("what a template laid freely goes with the next one, and what a hand laid there stays", () => {
  const over = shipped.find((s) => s.name === "A round over four")!;
  const { page } = laidOut(over, 5);
  const by = freeTiles(page.page)[0]!;
  const mine = newFreeTile(by.frame, by.filling, () => "mine");
  const on = placeAgain(page, withFree(page.page, mine));
  const next = shipped.find((s) => s.name === "Four panes")!;
  expect(flowsFrom(on, next).map((f) => f.id)).toContain(by.id);
  const laid = layTemplate(on, next, { photos: photosOf(5), newId: counter() }).page;
  expect(freeTiles(laid).map((f) => f.id)).toEqual(["mine"]);
  expect(groupsOf(laid)[0]!.tiles).toHaveLength(5);
});

test("a numbered place takes the first photo where all shapes suit alike", () => {
  const t = shipped.find((s) => s.name === "Corner of six")!;
  const photos = Array.from({ length: 6 }, (_, i) => ({ id: `photo${i}`, aspect: 1, focus: null }));
  const on = bare(t);
  const { page } = layTemplate(on, t, { photos: photos.slice(0, 1), newId: counter() });
  const tiles = arrangedOn(placeAgain(on, page));
  const largest = tiles.toSorted((a, b) => b.frame.width * b.frame.height - a.frame.width * a.frame.height)[0]!;
  expect(photoIdOf(largest)).toBe("photo0");
});

test("mirroring twice and turning by four quarters change nothing", () => {
  fc.assert(
    fc.property(anyShipped, (t) => {
      const twice = (way: "mirrorSides" | "mirrorUpside") => {
        const once = turned(t, { ...unturned, [way]: true });
        return turned(once, { ...unturned, [way]: true });
      };
      for (const way of ["mirrorSides", "mirrorUpside"] as const) {
        const [was, now] = [drawnPage(t), drawnPage(twice(way))];
        for (const [i, p] of now.tiles.entries()) {
          expect(p.frame.centre.x).toBeCloseTo(was.tiles[i]!.frame.centre.x, 6);
          expect(p.frame.turn).toBeCloseTo(was.tiles[i]!.frame.turn, 9);
        }
      }
      const half = turned(t, { ...unturned, quarters: 2 });
      const both = turned(t, { ...unturned, mirrorSides: true, mirrorUpside: true });
      const tree = treeOf(t);
      if (tree) {
        expect(leavesOf(treeOf(half)!).map((l) => l.tileId)).toEqual(leavesOf(treeOf(both)!).map((l) => l.tileId));
        const whole = turned(half, { ...unturned, quarters: 2 });
        expect(whole.page).toEqual(t.page);
        for (const [i, l] of leavesOf(treeOf(whole)!).entries())
          expect(l.aspect).toBeCloseTo(leavesOf(tree)[i]!.aspect, 9);
      }
      const once = freeTiles(drawnPage(turned(t, { ...unturned, quarters: 1 })).page);
      for (const { frame } of once) {
        const r = boxAround({ ...frame, turn: 0 });
        expect(r.x + r.w).toBeLessThan(t.page.heightMm + 0.35 * frame.width);
      }
    }),
  );
});

test("a page saved as a template and laid out again has its tiles where they were, bare ones bare", () => {
  fc.assert(
    fc.property(anyShipped, fc.boolean(), (t, skip) => {
      const { page } = laidOut(t, photoPlaces(t));
      const skipped = new Set(skip && page.tiles.length > 1 ? [page.tiles[0]!.id] : []);
      const numbered = page.tiles.slice(-1).map((tile) => tile.id);
      const saved = templateOfPage(page, { id: "own", name: "Mine", family: "", numbered, skipped })!;
      expect(templateSchema.safeParse(saved).success).toBe(true);
      const [again] = [readTemplateFile(templateFile([saved]))].map((r) => (r.ok ? r.value[0]! : undefined));
      expect(again).toEqual(JSON.parse(JSON.stringify(saved)));
      const next = laidOut({ ...again!, page: t.page }, 0).page;
      const rects = (p: PlacedPage) =>
        p.tiles.map((tile) => Object.values(frameRect(tile.frame)).map((v) => v.toFixed(6)));
      expect(rects(next).toSorted()).toEqual(rects(page).toSorted());
    }),
    { numRuns: 60 },
  );
});
