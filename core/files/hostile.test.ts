import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import sharp from "sharp";
import UTIF from "utif2";
import {
  attributeLooksOutside,
  bareJpeg,
  exifThumbnail,
  heifExif,
  pictureSize,
  type SvgNode,
  styleLooksOutside,
  svgWeight,
  tiffTrouble,
  withoutPlaces,
} from "./index.ts";

test("a drawing's references stay inside it, whatever they are written in", () => {
  const outside: [string, string][] = [
    ["href", "https://example.test/a.png"],
    ["xlink:href", "//example.test/a"],
    ["href", "javascript:alert(1)"],
    ["href", "data:image/svg+xml;base64,AAAA"],
    ["href", "other.svg#part"],
    ["onload", "1"],
    ["OnClick", ""],
    ["fill", "url(https://example.test/#x)"],
    ["style", "fill: URL( 'http://example.test' )"],
    ["style", "fill: u\\72l(http://example.test)"],
    ["values", "javascript:alert(1)"],
  ];
  for (const [name, value] of outside)
    expect([name, value, attributeLooksOutside(name, value)]).toEqual([name, value, true]);
  const inside: [string, string][] = [
    ["href", "#leaf"],
    ["href", "data:image/png;base64,AAAA"],
    ["fill", "url(#grain)"],
    ["filter", "url( '#soft' )"],
    ["d", "M0 0 L10 10 Z"],
    ["style", "fill: #7f9c56; stroke-width: 3"],
  ];
  for (const [name, value] of inside)
    expect([name, value, attributeLooksOutside(name, value)]).toEqual([name, value, false]);
  expect(styleLooksOutside("@import 'a.css'")).toBe(true);
  expect(styleLooksOutside(".a{fill:url(#p)} .b{fill:url(//x)}")).toBe(true);
  expect(styleLooksOutside(".a{fill:url(#p)}")).toBe(false);
});

/** A JPEG's head with an Exif block: the main directory with a turn, a second one with a small picture. */
function headWith(thumbnail: readonly number[], little: boolean, orientation = 6): Uint8Array {
  const tiff = new DataView(new ArrayBuffer(56 + thumbnail.length));
  tiff.setUint16(0, little ? 0x4949 : 0x4d4d);
  tiff.setUint16(2, 42, little);
  tiff.setUint32(4, 8, little);
  const entry = (at: number, tag: number, type: number, value: number) => {
    tiff.setUint16(at, tag, little);
    tiff.setUint16(at + 2, type, little);
    tiff.setUint32(at + 4, 1, little);
    if (type === 3) tiff.setUint16(at + 8, value, little);
    else tiff.setUint32(at + 8, value, little);
  };
  tiff.setUint16(8, 1, little);
  entry(10, 0x0112, 3, orientation);
  tiff.setUint32(22, 26, little);
  tiff.setUint16(26, 2, little);
  entry(28, 0x0201, 4, 56);
  entry(40, 0x0202, 4, thumbnail.length);
  new Uint8Array(tiff.buffer).set(thumbnail, 56);
  const exif = [0x45, 0x78, 0x69, 0x66, 0, 0, ...new Uint8Array(tiff.buffer)];
  const app0 = [0xff, 0xe0, 0, 4, 0, 0];
  return Uint8Array.from([0xff, 0xd8, ...app0, 0xff, 0xe1, (exif.length + 2) >> 8, (exif.length + 2) & 255, ...exif]);
}

test("the small picture inside a camera's file is found in either byte order, and no damage makes it throw", () => {
  const small = [0xff, 0xd8, 0xff, 0xd9];
  for (const little of [true, false]) {
    const found = exifThumbnail(headWith(small, little));
    expect([...(found?.jpeg ?? [])]).toEqual(small);
    expect(found?.orientation).toBe(6);
  }
  expect(exifThumbnail(headWith([1, 2, 3, 4], true))).toBeUndefined();
  // What stands behind the beginning of the picture's own data is no head any more.
  const head = headWith(small, true);
  const late = Uint8Array.from([0xff, 0xd8, 0xff, 0xda, 0, 4, 0, 0, ...head.subarray(2)]);
  expect(exifThumbnail(late)).toBeUndefined();
  late[3] = 0xdb;
  expect([...(exifThumbnail(late)?.jpeg ?? [])]).toEqual(small);
  const whole = headWith(small, true);
  fc.assert(
    fc.property(fc.nat(whole.length), fc.nat(whole.length - 1), fc.nat(255), (cut, at, value) => {
      const damaged = whole.slice(0, cut);
      if (at < damaged.length) damaged[at] = value;
      const found = exifThumbnail(damaged);
      if (found) expect(found.jpeg.byteLength).toBeLessThanOrEqual(damaged.length);
    }),
    { numRuns: 600 },
  );
});

