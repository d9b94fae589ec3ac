import { execFileSync } from "node:child_process";
import { deflateSync } from "node:zlib";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { inflateSync, zipSync } from "fflate";
import sharp from "sharp";
import {
  BrokenJpeg,
  BrokenZip,
  hasEnd,
  listZip,
  packedStart,
  pngChunk,
  pngEnd,
  pngHead,
  type ReadRange,
  readJpegFacts,
  rgbProfile,
  srgbProfile,
  webpExif,
  webpWith,
} from "./index.ts";

const encoded = async () =>
  new Uint8Array(
    await sharp({ create: { width: 40, height: 24, channels: 3, background: "#b2472a" } })
      .jpeg({ progressive: true })
      .toBuffer(),
  );

test("the profile is a valid sRGB: another reader that goes through it sees the same colours", async () => {
  const ramp = Buffer.from(
    Array.from({ length: 3 * 4096 }, (_, i) => [i % 256, (i >> 4) % 256, (i >> 6) % 256][i % 3]!),
  );
  const rows = Buffer.concat(
    Array.from({ length: 64 }, (_, y) => [Buffer.of(0), ramp.subarray(192 * y, 192 * (y + 1))]).flat(),
  );
  const head = pngHead({ widthPx: 64, heightPx: 64, ppi: 300, profile: srgbProfile() });
  const tagged = Buffer.concat([head, pngChunk("IDAT", deflateSync(rows)), pngEnd()]);
  const through = await sharp(tagged).withIccProfile("srgb").raw().toBuffer();
  expect(Math.max(...through.map((v, i) => Math.abs(v - ramp[i]!)))).toBeLessThanOrEqual(2);
});

test("a copy that was cut off is told from a whole one", async () => {
  const whole = await encoded();
  expect(hasEnd(whole)).toBe(true);
  expect(hasEnd(Uint8Array.of(...whole, 1, 2, 3))).toBe(true);
  expect(hasEnd(whole.subarray(0, whole.length - 20))).toBe(false);
});

test("bytes that are no JPEG are answered with a BrokenJpeg and nothing else", async () => {
  const whole = await encoded();
  const answered = (bytes: Uint8Array) => {
    try {
      readJpegFacts(bytes);
      hasEnd(bytes);
    } catch (e) {
      expect(e).toBeInstanceOf(BrokenJpeg);
    }
  };
  fc.assert(fc.property(fc.uint8Array({ maxLength: 300 }), answered));
  fc.assert(
    fc.property(fc.nat(whole.length), fc.nat(255), (cut, byte) =>
      answered(Uint8Array.of(...whole.subarray(0, cut), byte)),
    ),
  );
});

test("the EXIF of a WebP is found behind its pictures, and any bytes are answered", async () => {
  const exif = { IFD0: { ImageDescription: "At the lock" } };
  const picture = sharp({ create: { width: 9, height: 5, channels: 3, background: "#224466" } });
  const found = webpExif(new Uint8Array(await picture.clone().withExif(exif).webp().toBuffer()));
  expect(Buffer.from(found!).toString("latin1")).toMatch(/^(II\*\0|MM\0\*).*At the lock/s);
  expect(webpExif(new Uint8Array(await picture.webp().toBuffer()))).toBeUndefined();
  fc.assert(fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => void webpExif(bytes)));
});

const rangeOf =
  (bytes: Uint8Array): ReadRange =>
  async (from, to) =>
    bytes.slice(from, to);
const zipped = (files: Record<string, Uint8Array>) => zipSync(files, { mtime: new Date(2025, 6, 12, 14, 30, 10) });

test("a zip is listed from its directory, and each entry found again from its local header", async () => {
  const words = new TextEncoder().encode("photo ".repeat(500));
  const bytes = zipped({
    "2025/July/été.jpg": words,
    "2025/": new Uint8Array(),
    "../../etc/passwd": words.slice(0, 9),
  });
  const entries = await listZip(rangeOf(bytes), bytes.length);
  expect(entries.map((e) => e.path)).toEqual(["2025/July/été.jpg", "../../etc/passwd"]);
  expect(entries[0]).toMatchObject({ method: "deflated", bytes: words.length, modifiedAt: "2025-07-12T14:30:10" });
  const start = packedStart(entries[0]!, bytes.slice(entries[0]!.offset, entries[0]!.offset + 30));
  expect(inflateSync(bytes.slice(start, start + entries[0]!.packedBytes))).toEqual(words);
});

test("a zip of 10,000 entries is listed, one of more than 20,000 is refused", async () => {
  const many = (n: number) =>
    zipped(Object.fromEntries(Array.from({ length: n }, (_, i) => [`p${i}.jpg`, new Uint8Array(1)])));
  const some = many(10_000);
  expect(await listZip(rangeOf(some), some.length)).toHaveLength(10_000);
  const bytes = many(20_001);
  await expect(listZip(rangeOf(bytes), bytes.length)).rejects.toMatchObject({ code: "tooManyEntries" });
});

test("what is no zip, or a part of one, is answered with a BrokenZip and nothing else", async () => {
  const whole = zipped({ "a.jpg": new Uint8Array(40), "b.jpg": new Uint8Array(9) });
  const answered = (bytes: Uint8Array) =>
    listZip(rangeOf(bytes), bytes.length).then(
      () => undefined,
      (e) => expect(e).toBeInstanceOf(BrokenZip),
    );
  await fc.assert(fc.asyncProperty(fc.uint8Array({ maxLength: 200 }), answered));
  await fc.assert(fc.asyncProperty(fc.nat(whole.length - 1), fc.nat(255), (i, v) => answered(whole.with(i, v))));
  await expect(listZip(rangeOf(whole.slice(0, 60)), 60)).rejects.toMatchObject({ code: "notAZip" });
});

test("a WebP says how dense it is and what its colours mean, and shows what it showed", async () => {
  for (const [w, h, lossless] of [
    [301, 200, false],
    [40, 77, true],
  ] as const) {
    const data = Uint8Array.from({ length: 3 * w * h }, (_, i) => (i * 31) % 256);
    const plain = await sharp(data, { raw: { width: w, height: h, channels: 3 } })
      .webp({ lossless })
      .toBuffer();
    const profile = rgbProfile("displayP3");
    const told = webpWith(Uint8Array.from(plain), { widthPx: w, heightPx: h, ppi: 254, profile });
    const meta = await sharp(told).metadata();
    expect(meta).toMatchObject({ format: "webp", width: w, height: h });
    expect(
      execFileSync("exiftool", ["-s3", "-XResolution", "-YResolution", "-"], { input: told, encoding: "utf8" }),
    ).toBe("254\n254\n");
    expect(Buffer.from(profile).equals(meta.icc!)).toBe(true);
    const [before, after] = await Promise.all([plain, told].map((f) => sharp(f, { ignoreIcc: true }).raw().toBuffer()));
    expect(after!.equals(before!)).toBe(true);
    // Told anew, nothing is there twice.
    expect(webpWith(told, { widthPx: w, heightPx: h, ppi: 254, profile })).toEqual(told);
  }
});
