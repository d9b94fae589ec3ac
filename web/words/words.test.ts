import { readFile } from "node:fs/promises";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import type { Size } from "#core/geometry";
import {
  type Face,
  faceKeysFor,
  firstWordStyles,
  inkBox,
  layWords,
  letterShapes,
  mmOfPt,
  offeredFonts,
  sharedLetterSize,
  type WordStyle,
} from "#core/words";
import { breaksOf } from "./breaks.ts";
import { faceKeys, fontFiles } from "./font-urls.ts";
import { harfbuzzFace } from "./harfbuzz-face.ts";
import { loadDivider, patternsFor } from "./hyphens.ts";
import { levelsOf } from "./levels.ts";
import { sfntOf, WoffError } from "./woff.ts";

const read = ({ family, file }: ReturnType<typeof fontFiles>[number]) =>
  readFile(`node_modules/@fontsource/${family}/files/${file}`).then((b) => new Uint8Array(b));

const open = async (key: string): Promise<Face> =>
  harfbuzzFace(key, await Promise.all(fontFiles(key).map(async (file) => sfntOf(await read(file)))));

const lay = (text: string, of: WordStyle, box: Size, face: Face) =>
  layWords({ text, style: of }, box, { face: () => face, breaks: breaksOf })!;

const style: WordStyle = { ...firstWordStyles.journal, insetMm: 0 };

test("every font that comes along opens in each of its faces and has the letters of a caption", async () => {
  expect(offeredFonts.length).toBeGreaterThanOrEqual(24);
  for (const key of faceKeys) {
    const face = await open(key);
    if (!offeredFonts.some((f) => f.id === fontFiles(key)[0]!.family)) continue;
    expect(face.ascent).toBeGreaterThan(0.5);
    const laid = lay("Zürich, 3 May – “café” & Łódź", style, { w: 200, h: 20 }, face);
    expect([key, laid.missing, laid.lines.length]).toEqual([key, [], 1]);
  }
});

test("kerning counts, and a line's glyphs end where the line does", async () => {
  const face = await open("source-sans-3-400");
  const alone = [..."AVATAR"].reduce((sum, c) => sum + face.shape(c)[0]!.advance, 0);
  const together = face.shape("AVATAR").reduce((sum, g) => sum + g.advance, 0);
  expect(together).toBeLessThan(alone - 0.05);
});

test("a ligature has a place for the caret between its letters", async () => {
  const face = await open("eb-garamond-400");
  const laid = lay("office", style, { w: 100, h: 20 }, face);
  expect(laid.lines[0]!.glyphs.length).toBeLessThan(6);
  expect(laid.lines[0]!.stops.map((s) => s.at)).toEqual([0, 1, 2, 3, 4, 5, 6]);
  const xs = laid.lines[0]!.stops.map((s) => s.x);
  expect([...xs].sort((a, b) => a - b)).toEqual(xs);
});

test("lines break where UAX #14 lets them: after a hyphen, never before a full stop or inside a number", async () => {
  const at = (text: string) => breaksOf(text).map((b) => b.at);
  expect(at("wind-blown 3.50 £.")).toEqual([5, 11, 16, 18]);
  expect(breaksOf("a\nb")).toEqual([
    { at: 2, must: true },
    { at: 3, must: false },
  ]);
});

test("a real font's lines stay inside their box, whatever is typed", async () => {
  const face = await open("caveat-700");
  const text = fc.string({
    unit: fc.constantFrom(...Array.from("abWi fl.-\n é\u0301ß—“”10😀"), "\ude00", "\ud83d"),
    maxLength: 120,
  });
  fc.assert(
    fc.property(text, fc.integer({ min: 8, max: 120 }), (words, w) => {
      const laid = lay(words, style, { w, h: 60 }, face);
      for (const line of laid.lines) {
        // One letter alone may be wider than the line.
        if ([...words.slice(line.from, line.to)].length > 1) expect(line.width).toBeLessThanOrEqual(w + 1e-6);
        expect(line.top + line.height).toBeLessThanOrEqual(60 + line.height);
      }
    }),
    { numRuns: 60 },
  );
});

