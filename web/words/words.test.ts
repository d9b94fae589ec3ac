import { readFile } from "node:fs/promises";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { type Face, firstWordStyles, layWords, type WordStyle } from "#core/words";
import { breaksOf } from "./breaks.ts";
import { faceKeys, fontFile, fontParts } from "./font-urls.ts";
import { harfbuzzFace } from "./harfbuzz-face.ts";
import { sfntOf, WoffError } from "./woff.ts";

const fileOf = (key: string, part: (typeof fontParts)[number]) => {
  const { family, file } = fontFile(key, part);
  return readFile(`node_modules/@fontsource/${family}/files/${file}`).then((b) => new Uint8Array(b));
};

const open = async (key: string): Promise<Face> =>
  harfbuzzFace(key, await Promise.all(fontParts.map(async (part) => sfntOf(await fileOf(key, part)))));

const style: WordStyle = { ...firstWordStyles.journal, insetMm: 0 };

test("every font that comes along opens in each of its faces and has the letters of a caption", async () => {
  expect(faceKeys).toHaveLength(25);
  for (const key of faceKeys) {
    const face = await open(key);
    expect(face.ascent).toBeGreaterThan(0.5);
    const laid = layWords("Zürich, 3 May – “café” & Łódź", style, { w: 200, h: 20 }, face, { breaks: breaksOf });
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
  const laid = layWords("office", style, { w: 100, h: 20 }, face, { breaks: breaksOf });
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
      const laid = layWords(words, style, { w, h: 60 }, face, { breaks: breaksOf });
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
  const good = await fileOf("jost-400", "latin");
  await expect(sfntOf(good.slice(0, 40))).rejects.toThrow(WoffError);
  await expect(sfntOf(good.slice(0, 4000))).rejects.toThrow(WoffError);
  await expect(sfntOf(new Uint8Array(100))).rejects.toThrow(WoffError);
});
