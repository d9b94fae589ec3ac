import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { leavesOf, treeRects } from "#core/arrange";
import {
  arrangedOn,
  barePage,
  frameRect,
  insideRect,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  placePage,
} from "#core/document";
import type { PageFormat } from "#core/lab";
import {
  adapted,
  layTemplate,
  photoPlaces,
  shapeOf,
  shippedTemplates,
  type Template,
  templateOfPage,
  turned,
  unturned,
} from "./index.ts";
import { readTemplateFile, templateFile, templateFileJsonSchema, templateSchema } from "./schema/index.ts";

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

test("at least forty come along, each sound, with a name of its own and on all shapes of page", () => {
  expect(shipped.length).toBeGreaterThanOrEqual(40);
  for (const t of shipped) expect([t.name, templateSchema.safeParse(t).success]).toEqual([t.name, true]);
  expect(new Set(shipped.map((t) => t.name)).size).toBe(shipped.length);
  expect(new Set(shipped.map((t) => shapeOf(t.page)))).toEqual(new Set(["upright", "square", "sideways", "panorama"]));
});

test("on the page it was drawn for a template comes out as drawn, and no place is bent by much", () => {
  for (const t of shipped) {
    const { tree, bent } = adapted(t, formatOf(t));
    expect([t.name, tree]).toEqual([t.name, t.tree]);
    expect(bent).toBeLessThan(1e-9);
    const rects = treeRects(tree, insideRect(t.look, formatOf(t)), t.look.gapMm);
    for (const l of leavesOf(tree)) {
      const r = rects.get(l.tileId)!;
      // Drawn by eye: a shape that the page has to bend further than this was drawn wrong.
      expect([t.name, Math.abs(Math.log(r.w / r.h / l.aspect)) < 0.2]).toEqual([t.name, true]);
    }
  }
});

test("on any page the places fill the room exactly, with equal gaps and none left out", () => {
  fc.assert(
    fc.property(anyShipped, anyFormat, (t, format) => {
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
      expect(page.tiles).toHaveLength(t.places.length);
      expect(filled).toBeLessThanOrEqual(room.w * room.h * (1 + 1e-9));
      if (gaps === 0) expect(filled / (room.w * room.h)).toBeCloseTo(1, 6);
    }),
    { numRuns: 40 },
  );
});

test("too few photos leave places bare, too many make places, and every photo is there once", () => {
  fc.assert(
    fc.property(anyShipped, fc.integer({ min: 0, max: 30 }), (t, n) => {
      const { page, empty, made } = laidOut(t, n);
      const there = page.tiles.flatMap((tile) => photoIdOf(tile) ?? []);
      expect(there.toSorted()).toEqual(
        photosOf(n)
          .map((p) => p.id)
          .toSorted(),
      );
      expect(empty).toBe(Math.max(0, photoPlaces(t) - n));
      expect(made).toBe(Math.max(0, n - photoPlaces(t)));
      expect(page.tiles.filter((tile) => tile.filling.kind === "colour")).toHaveLength(
        t.places.filter((p) => p.holds.kind === "colour").length,
      );
    }),
    { numRuns: 30 },
  );
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
      expect(twice("mirrorSides")).toEqual(t);
      expect(twice("mirrorUpside")).toEqual(t);
      const half = turned(t, { ...unturned, quarters: 2 });
      const both = turned(t, { ...unturned, mirrorSides: true, mirrorUpside: true });
      expect(leavesOf(half.tree).map((l) => l.tileId)).toEqual(leavesOf(both.tree).map((l) => l.tileId));
      const whole = turned(half, { ...unturned, quarters: 2 });
      expect(whole.page).toEqual(t.page);
      for (const [i, l] of leavesOf(whole.tree).entries()) expect(l.aspect).toBeCloseTo(leavesOf(t.tree)[i]!.aspect, 9);
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

test("a file that is no template file is told from one that is damaged, and neither can do harm", () => {
  const one = shipped[0]!;
  expect(readTemplateFile("nothing")).toMatchObject({ ok: false, code: "notTemplates" });
  expect(readTemplateFile('{"kind":"other"}')).toMatchObject({ ok: false, code: "notTemplates" });
  const broken = { ...one, places: [...one.places, { id: "more", holds: { kind: "photo" }, number: null }] };
  expect(readTemplateFile(templateFile([one, broken as Template]))).toMatchObject({
    ok: false,
    code: "damagedTemplate",
    facts: { number: 2 },
  });
  const deep = `{"kind":"tessip-templates","version":1,"templates":[${"[".repeat(50_000)}${"]".repeat(50_000)}]}`;
  expect(readTemplateFile(deep)).toMatchObject({ ok: false, code: "notTemplates" });
  expect(readTemplateFile(" ".repeat(9_000_000))).toMatchObject({ ok: false, code: "tooLarge" });
});

test("the schema that is published is the one that is checked", () => {
  expect(JSON.parse(readFileSync("docs/templates.schema.json", "utf8"))).toEqual(
    JSON.parse(JSON.stringify(templateFileJsonSchema())),
  );
});
