import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { deflateSync, inflateSync } from "node:zlib";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import sharp from "sharp";
import { seededRandom } from "#core/random";
import { colourConversion } from "../icc/convert-colours.ts";
import { isSrgb } from "../icc/read-profile.ts";
import { gammaProfile, greyProfile, outputProfile, rgbProfile, srgbProfile } from "../icc/rgb-profile.ts";
import { lzwLength, lzwPacked, lzwUnpacked } from "../tiff/lzw.ts";
import {
  type ChannelBits,
  differenced,
  littleEndian,
  plainStrips,
  rgbOf,
  rowsPerStrip,
  samplesOf,
  summed,
  type TiffPacking,
  TiffSizeError,
  tiffHead,
  tiffPackings,
} from "../tiff/tiff-encoder.ts";
import { isDeepPng, readDeepPng, rgbOfSamples } from "./deep-png.ts";
import { PngFilter, pngChunk, pngEnd, pngHead } from "./png-encoder.ts";
import { PngRows } from "./png-rows.ts";

const anyPicture = fc
  .record({ w: fc.integer({ min: 1, max: 30 }), h: fc.integer({ min: 1, max: 30 }) })
  .chain(({ w, h }) => fc.uint8Array({ minLength: 4 * w * h, maxLength: 4 * w * h }).map((rgba) => ({ w, h, rgba })));

const options = (w: number, h: number, packing: TiffPacking = "none", bits: ChannelBits = 8) => ({
  widthPx: w,
  heightPx: h,
  ppi: 300,
  profile: srgbProfile(),
  packing,
  bits,
});

function tiff(rgba: Uint8Array, w: number, h: number, packing: TiffPacking): Buffer {
  const line = 4 * w * rowsPerStrip(w, 8);
  const strips = Array.from({ length: Math.ceil(rgba.length / line) }, (_, i) => {
    const rgb = rgbOf(rgba.subarray(i * line, (i + 1) * line));
    if (packing === "none") return rgb;
    const plain = differenced(rgb, w);
    return packing === "lzw" ? lzwPacked(plain) : Uint8Array.from(deflateSync(plain));
  });
  return Buffer.concat([
    tiffHead(
      options(w, h, packing),
      strips.map((s) => s.length),
    ),
    ...strips,
  ]);
}

function png(rgba: Uint8Array, w: number, h: number): Buffer {
  const filter = new PngFilter(w);
  const half = 4 * w * Math.floor(h / 2);
  const rows = [filter.rows(rgba.subarray(0, half)), filter.rows(rgba.subarray(half))];
  return Buffer.concat([pngHead(options(w, h)), pngChunk("IDAT", deflateSync(Buffer.concat(rows))), pngEnd()]);
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
  const random = seededRandom(seed);
  return Uint8Array.from({ length: 4 * w * h }, (_, i) =>
    i % (4 * w) < 2 * w ? (i >> 9) & 255 : random() < 0.2 ? 7 : 255 * random(),
  );
}

test.each(tiffPackings)(
  "a TIFF of many strips, packed as %s, comes back bit by bit, by another program and by our own",
  async (packing) => {
    // Many strips, just two, and one for each row since a row is longer than a strip.
    for (const [w, h] of [
      [1301, 700],
      [1301, 100],
      [90_001, 3],
    ] as const) {
      const rgba = picture(w, h, 4);
      const raw = await sharp(tiff(rgba, w, h, packing))
        .toColourspace("srgb")
        .raw()
        .toBuffer();
      expect(raw.equals(Buffer.from(rgbOf(rgba)))).toBe(true);
    }
    expect([rowsPerStrip(1301, 8), rowsPerStrip(1301, 16), rowsPerStrip(90_001, 8)]).toEqual([67, 33, 1]);
  },
);

test("a strip packed by LZW may end just where its codes become longer", async () => {
  const random = seededRandom(5);
  // Of noise nearly each byte is a code; codes grow at 512, 1024, 2048 of them and begin anew at 4096.
  for (const bytes of [254, 766, 1790, 3838])
    for (let w = Math.floor(bytes / 3) - 6; w <= Math.floor(bytes / 3) + 8; w += 1) {
      const rgba = Uint8Array.from({ length: 4 * w }, () => 256 * random());
      const raw = await sharp(tiff(rgba, w, 1, "lzw"))
        .toColourspace("srgb")
        .raw()
        .toBuffer();
      expect(raw.equals(Buffer.from(rgbOf(rgba)))).toBe(true);
    }
});

const anyDeepPicture = fc
  .record({ w: fc.integer({ min: 1, max: 90 }), h: fc.integer({ min: 1, max: 300 }), seed: fc.integer() })
  .map(({ w, h, seed }) => {
    const random = seededRandom(seed);
    return { w, h, samples: Uint16Array.from({ length: 3 * w * h }, () => 65_536 * random()) };
  });

const same = (a: Uint16Array, b: Uint16Array): boolean => Buffer.from(a.buffer).equals(Buffer.from(b.buffer));

