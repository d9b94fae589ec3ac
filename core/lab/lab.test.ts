import { readdirSync, readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  bleedBox,
  fileNames,
  formatFromCard,
  orderedSizes,
  ownFormat,
  ownSizeLimits,
  plainName,
  printPixels,
  safeBox,
  seenBox,
} from "./index.ts";
import { labCardSchema } from "./schema/index.ts";

const cards = readdirSync("demo/labs").map((f) =>
  labCardSchema.parse(JSON.parse(readFileSync(`demo/labs/${f}`, "utf8"))),
);
const square = cards.find((c) => c.id === "quayside-collage")!;

test("labs of differing rules come with it, four for prints and four for books, and every size of theirs can be printed", () => {
  expect(cards.filter((c) => c.kind === "book")).toHaveLength(4);
  expect(cards).toHaveLength(8);
  expect(new Set(cards.map((c) => `${c.bleedMm}/${c.safeMm}/${c.ppi.wanted}/${c.ppi.least}`)).size).toBe(8);
  for (const card of cards)
    for (const size of card.sizes) {
      const px = printPixels(formatFromCard(card, size, true));
      expect(px.widthPx * px.heightPx).toBeLessThan(ownSizeLimits.mostPixels);
    }
});

test("a page of 12 × 12 inches with 3 mm bleed at 300 ppi has 3671 pixels a side", () => {
  const format = formatFromCard(square, square.sizes.find((s) => s.id === "12x12")!, false);
  expect(printPixels(format)).toEqual({ widthPx: 3671, heightPx: 3671 });
  expect(bleedBox(format)).toEqual({ x: -3, y: -3, w: 310.8, h: 310.8 });
  expect(safeBox(format).x).toBe(5);
});

test("a size is upright or sideways whichever way round the card writes it", () => {
  const card = cards.find((c) => c.id === "hollow-oak-posters")!;
  const written = { id: "x", name: "x", widthMm: 500, heightMm: 300, turns: true };
  expect(formatFromCard(card, written, false)).toMatchObject({ widthMm: 300, heightMm: 500 });
  expect(formatFromCard(card, written, true)).toMatchObject({ widthMm: 500, heightMm: 300 });
  expect(formatFromCard(card, { ...written, turns: false }, false)).toMatchObject({ widthMm: 500, heightMm: 300 });
});

test("a card that contradicts itself is refused", () => {
  const wrong = (change: object) => labCardSchema.safeParse({ ...square, ...change }).success;
  expect(wrong({})).toBe(true);
  expect(wrong({ bleedMm: -1 })).toBe(false);
  expect(wrong({ ppi: { wanted: 150, least: 300 } })).toBe(false);
  expect(wrong({ safeMm: 45, sizes: [{ id: "s", name: "s", widthMm: 90, heightMm: 90, turns: false }] })).toBe(false);
  expect(wrong({ sizes: [square.sizes[0], square.sizes[0]] })).toBe(false);
  expect(wrong({ sizes: [] })).toBe(false);
});

test("a size of one's own is taken or says what is wrong with it", () => {
  const own = (change: object) => {
    const made = ownFormat({ name: "own", widthMm: 300, heightMm: 300, bleedMm: 3, ppi: 300, ...change });
    return made.ok ? "ok" : made.code;
  };
  expect(own({})).toBe("ok");
  expect(own({ widthMm: 0 })).toBe("sizeTooSmall");
  expect(own({ widthMm: Number.NaN })).toBe("sizeTooSmall");
  expect(own({ heightMm: 5000 })).toBe("sizeTooLarge");
  expect(own({ bleedMm: -1 })).toBe("bleedOutside");
  expect(own({ ppi: 20 })).toBe("ppiOutside");
  expect(own({ widthMm: 2000, heightMm: 2000, ppi: 600 })).toBe("tooManyPixels");
  const huge = { name: "own", widthMm: 2000, heightMm: 1900, bleedMm: 3 };
  const refusal = ownFormat({ ...huge, ppi: 1200 });
  expect(!refusal.ok && ownFormat({ ...huge, ppi: Number(refusal.facts.fitsPpi) }).ok).toBe(true);
});

