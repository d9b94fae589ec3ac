import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { attributeLooksOutside, exifThumbnail, heifExif, pictureSize, styleLooksOutside } from "./index.ts";

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