test("what a picture says of its size is read from its head", () => {
  const png = new Uint8Array(32);
  png.set([0x89, 0x50, 0x4e, 0x47]);
  new DataView(png.buffer).setUint32(16, 20_000);
  new DataView(png.buffer).setUint32(20, 30_000);
  expect(pictureSize(png)).toEqual({ widthPx: 20_000, heightPx: 30_000 });
  const bmp = new Uint8Array(32);
  bmp.set([0x42, 0x4d]);
  new DataView(bmp.buffer).setInt32(18, 7, true);
  new DataView(bmp.buffer).setInt32(22, -9, true);
  expect(pictureSize(bmp)).toEqual({ widthPx: 7, heightPx: 9 });
  expect(pictureSize(png.subarray(0, 20))).toBeUndefined();
  expect(pictureSize(new Uint8Array(32))).toBeUndefined();
});

test("a HEIC's Exif is found behind its boxes, and no damage makes it throw", () => {
  const whole = new Uint8Array(readFileSync("demo/sample/kept/PX_0127.heic"));
  const tiff = heifExif(whole)!;
  expect(String.fromCharCode(...tiff.subarray(0, 2))).toBe("II");
  expect(new TextDecoder("latin1").decode(tiff)).toContain("2026:01:10 11:30:00");
  const head = whole.slice(0, 700);
  fc.assert(
    fc.property(fc.nat(head.length - 1), fc.nat(255), fc.nat(head.length), (at, value, cut) => {
      const damaged = head.slice();
      damaged[at] = value;
      const found = heifExif(damaged.subarray(0, cut));
      if (found) expect(found.length).toBeLessThanOrEqual(cut);
    }),
    { numRuns: 600 },
  );
});

const node = (more: Partial<SvgNode> = {}): SvgNode => ({
  id: undefined,
  uses: undefined,
  numbers: 0,
  children: [],
  ...more,
});

test("a drawing weighs what it comes to once every use is what it repeats", () => {
  const leaf = node({ id: "leaf", numbers: 8 });
  const twice = node({ children: [leaf, node({ uses: "leaf" }), node({ uses: "nobody" })] });
  expect(svgWeight(twice)).toEqual({ elements: 5, segments: 8 });
  // Ten levels of ten: eleven elements that stand for ten thousand million.
  let bomb = node({ id: "l0" });
  const levels = [bomb];
  for (let i = 1; i <= 10; i += 1) {
    bomb = node({ id: `l${i}`, children: Array.from({ length: 10 }, () => node({ uses: `l${i - 1}` })) });
    levels.push(bomb);
  }
  expect(svgWeight(node({ children: levels })).elements).toBeGreaterThan(1e10);
  expect(svgWeight(node({ children: [node({ id: "a", uses: "b" }), node({ id: "b", uses: "a" })] })).elements).toBe(
    Number.POSITIVE_INFINITY,
  );
  let deep = node();
  for (let i = 0; i < 100_000; i += 1) deep = node({ children: [deep] });
  expect(svgWeight(deep).elements).toBe(100_001);
});

/** A TIFF file of directories that say so much and hold nothing. */
function tiff(
  directories: readonly { readonly next: number; readonly tags: readonly (readonly [number, number])[] }[],
) {
  const bytes = new Uint8Array(400);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, 0x49492a00);
  view.setUint32(4, 8, true);
  let at = 8;
  for (const { next, tags } of directories) {
    view.setUint16(at, tags.length, true);
    for (const [i, [tag, value]] of tags.entries()) {
      view.setUint16(at + 2 + 12 * i, tag, true);
      view.setUint16(at + 4 + 12 * i, 4, true);
      view.setUint32(at + 6 + 12 * i, 1, true);
      view.setUint32(at + 10 + 12 * i, value, true);
    }
    view.setUint32(at + 2 + 12 * tags.length, next, true);
    at += 6 + 12 * tags.length;
  }
  return bytes;
}

test("what a TIFF file says of itself is counted before anything is decoded", async () => {
  const size = (w: number, h: number) => [[256, w] as const, [257, h] as const];
  expect(tiffTrouble(tiff([{ next: 8, tags: size(3, 2) }]))).toBe("looping");
  expect(tiffTrouble(tiff([{ next: 0, tags: size(20_000, 20_000) }]))).toBe("tooManyPixels");
  expect(tiffTrouble(tiff([{ next: 0, tags: size(10_000, 10_000) }]))).toBe("claimsMore");
  expect(tiffTrouble(tiff([{ next: 398, tags: size(3, 2) }]))).toBe("notATiff");
  expect(tiffTrouble(tiff([{ next: 0, tags: size(30, 20) }]))).toBeUndefined();
  const real = await sharp({ create: { width: 3000, height: 2000, channels: 3, background: "#fff" } })
    .tiff({ compression: "deflate" })
    .toBuffer();
  expect(tiffTrouble(Uint8Array.from(real))).toBeUndefined();
});

