/**
 * Small display profiles, written here so that print files carry one whatever the browser does. ICC.1:2001-04
 * (version 2.4): header, tag table, tags.
 */

import { toEncoded, toLinear } from "#core/colour";
import { dot, inverse3, type Primaries, type PrintColour, printSpaces, toXyzOf } from "./spaces.ts";

const d50 = [0.9642, 1, 0.8249] as const;
const curvePoints = 1024;

interface Tag {
  readonly signature: string;
  readonly bytes: Uint8Array;
}

const ascii = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));
const s15Fixed16 = (v: number): number => Math.round(v * 65536);

function tagBytes(type: string, size: number, fill: (view: DataView) => void): Uint8Array {
  const bytes = new Uint8Array(size);
  bytes.set(ascii(type));
  fill(new DataView(bytes.buffer));
  return bytes;
}

const xyz = (values: readonly number[]): Uint8Array =>
  tagBytes("XYZ ", 20, (view) => {
    for (const [i, v] of values.entries()) view.setInt32(8 + 4 * i, s15Fixed16(v));
  });

const text = (words: string): Uint8Array =>
  tagBytes("text", 8 + words.length + 1, (view) => new Uint8Array(view.buffer).set(ascii(words), 8));

/** textDescriptionType: the ASCII part, then empty Unicode and Macintosh parts of fixed size. */
const description = (words: string): Uint8Array =>
  tagBytes("desc", 12 + words.length + 1 + 8 + 3 + 67, (view) => {
    view.setUint32(8, words.length + 1);
    new Uint8Array(view.buffer).set(ascii(words), 12);
  });

const srgbCurve = (): Uint8Array =>
  tagBytes("curv", 12 + 2 * curvePoints, (view) => {
    view.setUint32(8, curvePoints);
    for (let i = 0; i < curvePoints; i += 1) {
      view.setUint16(12 + 2 * i, Math.round(toLinear(i / (curvePoints - 1)) * 65535));
    }
  });

const padded = (n: number): number => (n + 3) & ~3;

export const srgbProfile = (): Uint8Array => rgbProfile("srgb");

/** The same bytes at every call. */
export function rgbProfile(of: PrintColour): Uint8Array {
  const { name, ...primaries } = printSpaces[of];
  return matrixProfile(name, primaries, srgbCurve());
}

/** Of colours that are set by their primaries, in XYZ of D50, and by one power of light for all three. */
export const gammaProfile = (name: string, primaries: Primaries, gamma: number): Uint8Array =>
  matrixProfile(name, primaries, gammaCurve(gamma));

function matrixProfile(name: string, { rXYZ, gXYZ, bXYZ }: Primaries, curve: Uint8Array): Uint8Array {
  return profileOf("mntr", "RGB ", [
    { signature: "desc", bytes: description(name) },
    { signature: "cprt", bytes: text("No copyright, use freely") },
    { signature: "wtpt", bytes: xyz(d50) },
    ...Object.entries({ rXYZ, gXYZ, bXYZ }).map(([signature, v]) => ({ signature, bytes: xyz(v) })),
    { signature: "rTRC", bytes: curve },
    { signature: "gTRC", bytes: curve },
    { signature: "bTRC", bytes: curve },
  ]);
}

/** A curve of one power, in 256ths (6.5.3). */
const gammaCurve = (gamma: number): Uint8Array =>
  tagBytes("curv", 14, (view) => {
    view.setUint32(8, 1);
    view.setUint16(12, Math.round(gamma * 256));
  });

/** Greys with the tones of sRGB, or of a power of light. The same bytes at every call. */
export const greyProfile = (gamma?: number): Uint8Array =>
  profileOf("mntr", "GRAY", [
    { signature: "desc", bytes: description(gamma === undefined ? "Grey with the tones of sRGB" : `Grey ${gamma}`) },
    { signature: "cprt", bytes: text("No copyright, use freely") },
    { signature: "wtpt", bytes: xyz(d50) },
    { signature: "kTRC", bytes: gamma === undefined ? srgbCurve() : gammaCurve(gamma) },
  ]);

/**
 * sRGB as the profile of an output device (ICC.1:2001-04, 6.3.3), as ISO 15930-7 asks of an output intent: tables in both directions.
 * Its tables are linear but for the tone curve, so two points a side are exact.
 */
