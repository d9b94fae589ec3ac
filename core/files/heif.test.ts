import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { heifExif } from "./index.ts";

/** Bytes of a number, the most significant first. */
const be = (value: number, size: number): number[] =>
  Array.from({ length: size }, (_, i) => Math.floor(value / 256 ** (size - 1 - i)) % 256);
const ascii = (s: string): number[] => [...s].map((c) => c.charCodeAt(0));

type Size = "plain" | "long" | "rest";
/** A box; `long` says its size in eight bytes, `rest` that it goes on to the end. */
function boxOf(name: string, body: readonly number[], size: Size = "plain"): number[] {
  if (size === "long") return [...be(1, 4), ...ascii(name), ...be(body.length + 16, 8), ...body];
  return [...be(size === "rest" ? 0 : body.length + 8, 4), ...ascii(name), ...body];
}

interface Form {
  readonly infos: 0 | 1;
  readonly info: 2 | 3;
  readonly places: 0 | 1 | 2;
  readonly offset: 4 | 8;
  readonly length: 2 | 4 | 8;
  readonly base: 0 | 4;
  readonly index: 0 | 4;
  readonly box: Size;
  readonly before: number;
}

/** A file with some items, the last of which is its Exif, written as the standard allows. */
function written(form: Form, tiff: readonly number[], { method = 0, extents = 1 } = {}): Uint8Array {
  const ids = Array.from({ length: form.before + 1 }, (_, i) => i + 3);
  const exifId = ids.at(-1)!;
  const infoOf = (id: number) =>
    boxOf("infe", [
      form.info,
      ...be(0, 3),
      ...be(id, form.info > 2 ? 4 : 2),
      ...be(0, 2),
      ...ascii(id === exifId ? "Exif" : "hvc1"),
      0,
    ]);
  const iinf = boxOf("iinf", [form.infos, ...be(0, 3), ...be(ids.length, form.infos ? 4 : 2), ...ids.flatMap(infoOf)]);
  const item = [...be(2, 4), 0xaa, 0xbb, ...tiff];
  const baseMm = form.base > 0 ? 5 : 0;
  const placeOf = (id: number, at: number) => [
    ...be(id, form.places < 2 ? 2 : 4),
    ...(form.places > 0 ? be(id === exifId ? method : 0, 2) : []),
    ...be(0, 2),
    ...be(baseMm, form.base),
    ...be(id === exifId ? extents : 1, 2),
    ...Array.from({ length: id === exifId ? extents : 1 }, () => [
      ...(form.places > 0 ? be(0, form.index) : []),
      ...be((id === exifId ? at : 999) - baseMm, form.offset),
      ...be(id === exifId ? item.length : 7, form.length),
    ]).flat(),
  ];
  const iloc = (at: number) =>
    boxOf("iloc", [
      form.places,
      ...be(0, 3),
      form.offset * 16 + form.length,
      form.base * 16 + (form.places > 0 ? form.index : 0),
      ...be(ids.length, form.places < 2 ? 2 : 4),
      ...ids.flatMap((id) => placeOf(id, at)),
    ]);
  const head = (at: number) => [
    ...boxOf("ftyp", ascii("heic")),
    ...boxOf(
      "meta",
      [...be(0, 4), ...boxOf("hdlr", be(0, 8)), ...iinf, ...iloc(at)],
      form.box === "long" ? "long" : "plain",
    ),
    ...be(form.box === "rest" ? 0 : item.length + 8, 4),
    ...ascii("mdat"),
  ];
  return Uint8Array.from([...head(head(100).length), ...item]);
}

const form: fc.Arbitrary<Form> = fc.record({
  infos: fc.constantFrom(0, 1),
  info: fc.constantFrom(2, 3),
  places: fc.constantFrom(0, 1, 2),
  offset: fc.constantFrom(4, 8),
  length: fc.constantFrom(2, 4, 8),
  base: fc.constantFrom(0, 4),
  index: fc.constantFrom(0, 4),
  box: fc.constantFrom("plain", "long", "rest"),
  before: fc.nat(3),
});
const tiff = [0x49, 0x49, 0x2a, 0, 8, 0, 0, 0, 1, 2, 3, 4];

test("Exif is found however a HEIF file writes its items and their places", () => {
  fc.assert(
    fc.property(form, (f) => {
      expect([...(heifExif(written(f, tiff)) ?? [])]).toEqual(tiff);
      // In pieces, or kept elsewhere than in the file, it is no camera's.
      expect(heifExif(written(f, tiff, { extents: 2 }))).toBeUndefined();
      if (f.places > 0) expect(heifExif(written(f, tiff, { method: 1 }))).toBeUndefined();
      const whole = written(f, tiff);
      expect(heifExif(whole.subarray(0, whole.length - 1))).toBeUndefined();
    }),
    { numRuns: 300 },
  );
});