test("a damaged font file is refused", async () => {
  const good = await read(fontFiles("jost-400")[0]!);
  await expect(sfntOf(good.slice(0, 40))).rejects.toThrow(WoffError);
  await expect(sfntOf(good.slice(0, 4000))).rejects.toThrow(WoffError);
  await expect(sfntOf(new Uint8Array(100))).rejects.toThrow(WoffError);
});

/** Around the ink of words as they are laid, in mm. */
function inkOf(text: string, face: Face, look: WordStyle, box: { readonly w: number; readonly h: number }) {
  const laid = lay(text, look, box, face);
  const [line] = laid.lines;
  const ink = inkBox(face.shape(text), face);
  const { x } = line!.glyphs[0]!;
  const s = laid.sizeMm;
  return {
    left: x + ink.x * s,
    right: x + (ink.x + ink.w) * s,
    top: line!.baseline + ink.y * s,
    bottom: line!.baseline + (ink.y + ink.h) * s,
  };
}

test("a letter alone is centred by its ink; those of a set stand on one line, centred across, and all fit", async () => {
  for (const key of ["abril-fatface-400", "jost-700", "dancing-script-700", "eb-garamond-700"]) {
    const face = await open(key);
    const box = { w: 40, h: 50 };
    for (const letter of "QJWIyg8") {
      const ink = inkOf(letter, face, { ...style, sizePt: 60, ink: "alone" }, box);
      expect(Math.abs((ink.left + ink.right) / 2 - box.w / 2)).toBeLessThan(0.05);
      expect(Math.abs((ink.top + ink.bottom) / 2 - box.h / 2)).toBeLessThan(0.05);
    }
    const set = [..."QUAYJ"].map((text, i) => ({ text, tile: { w: 30 + 4 * i, h: 45 } }));
    const sizeMm = sharedLetterSize(set, face, 2);
    const look: WordStyle = { ...style, sizePt: sizeMm / mmOfPt(1), ink: "set" };
    const inks = set.map(({ text, tile }) => ({ tile, ...inkOf(text, face, look, tile) }));
    for (const { tile, left, right, top, bottom } of inks) {
      expect(Math.abs((left + right) / 2 - tile.w / 2)).toBeLessThan(0.05);
      expect(Math.min(left, top, tile.w - right, tile.h - bottom)).toBeGreaterThan(2 - 0.05);
    }
    const lines = set.map(({ text, tile }) => lay(text, look, tile, face).lines[0]!.baseline);
    expect(Math.max(...lines) - Math.min(...lines)).toBeLessThan(1e-9);
    // As large as can be: one of them touches.
    const spare = inks.map((k) => Math.min(k.left, k.top, k.tile.w - k.right, k.tile.h - k.bottom));
    expect(Math.min(...spare)).toBeLessThan(2.6);
  }
});

test("the letters of a word as shapes keep its kerning, and a space is none of them", async () => {
  const face = await open("jost-700");
  const shapes = letterShapes("AV 8", face);
  expect(shapes.map((l) => l.text)).toEqual(["A", "V", "8"]);
  const [a, v] = shapes as [(typeof shapes)[0], (typeof shapes)[0]];
  expect(v.box.x).toBeLessThan(a.box.x + a.box.w);
  expect(letterShapes("  ", face)).toEqual([]);
});