export function outputProfile(): Uint8Array {
  const { name, ...primaries } = printSpaces.srgb;
  const toXyz = toXyzOf(primaries);
  const linear = Array.from({ length: curvePoints }, (_, i) => Math.round(65_535 * toLinear(i / (curvePoints - 1))));
  const coded = Array.from({ length: inversePoints }, (_, i) =>
    Math.round(65_535 * toEncoded(i / (inversePoints - 1))),
  );
  const colours = lut16(
    identity3,
    linear,
    corners((rgb) => toXyz.map((row) => dot(row, rgb) * pcsOne)),
    straight,
  );
  // What comes in as XYZ goes through the matrix first.
  const back = inverse3(toXyz).map((row) => row.map((v) => (v * 65_535) / pcsOne));
  const device = lut16(
    back,
    straight,
    corners((rgb) => rgb.map((v) => v * 65_535)),
    coded,
  );
  const gamut = lut8Inside();
  return profileOf("prtr", "RGB ", [
    { signature: "desc", bytes: description(name) },
    { signature: "cprt", bytes: text("No copyright, use freely") },
    { signature: "wtpt", bytes: xyz(d50) },
    ...["A2B0", "A2B1", "A2B2"].map((signature) => ({ signature, bytes: colours })),
    ...["B2A0", "B2A1", "B2A2"].map((signature) => ({ signature, bytes: device })),
    { signature: "gamt", bytes: gamut },
  ]);
}

const inversePoints = 4096;
/** 1.0 of a connection space of XYZ in 16 bits (6.3.4.2). */
const pcsOne = 32_768;
const straight = [0, 65_535];
const identity3 = [
  [1, 0, 0],
  [0, 1, 0],
  [0, 0, 1],
];

/** A table of two points a side: what each of the eight corners of a cube becomes, the first side varying slowest. */
const corners = (of: (corner: readonly number[]) => readonly number[]): number[] =>
  Array.from({ length: 8 }, (_, i) => of([i >> 2, (i >> 1) & 1, i & 1])).flat();

/** lut16Type (6.5.8): matrix, one curve for all that comes in, a table of two points a side, one curve for all that goes out. */
function lut16(
  matrix: readonly (readonly number[])[],
  into: readonly number[],
  table: readonly number[],
  out: readonly number[],
): Uint8Array {
  const values = [...into, ...into, ...into, ...table, ...out, ...out, ...out];
  return tagBytes("mft2", 52 + 2 * values.length, (view) => {
    for (const [i, v] of [3, 3, 2].entries()) view.setUint8(8 + i, v);
    for (const [i, v] of matrix.flat().entries()) view.setInt32(12 + 4 * i, s15Fixed16(v));
    view.setUint16(48, into.length);
    view.setUint16(50, out.length);
    for (const [i, v] of values.entries()) view.setUint16(52 + 2 * i, Math.min(65_535, Math.max(0, Math.round(v))));
  });
}

/** lut8Type (6.5.9) from three channels to one that is nought everywhere: every colour is inside. */
const lut8Inside = (): Uint8Array =>
  tagBytes("mft1", 48 + 3 * 256 + 8 + 256, (view) => {
    for (const [i, v] of [3, 1, 2].entries()) view.setUint8(8 + i, v);
    for (const [i, v] of identity3.flat().entries()) view.setInt32(12 + 4 * i, s15Fixed16(v));
    for (let i = 0; i < 3 * 256; i += 1) view.setUint8(48 + i, i & 255);
  });

function profileOf(deviceClass: string, space: string, tags: readonly Tag[]): Uint8Array {
  const unique = [...new Set(tags.map((t) => t.bytes))];
  const tableEnd = 128 + 4 + 12 * tags.length;
  const offsets = new Map<Uint8Array, number>();
  let size = tableEnd;
  for (const b of unique) {
    offsets.set(b, size);
    size += padded(b.length);
  }
  const out = new Uint8Array(size);
  const view = new DataView(out.buffer);
  writeHeader(out, view, size, `${deviceClass}${space}XYZ `);
  view.setUint32(128, tags.length);
  for (const [i, tag] of tags.entries()) {
    const at = 132 + 12 * i;
    out.set(ascii(tag.signature), at);
    view.setUint32(at + 4, offsets.get(tag.bytes)!);
    view.setUint32(at + 8, tag.bytes.length);
  }
  for (const b of unique) out.set(b, offsets.get(b)!);
  return out;
}

function writeHeader(out: Uint8Array, view: DataView, size: number, kind: string): void {
  view.setUint32(0, size);
  view.setUint32(8, 0x02400000);
  out.set(ascii(kind), 12);
  // A fixed date: the profile has been the same since it was written, and so have its bytes.
  for (const [i, v] of [2026, 1, 1, 0, 0, 0].entries()) view.setUint16(24 + 2 * i, v);
  out.set(ascii("acsp"), 36);
  for (const [i, v] of d50.entries()) view.setInt32(68 + 4 * i, s15Fixed16(v));
}