test("a strip packed by LZW is followed before it is unpacked: sound ones pass, damaged ones come to an end", async () => {
  const noise = Buffer.from(
    Array.from({ length: 3 * 300 * 200 }, (_, i) => (i * i * 7 + (i >> 5)) & (i % 900 < 500 ? 255 : 0)),
  );
  const real = await sharp(noise, { raw: { width: 300, height: 200, channels: 3 } })
    .tiff({ compression: "lzw" })
    .toBuffer();
  expect(tiffTrouble(Uint8Array.from(real))).toBeUndefined();
  let refusedOnes = 0;
  for (let seed = 0; seed < 60; seed += 1) {
    const damaged = Uint8Array.from(real);
    for (let k = 0; k < 20; k += 1) damaged[20 + ((seed * 7919 + k * 104_729) % 60_000)] = (seed * 31 + k * 17) & 255;
    const trouble = tiffTrouble(damaged);
    if (trouble) refusedOnes += 1;
    // What passes has codes that lead somewhere: another reader's decoder comes to its end too.
    else UTIF.decodeImage(damaged.buffer, UTIF.decode(damaged.buffer)[0]!);
  }
  expect(refusedOnes).toBeGreaterThan(20);
});

test.each(["webp", "avif"] as const)("a %s file says its size in front", async (kind) => {
  const made = sharp({ create: { width: 301, height: 207, channels: 3, background: "#375" } });
  const bytes = await (kind === "webp" ? made.webp() : made.avif({ effort: 0 })).toBuffer();
  expect(pictureSize(Uint8Array.from(bytes))).toEqual({ widthPx: 301, heightPx: 207 });
  if (kind !== "webp") return;
  const lossless = await sharp(bytes).webp({ lossless: true }).toBuffer();
  expect(pictureSize(Uint8Array.from(lossless))).toEqual({ widthPx: 301, heightPx: 207 });
  const clear = await sharp({ create: { width: 301, height: 207, channels: 4, background: "#3758" } })
    .webp()
    .toBuffer();
  expect(pictureSize(Uint8Array.from(clear))).toEqual({ widthPx: 301, heightPx: 207 });
});

const photo = (progressive: boolean) =>
  sharp({ create: { width: 64, height: 48, channels: 3, background: "#3a7" } })
    .composite([
      { input: Buffer.from("<svg width='64' height='48'><circle cx='30' cy='20' r='12' fill='red'/></svg>") },
    ])
    .withExif({ IFD0: { Make: "Camera of mine" }, IFD3: { GPSLatitudeRef: "N", GPSLatitude: "52/1 11/1 30/1" } })
    .jpeg({ progressive })
    .toBuffer();

test.each([false, true])("of a JPEG nothing is left but its picture, progressive: %s", async (progressive) => {
  const whole = await photo(progressive);
  const jfif = Buffer.from([0xff, 0xe0, 0, 19, 0x4a, 0x46, 0x49, 0x46, 0, 1, 2, 0, 0, 1, 0, 1, 1, 1, 9, 9, 9]);
  const film = Buffer.concat([Buffer.from("ftypmp42 film with sound"), await photo(false)]);
  const bytes = Buffer.concat([whole.subarray(0, 2), jfif, whole.subarray(2), film]);
  const bare = Buffer.concat(bareJpeg(Uint8Array.from(bytes)));
  for (const word of ["film", "Camera", "Exif"]) expect(bare.includes(word)).toBe(false);
  expect(bare.subarray(2, 20)).toEqual(Buffer.from([...jfif.subarray(0, 3), 16, ...jfif.subarray(4, 16), 0, 0]));
  expect(bare.subarray(-2)).toEqual(Buffer.from([0xff, 0xd9]));
  const [a, b] = await Promise.all([whole, bare].map((f) => sharp(f).raw().toBuffer()));
  expect(b!.equals(a!)).toBe(true);
});

test("places go out of a photo, and everything else stays where it is", async () => {
  const exif = { IFD0: { Make: "Camera of mine" }, IFD3: { GPSLatitudeRef: "N", GPSLatitude: "52/1 11/1 30/1" } };
  const base = sharp({ create: { width: 64, height: 48, channels: 3, background: "#3a7" } }).withExif(exif);
  const xmp = `<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description xmlns:exif="http://ns.adobe.com/exif/1.0/" xmlns:photoshop="http://ns.adobe.com/photoshop/1.0/" exif:GPSLongitude="0,27.5W" photoshop:City="Braunston"/></rdf:RDF></x:xmpmeta>`;
  for (const kind of ["jpeg", "webp", "png"] as const) {
    const before = Uint8Array.from(await base.clone().withXmp(xmp).toFormat(kind).toBuffer());
    const after = withoutPlaces(before);
    expect([kind, after.length]).toEqual([kind, before.length]);
    // Three fractions of latitude, as they stand in the block, in either order of bytes.
    const latitude = Buffer.from([52, 0, 0, 0, 1, 0, 0, 0, 11, 0, 0, 0]);
    const said = async (bytes: Uint8Array) =>
      Buffer.concat([bytes, (await sharp(bytes).metadata()).xmp ?? Buffer.alloc(0)]);
    for (const word of [latitude, "Braunston", "27.5W"])
      expect([kind, word, (await said(before)).includes(word), (await said(after)).includes(word)]).toEqual([
        kind,
        word,
        true,
        false,
      ]);
    expect([kind, Buffer.from(after).includes("Camera of mine")]).toEqual([kind, true]);
    expect((await sharp(after).raw().toBuffer()).equals(await sharp(before).raw().toBuffer())).toBe(true);
    expect(withoutPlaces(after)).toBe(after);
  }
});
