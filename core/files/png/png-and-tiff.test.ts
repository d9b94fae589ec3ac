import { deflateSync } from "node:zlib";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import sharp from "sharp";
import { isSrgb } from "../icc/read-profile.ts";
import { rgbProfile, srgbProfile } from "../icc/rgb-profile.ts";
import { rgbOf, TiffSizeError, tiffHead } from "../tiff/tiff-encoder.ts";
import { PngFilter, pngChunk, pngEnd, pngHead } from "./png-encoder.ts";

const anyPicture = fc
  .record({ w: fc.integer({ min: 1, max: 30 }), h: fc.integer({ min: 1, max: 30 }) })
  .chain(({ w, h }) => fc.uint8Array({ minLength: 4 * w * h, maxLength: 4 * w * h }).map((rgba) => ({ w, h, rgba })));

const wish = (w: number, h: number) => ({ widthPx: w, heightPx: h, ppi: 300, profile: srgbProfile() });

function png(rgba: Uint8Array, w: number, h: number): Buffer {
  const filter = new PngFilter(w);
  const half = 4 * w * Math.floor(h / 2);
  const rows = [filter.rows(rgba.subarray(0, half)), filter.rows(rgba.subarray(half))];
  return Buffer.concat([pngHead(wish(w, h)), pngChunk("IDAT", deflateSync(Buffer.concat(rows))), pngEnd()]);
}

test("a PNG and a TIFF come back bit by bit, with density and profile", async () => {
  await fc.assert(
    fc.asyncProperty(anyPicture, async ({ w, h, rgba }) => {
      const tiff = Buffer.concat([tiffHead(wish(w, h)), rgbOf(rgba)]);
      for (const bytes of [png(rgba, w, h), tiff]) {
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

test("profiles say which colours they are; one that is cut off counts as another", () => {
  expect(isSrgb(srgbProfile())).toBe(true);
  expect(isSrgb(rgbProfile("displayP3"))).toBe(false);
  expect(isSrgb(srgbProfile().subarray(0, 200))).toBe(false);
  expect(isSrgb(new Uint8Array(4))).toBe(false);
});

test("a TIFF beyond 4 GB is refused", () => {
  expect(() => tiffHead(wish(40_000, 40_000))).toThrow(TiffSizeError);
});
