import { expect, test } from "@jest/globals";
import fc from "fast-check";
import sharp from "sharp";
import { srgbProfile } from "../../icc/rgb-profile.ts";
import { readJpegFacts } from "../facts.ts";
import { codesOf, huffmanFor } from "./huffman.ts";
import { freshRows, JpegEncoder, type JpegOptions, jpegEnd, jpegHead, jpegPart } from "./jpeg-encoder.ts";

/** A soft picture with an edge and some noise in it. */
function picture(w: number, h: number, seed = 1): Uint8ClampedArray {
  const rgba = new Uint8ClampedArray(4 * w * h);
  let state = seed;
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      const noise = (state >>> 28) - 8;
      const i = 4 * (y * w + x);
      rgba[i] = 128 + 90 * Math.sin(x / 9) + noise;
      rgba[i + 1] = x > w / 2 ? 200 - y : 40 + y + noise;
      rgba[i + 2] = 255 * (y / h);
      rgba[i + 3] = 255;
    }
  return rgba;
}

function encoded(
  rgba: Uint8ClampedArray,
  w: number,
  h: number,
  options: Partial<JpegOptions> = {},
  rowsAtOnce = h,
): Buffer {
  const encoder = new JpegEncoder({
    widthPx: w,
    heightPx: h,
    quality: 95,
    chroma: "444",
    progressive: false,
    ppi: 300,
    profile: srgbProfile(),
    ...options,
  });
  const parts: Uint8Array[] = [];
  for (let y = 0; y < h; y += rowsAtOnce)
    parts.push(...encoder.addRows(rgba.subarray(4 * w * y, 4 * w * Math.min(h, y + rowsAtOnce))));
  return Buffer.concat([...parts, ...encoder.finish()]);
}

/** The mean distance of a channel from what went in. */
async function apart(bytes: Buffer, rgba: Uint8ClampedArray): Promise<number> {
  const raw = await sharp(bytes).raw().toBuffer();
  let sum = 0;
  for (let i = 0, k = 0; i < rgba.length; i += 4, k += 3)
    for (let c = 0; c < 3; c += 1) sum += Math.abs(rgba[i + c]! - raw[k + c]!);
  return sum / ((3 * rgba.length) / 4);
}

test("another program reads back the size, density, profile, fineness of colour and the picture", async () => {
  const [w, h] = [203, 117];
  const rgba = picture(w, h);
  for (const progressive of [false, true])
    for (const chroma of ["444", "420"] as const) {
      const bytes = encoded(rgba, w, h, { progressive, chroma });
      const meta = await sharp(bytes).metadata();
      expect(meta).toMatchObject({ width: w, height: h, density: 300, isProgressive: progressive });
      expect(meta.chromaSubsampling).toBe(chroma === "444" ? "4:4:4" : "4:2:0");
      expect(meta.icc?.length).toBe(srgbProfile().length);
      expect(readJpegFacts(bytes)).toMatchObject({ widthPx: w, heightPx: h, ppi: 300 });
      expect(await apart(bytes, rgba)).toBeLessThan(chroma === "444" ? 2.2 : 5);
    }
});

test("it comes as near to the picture as another encoder at the same quality, and is hardly larger", async () => {
  const [w, h] = [320, 240];
  const rgba = picture(w, h, 7);
  for (const quality of [60, 85, 95]) {
    const theirs = await sharp(rgba, { raw: { width: w, height: h, channels: 4 } })
      .removeAlpha()
      .jpeg({ quality, chromaSubsampling: "4:4:4", optimizeCoding: false })
      .toBuffer();
    const ours = encoded(rgba, w, h, { quality });
    expect(await apart(ours, rgba)).toBeLessThan((await apart(theirs, rgba)) * 1.05);
    expect(ours.length).toBeLessThan((theirs.length + srgbProfile().length) * 1.05);
    expect(encoded(rgba, w, h, { quality, progressive: true }).length).toBeLessThan(ours.length);
  }
});

test("rows may come in any portions; the same picture gives the same bytes", () => {
  fc.assert(
    fc.property(
      fc.record({
        w: fc.integer({ min: 1, max: 40 }),
        h: fc.integer({ min: 1, max: 40 }),
        rows: fc.integer({ min: 1, max: 40 }),
        progressive: fc.boolean(),
        chroma: fc.constantFrom("444" as const, "420" as const),
      }),
      ({ w, h, rows, ...options }) => {
        const rgba = picture(w, h, w * h);
        expect(encoded(rgba, w, h, options, rows).equals(encoded(rgba, w, h, options))).toBe(true);
      },
    ),
    { numRuns: 40 },
  );
});

test("parts that were coded by themselves, put next to each other, are the file that comes out in one go", async () => {
  for (const chroma of ["444", "420"] as const) {
    const [w, h] = [90, 1200];
    const rgba = picture(w, h);
    const options = { widthPx: w, heightPx: h, quality: 90, chroma, ppi: 300, profile: srgbProfile() };
    const whole = encoded(rgba, w, h, { quality: 90, chroma });
    const step = 2 * freshRows(options);
    const parts = [...jpegHead(options)];
    for (let y = 0; y < h; y += step) parts.push(...jpegPart(options, rgba.subarray(4 * w * y, 4 * w * (y + step)), y));
    expect(Buffer.concat([...parts, jpegEnd()]).equals(whole)).toBe(true);
    expect(await apart(whole, rgba)).toBeLessThan(6);
    expect(() => jpegPart(options, rgba, 8)).toThrow("afresh");
  }
});

test("any size at all is read back whole", async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 35 }),
      fc.integer({ min: 1, max: 35 }),
      fc.boolean(),
      fc.constantFrom("444" as const, "420" as const),
      async (w, h, progressive, chroma) => {
        const rgba = new Uint8ClampedArray(4 * w * h).fill(180);
        const bytes = encoded(rgba, w, h, { progressive, chroma });
        expect(await apart(bytes, rgba)).toBeLessThan(2);
      },
    ),
    { numRuns: 60 },
  );
});

test("codes are never longer than 16 bits, none is the beginning of another, and none is all ones", () => {
  fc.assert(
    fc.property(fc.array(fc.nat(1_000_000_000), { minLength: 1, maxLength: 256 }), (some) => {
      const frequencies = Array.from({ length: 256 }, (_, i) => some[i] ?? 0);
      const { code, size } = codesOf(huffmanFor(frequencies));
      const used = frequencies.flatMap((f, i) => (f > 0 ? [i] : []));
      const words = used.map((i) => code[i]!.toString(2).padStart(size[i]!, "0"));
      expect(words.every((w) => w.length >= 1 && w.length <= 16 && w.includes("0"))).toBe(true);
      const sorted = [...words].sort();
      for (let i = 1; i < sorted.length; i += 1) expect(sorted[i]!.startsWith(sorted[i - 1]!)).toBe(false);
    }),
  );
});

test("sizes that no JPEG has, and rows that do not add up, are refused", () => {
  expect(() => encoded(new Uint8ClampedArray(0), 0, 0)).toThrow("1 to 65535");
  expect(() => encoded(picture(4, 4), 4, 8, {}, 8)).toThrow("4 rows came where 8");
  expect(() => encoded(picture(4, 8), 4, 8, { heightPx: 4 })).toThrow("8 rows came where 4");
});