test("sixteen bits come back from a TIFF and out of a PNG, every one of them", async () => {
  await fc.assert(
    fc.asyncProperty(anyDeepPicture, fc.constantFrom(...tiffPackings), async ({ w, h, samples }, packing) => {
      const lengths = plainStrips(options(w, h, packing, 16));
      let at = 0;
      const strips = lengths.map((length) => {
        const rows = samples.slice(at / 2, (at + length) / 2);
        at += length;
        if (packing === "none") return littleEndian(rows);
        const plain = littleEndian(differenced(rows, w));
        return packing === "lzw" ? lzwPacked(plain) : Uint8Array.from(deflateSync(plain));
      });
      const sizes = strips.map((s) => s.length);
      const file = Buffer.concat([tiffHead(options(w, h, packing, 16), sizes), ...strips]);
      expect(await sharp(file).metadata()).toMatchObject({ width: w, height: h, depth: "ushort", channels: 3 });
      const raw = await sharp(file).keepIccProfile().toColourspace("rgb16").raw({ depth: "ushort" }).toBuffer();
      expect(same(samplesOf(raw), samples)).toBe(true);
      expect(same(summed(differenced(samples.slice(), w), w), samples)).toBe(true);
      const png = await sharp(samples, {
        raw: { width: w, height: h, channels: 3 },
      })
        .toColourspace("rgb16")
        .png()
        .toBuffer();
      expect(isDeepPng(png)).toBe(true);
      const deep = readDeepPng(Uint8Array.from(png))!;
      const rows = new PngRows(w, 2 * deep.channels).add(inflateSync(deep.picture));
      expect(same(rgbOfSamples(rows, deep.channels)!, samples)).toBe(true);
    }),
    { numRuns: 20 },
  );
});

test("a deep PNG of grey is grey in all three; one that is clear somewhere, interlaced or cut off is left to others", () => {
  const grey = Uint8Array.of(1, 2, 3, 4);
  expect([...rgbOfSamples(grey, 1)!]).toEqual([258, 258, 258, 772, 772, 772]);
  expect([...rgbOfSamples(Uint8Array.of(1, 2, 255, 255), 2)!]).toEqual([258, 258, 258]);
  expect(rgbOfSamples(grey, 2)).toBeUndefined();
  const head = Buffer.concat([png(new Uint8Array(4), 1, 1)]);
  head[24] = 16;
  expect(readDeepPng(Uint8Array.from(head))).toMatchObject({ widthPx: 1, heightPx: 1, channels: 3 });
  expect(readDeepPng(Uint8Array.from(head.subarray(0, head.length - 20)))).toBeUndefined();
  head[28] = 1;
  expect(readDeepPng(Uint8Array.from(head))).toBeUndefined();
});

test("colours of another profile become those of the print as another colour engine makes them", async () => {
  const wide = {
    rXYZ: [0.6097559, 0.3111242, 0.0194811],
    gXYZ: [0.2052401, 0.625656, 0.0608902],
    bXYZ: [0.149224, 0.0632197, 0.7448387],
  };
  // Colours that every one of them holds, so that nothing has to be cut off.
  const samples = Uint16Array.from({ length: 3 * 400 }, (_, i) => 30_000 + ((i * 7_919) % 12_000));
  // In sixteen bits sharp brings everything to Display P3.
  const inP3 = async (rgb: Uint16Array, profile: Uint8Array): Promise<Uint16Array> => {
    const file = Buffer.concat([tiffHead({ ...options(400, 1, "none", 16), profile }), littleEndian(rgb)]);
    return samplesOf(await sharp(file).toColourspace("rgb16").raw({ depth: "ushort" }).toBuffer());
  };
  const apart = (a: Uint16Array, b: Uint16Array) => Math.max(...a.map((v, i) => Math.abs(v - b[i]!)));
  for (const profile of [gammaProfile("wide", wide, 2.2), gammaProfile("wide", wide, 1.8), srgbProfile()]) {
    const theirs = await inP3(samples, profile);
    const ours = samples.slice();
    colourConversion(profile, "displayP3")!(ours);
    expect(apart(ours, samples)).toBeGreaterThan(500);
    expect(apart(ours, theirs)).toBeLessThan(80);
    const srgb = samples.slice();
    colourConversion(profile, "srgb")!(srgb);
    expect(apart(await inP3(srgb, srgbProfile()), theirs)).toBeLessThan(80);
  }
  expect(colourConversion(greyProfile(), "srgb")).toBeUndefined();
  expect(colourConversion(srgbProfile().subarray(0, 300), "srgb")).toBeUndefined();
});

test("the formulas that a tone curve can be written as", () => {
  // Of sRGB itself as a formula of the fourth kind, in place of its table.
  const profile = srgbProfile().slice();
  const at = Buffer.from(profile).indexOf("curv");
  const view = new DataView(profile.buffer);
  profile.set(
    [..."para"].map((c) => c.charCodeAt(0)),
    at,
  );
  const write = (kind: number, numbers: readonly number[]) => {
    view.setUint16(at + 8, kind);
    for (const [i, v] of numbers.entries()) view.setInt32(at + 12 + 4 * i, Math.round(v * 65_536));
    const rgb = Uint16Array.from({ length: 768 }, (_, i) => 257 * Math.floor(i / 3));
    colourConversion(profile, "srgb")!(rgb);
    return (level: number) => rgb[3 * level]! / 257;
  };
  const [g, a, b, c, d] = [2.4, 1 / 1.055, 0.055 / 1.055, 1 / 12.92, 0.04045];
  for (const [kind, numbers] of [
    [3, [g, a, b, c, d]],
    [4, [g, a, b, c, d, 0, 0]],
  ] as const) {
    const seen = write(kind, numbers);
    for (const level of [0, 5, 10, 60, 128, 200, 255]) expect(Math.abs(seen(level) - level)).toBeLessThan(0.3);
  }
  const coded = (light: number) => 255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);
  expect(write(0, [2])(128)).toBeCloseTo(coded((128 / 255) ** 2), 0);
  expect(write(1, [2, 1, -0.25])(128)).toBeCloseTo(coded((128 / 255 - 0.25) ** 2), 0);
  expect(write(1, [2, 1, -0.25])(50)).toBeCloseTo(0, 0);
  expect(write(2, [2, 1, -0.25, 0.1])(50)).toBeCloseTo(coded(0.1), 0);
});

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
  expect(() => tiffHead(options(40_000, 40_000))).toThrow(TiffSizeError);
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
  const random = seededRandom(9);
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