test("Arabic, an emoji and a ligature stand in one line: each from a font that has it, read its own way", async () => {
  const text = "office سلام 🙂 שלום";
  const faces = new Map<string, Face>();
  for (const key of faceKeysFor({ text, style })) faces.set(key, await open(key));
  const laid = layWords(
    { text, style },
    { w: 200, h: 20 },
    { face: (key) => faces.get(key), breaks: breaksOf, levels: levelsOf },
  )!;
  expect([laid.missing, laid.waiting, laid.rtl]).toEqual([[], false, false]);
  const seen = laid.lines[0]!.glyphs.map((g) => laid.looks[g.look ?? 0]!.face);
  expect([...new Set(seen)]).toEqual([
    "source-sans-3-400",
    "noto-naskh-arabic-400",
    "noto-emoji-400",
    "noto-sans-hebrew-400",
  ]);
  // Joined: its letters have other shapes than alone, and stand against the order of the text.
  const arabic = laid.lines[0]!.glyphs.filter((g) => laid.looks[g.look ?? 0]!.face.startsWith("noto-naskh"));
  expect(arabic.map((g) => g.id)).not.toContain(faces.get("noto-naskh-arabic-400")!.shape("س")[0]!.id);
  const stops = new Map(laid.lines[0]!.stops.map((s) => [s.at, s.x]));
  expect(stops.get(7)).toBeGreaterThan(stops.get(9)!);
  const all = laid.lines[0]!.glyphs.map((g) => g.x);
  expect(Math.max(...all)).toBeLessThan(laid.lines[0]!.x + laid.lines[0]!.width);
});

test("words are divided by the rules of their language; brackets of right-to-left words are turned round", async () => {
  const by = async (language: string, word: string) => {
    const at = [0, ...(await loadDivider(patternsFor(language)!))(word), word.length];
    return at.slice(1).map((to, i) => word.slice(at[i], to));
  };
  expect(await by("en-GB", "photograph")).toEqual(["pho", "to", "graph"]);
  expect(await by("de-AT", "Erinnerungen")).toEqual(["Er", "in", "ne", "run", "gen"]);
  expect(await by("fr", "souvenirs")).toEqual(["sou", "ve", "nirs"]);
  expect(await by("es", "fotografía")).toEqual(["fo", "to", "gra", "fía"]);
  expect(patternsFor("ja")).toBeUndefined();
  const hebrew = await open("noto-sans-hebrew-400");
  const [left, right] = ["(", ")"].map((c) => hebrew.shape(c, { rtl: false })[0]!.id);
  expect(hebrew.shape("(א)", { rtl: true }).map((g) => g.id)).toEqual([left, expect.any(Number), right]);
});

test("a tab reaches to the line's end over dots that stand under each other, whatever stands before it", async () => {
  const face = await open("source-sans-3-400");
  const led = { ...style, leaders: true as const, align: "left" as const };
  const dotOf = face.shape(".")[0]!.id;
  fc.assert(
    fc.property(
      fc.constantFrom("On", "By water to the sea", "Étang", "A longer title that still fits"),
      fc.integer({ min: 1, max: 240 }),
      fc.integer({ min: 90, max: 160 }),
      (title, page, w) => {
        const text = `${title}\t\u2060${page}\nX\t\u20601`;
        const laid = lay(text, led, { w, h: 60 }, face);
        expect(laid.lines).toHaveLength(2);
        const [first, second] = laid.lines as [(typeof laid.lines)[0], (typeof laid.lines)[0]];
        expect(first.width).toBeCloseTo(w, 6);
        expect(first.stops.at(-1)!.x).toBeCloseTo(w, 6);
        const dots = (l: typeof first) => l.glyphs.filter((g) => g.id === dotOf).map((g) => g.x);
        expect(dots(first).length).toBeGreaterThan(5);
        for (const x of dots(first)) expect(dots(second).some((y) => Math.abs(x - y) < 1e-6)).toBe(true);
        expect(dots(first)).toEqual([...dots(first)].sort((a, b) => a - b));
        const plain = lay(text, style, { w, h: 60 }, face).lines[0]!;
        expect(plain.width).toBeLessThan(w);
      },
    ),
    { numRuns: 25 },
  );
});
