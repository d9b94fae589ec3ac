/**
 * Small display profiles, written here so that print files carry one whatever the browser does. ICC.1:2001-04
 * (version 2.4): header, tag table, tags. Colours from IEC 61966-2-1 and SMPTE EG 432-1, adapted to D50 by Bradford; the
 * tone curve is that of sRGB in both.
 */

export const printColours = ["srgb", "displayP3"] as const;
export type PrintColour = (typeof printColours)[number];

const spaces = {
  srgb: {
    name: "sRGB IEC61966-2.1",
    rXYZ: [0.4360747, 0.2225045, 0.0139322],
    gXYZ: [0.3850649, 0.7168786, 0.0971045],
    bXYZ: [0.1430804, 0.0606169, 0.7141733],
  },
  displayP3: {
    name: "Display P3",
    rXYZ: [0.5151187, 0.2411892, -0.0010505],
    gXYZ: [0.2919778, 0.6922441, 0.0418791],
    bXYZ: [0.1571035, 0.0665667, 0.7840713],
  },
} as const;
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
      const v = i / (curvePoints - 1);
      const linear = v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
      view.setUint16(12 + 2 * i, Math.round(linear * 65535));
    }
  });

const padded = (n: number): number => (n + 3) & ~3;

export const srgbProfile = (): Uint8Array => rgbProfile("srgb");

/** The same bytes at every call. */
export function rgbProfile(of: PrintColour): Uint8Array {
  const { name, ...primaries } = spaces[of];
  const curve = srgbCurve();
  const tags: Tag[] = [
    { signature: "desc", bytes: description(name) },
    { signature: "cprt", bytes: text("No copyright, use freely") },
    { signature: "wtpt", bytes: xyz(d50) },
    ...Object.entries(primaries).map(([signature, v]) => ({ signature, bytes: xyz(v) })),
    { signature: "rTRC", bytes: curve },
    { signature: "gTRC", bytes: curve },
    { signature: "bTRC", bytes: curve },
  ];
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
  writeHeader(out, view, size);
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

function writeHeader(out: Uint8Array, view: DataView, size: number): void {
  view.setUint32(0, size);
  view.setUint32(8, 0x02400000);
  out.set(ascii("mntrRGB XYZ "), 12);
  // A fixed date: the profile has been the same since it was written, and so have its bytes.
  for (const [i, v] of [2026, 1, 1, 0, 0, 0].entries()) view.setUint16(24 + 2 * i, v);
  out.set(ascii("acsp"), 36);
  for (const [i, v] of d50.entries()) view.setInt32(68 + 4 * i, s15Fixed16(v));
}