test("file names hold nothing that a lab or a disk would refuse", () => {
  const one = { project: "Ömas Jahr / 2026", size: "4 × 6 in", page: 3, pages: 12 };
  expect(fileNames("{project}-{size}-{page}", [one], "jpg")).toEqual(["Omas-Jahr-2026-4-x-6-in-03.jpg"]);
  expect(fileNames("{project}", [{ ...one, project: "con" }], "jpg")).toEqual(["con-03.jpg"]);
  fc.assert(fc.property(fc.string(), (text) => expect(plainName(text)).toMatch(/^[A-Za-z0-9][A-Za-z0-9.-]*$/)));
});

test("no two files of a work have one name, and each keeps its page, whatever the pattern and however long the project's name", () => {
  const pattern = fc.array(fc.constantFrom("{project}", "{size}", "{page}", "-", "order", "x.", "_"), { maxLength: 6 });
  fc.assert(
    fc.property(
      pattern,
      fc.string(),
      fc.integer({ min: 2, max: 130 }),
      fc.integer({ min: 12, max: 80 }),
      (bits, project, pages, most) => {
        const files = Array.from({ length: pages }, (_, i) => ({ project, size: "8 × 8 in", page: i + 1, pages }));
        const names = fileNames(bits.join(""), [...files, { ...files[0]!, page: "cover" }], "tiff", most);
        expect(new Set(names.map((n) => n.toLowerCase())).size).toBe(names.length);
        for (const [i, name] of names.slice(0, -1).entries()) {
          expect(name.length).toBeLessThanOrEqual(most);
          expect(name).toContain(String(i + 1).padStart(String(pages).length, "0"));
          expect(name).toMatch(/^[A-Za-z0-9][A-Za-z0-9.-]*\.tiff$/);
        }
      },
    ),
  );
});

test("a fold at a page's edge ends what is seen there and takes what it hides from what is safe; the other sides go on into the bleed", () => {
  const page = { ...formatFromCard(square, square.sizes[0]!, false), bleedMm: 3, safeMm: 5 };
  const { widthMm: w, heightMm: h } = page;
  const at = (atMm: number) => ({ ...page, folds: [{ atMm, hiddenMm: 4 }] });
  expect(seenBox(page)).toEqual({ x: -3, y: -3, w: w + 6, h: h + 6 });
  expect(seenBox(at(w))).toEqual({ x: -3, y: -3, w: w + 3, h: h + 6 });
  expect(seenBox(at(0))).toEqual({ x: 0, y: -3, w: w + 3, h: h + 6 });
  expect(seenBox(at(w / 2))).toEqual(seenBox(page));
  expect(safeBox(at(w))).toEqual({ x: 5, y: 5, w: w - 14, h: h - 10 });
  expect(safeBox(at(0))).toEqual({ x: 9, y: 5, w: w - 14, h: h - 10 });
});

test("an order tells how many of which size it holds, and what they cost together", () => {
  const file = (name: string, copies: number, sizeId?: string, holds: "page" | "document" = "page") => ({
    name,
    copies,
    holds,
    bytes: 1,
    sha256: "0".repeat(64),
    ...(sizeId === undefined ? {} : { sizeId }),
  });
  const packet = { schema: 1, labId: "x", title: "x" } as const;
  const prints = cards.find((c) => c.id === "fernhill-prints")!;
  const some = [file("a", 3, "4x6"), file("b", 1, "8x10"), file("c", 2, "4x6")];
  expect(orderedSizes(prints, { ...packet, files: some })).toEqual({
    sizes: [
      { name: "4 × 6 in", count: 5 },
      { name: "8 × 10 in", count: 1 },
    ],
    price: expect.closeTo(5 * 0.19 + 1.9),
  });
  expect(orderedSizes(prints, { ...packet, files: [file("a", 1, "gone")] })).toEqual({ sizes: [], price: undefined });
  expect(orderedSizes(square, { ...packet, sizeId: "8x8", files: [file("a", 2)] }).price).toBeCloseTo(19);
  expect(orderedSizes(square, { ...packet, sizeId: "8x8", files: [file("a", 2, undefined, "document")] })).toEqual({
    sizes: [],
    price: undefined,
  });
  const binder = cards.find((c) => c.id === "otterbourne-books")!;
  const book = { pages: 30, paperId: "p", coverId: "c" };
  const pages = Array.from({ length: 30 }, (_, i) => file(`p${i}`, 2));
  expect(orderedSizes(binder, { ...packet, sizeId: "30x30", book, files: pages })).toEqual({
    sizes: [{ name: "30 × 30 cm", count: 2 }],
    price: 117,
  });
});
