import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { deflateSync } from "node:zlib";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import sharp from "sharp";
import { seededChance } from "#core/chance";
import { isSrgb } from "../icc/read-profile.ts";
import { outputProfile, rgbProfile, srgbProfile } from "../icc/rgb-profile.ts";
import { lzwLength, lzwPacked, lzwUnpacked } from "../tiff/lzw.ts";
import {
  differenced,
  rgbOf,
  rowsPerStrip,
  type TiffPacking,
  TiffSizeError,
  tiffHead,
  tiffPackings,
} from "../tiff/tiff-encoder.ts";
import { PngFilter, pngChunk, pngEnd, pngHead } from "./png-encoder.ts";

const anyPicture = fc
  .record({ w: fc.integer({ min: 1, max: 30 }), h: fc.integer({ min: 1, max: 30 }) })
  .chain(({ w, h }) => fc.uint8Array({ minLength: 4 * w * h, maxLength: 4 * w * h }).map((rgba) => ({ w, h, rgba })));

const wish = (w: number, h: number, packing: TiffPacking = "none") => ({
  widthPx: w,
  heightPx: h,
  ppi: 300,
  profile: srgbProfile(),
  packing,
});

function tiff(rgba: Uint8Array, w: number, h: number, packing: TiffPacking): Buffer {
  const line = 4 * w * rowsPerStrip(w);
  const strips = Array.from({ length: Math.ceil(rgba.length / line) }, (_, i) => {
    const rgb = rgbOf(rgba.subarray(i * line, (i + 1) * line));
    if (packing === "none") return rgb;
    const plain = differenced(rgb, w);
    return packing === "lzw" ? lzwPacked(plain) : Uint8Array.from(deflateSync(plain));
  });
  return Buffer.concat([
    tiffHead(
      wish(w, h, packing),
      strips.map((s) => s.length),
    ),
    ...strips,
  ]);
}

function png(rgba: Uint8Array, w: number, h: number): Buffer {
  const filter = new PngFilter(w);
  const half = 4 * w * Math.floor(h / 2);
  const rows = [filter.rows(rgba.subarray(0, half)), filter.rows(rgba.subarray(half))];
  return Buffer.concat([pngHead(wish(w, h)), pngChunk("IDAT", deflateSync(Buffer.concat(rows))), pngEnd()]);
}

test("a PNG and a TIFF come back bit by bit, with density and profile", async () => {
  await fc.assert(
    fc.asyncProperty(anyPicture, async ({ w, h, rgba }) => {
      for (const bytes of [png(rgba, w, h), ...tiffPackings.map((p) => tiff(rgba, w, h, p))]) {
        const meta = await sharp(bytes).metadata();
        expect(meta).toMatchObject({ width: w, height: h, channels: 3 });
        expect(Math.round(meta.density!)).toBe(300);
        expect(Buffer.from(srgbProfile()).equals(meta.icc!)).toBe(true);
        const raw = await sharp(bytes).toColourspace("srgb").raw().toBuffer();
        expect(raw.equals(Buffer.from(rgbOf(rgba)))).toBe(true);
      }
    }),
    { numRuns: 40 },
  );
});

/** Even stretches, steps and noise, so that strips pack well and badly, and tables fill up. */
function picture(w: number, h: number, seed: number): Uint8Array {
  const random = seededChance(seed);
  return Uint8Array.from({ length: 4 * w * h }, (_, i) =>
    i % (4 * w) < 2 * w ? (i >> 9) & 255 : random() < 0.2 ? 7 : 255 * random(),
  );
}

test.each(tiffPackings)(
  "a TIFF of many strips, packed as %s, comes back bit by bit, by another program and by our own",
  async (packing) => {
    const [w, h] = [1301, 700];
    const rgba = picture(w, h, 4);
    const raw = await sharp(tiff(rgba, w, h, packing))
      .toColourspace("srgb")
      .raw()
      .toBuffer();
    expect(raw.equals(Buffer.from(rgbOf(rgba)))).toBe(true);
  },
);

test("what LZW packs it unpacks, however little or much; a broken strip is told", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 40_000 }), fc.integer(), (length, seed) => {
      const bytes = picture(100, 101, seed).subarray(0, length);
      const packed = lzwPacked(bytes);
      expect(lzwLength(packed)).toBe(length);
      expect(Buffer.from(lzwUnpacked(packed, length)!).equals(Buffer.from(bytes))).toBe(true);
      expect(lzwUnpacked(packed, length + 1)).toBeUndefined();
    }),
    { numRuns: 60 },
  );
});

test("profiles say which colours they are; one that is cut off counts as another", () => {
  expect(isSrgb(srgbProfile())).toBe(true);
  expect(isSrgb(rgbProfile("displayP3"))).toBe(false);
  expect(isSrgb(srgbProfile().subarray(0, 200))).toBe(false);
  expect(isSrgb(new Uint8Array(4))).toBe(false);
});

test("a TIFF beyond 4 GB is refused", () => {
  expect(() => tiffHead(wish(40_000, 40_000))).toThrow(TiffSizeError);
});

/** What another program's colour engine makes of colours on their way through a profile. */
const through = async (rgb: Uint8Array, profile: Uint8Array) => {
  const path = join(mkdtempSync(join(tmpdir(), "tessip-icc-")), "p.icc");
  writeFileSync(path, profile);
  return sharp(rgb, { raw: { width: rgb.length / 3, height: 1, channels: 3 } })
    .withIccProfile(path)
    .raw()
    .toBuffer();
};

test("sRGB as an output device keeps every colour where it is, and has the class that output intents ask for", async () => {
  const random = seededChance(9);
  const colours = Uint8Array.from({ length: 3 * 500 }, (_, i) => (i < 30 ? (i % 3) * 127 : 255 * random()));
  const profile = outputProfile();
  expect(Buffer.from(profile.subarray(12, 20)).toString()).toBe("prtrRGB ");
  const out = await through(colours, profile);
  for (const [i, v] of out.entries()) expect(Math.abs(v - colours[i]!)).toBeLessThanOrEqual(1);
  // And back, as whoever reads the file sees it.
  const path = join(mkdtempSync(join(tmpdir(), "tessip-icc-")), "p.icc");
  writeFileSync(path, profile);
  const tagged = sharp(Buffer.from(colours), { raw: { width: 500, height: 1, channels: 3 } }).png();
  const seen = await sharp(await tagged.withIccProfile(path).toBuffer())
    .withIccProfile("srgb")
    .raw()
    .toBuffer();
  for (const [i, v] of seen.entries()) expect(Math.abs(v - colours[i]!)).toBeLessThanOrEqual(2);
});
