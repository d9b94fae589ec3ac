import { viewOf } from "../view-of.ts";
import { lzwLength } from "./lzw.ts";

export type TiffTrouble = "notATiff" | "tooManyPixels" | "looping" | "claimsMore" | "brokenStrip";

/** A picture of so many pixels takes four bytes for each once it is decoded. */
const mostPixels = 120_000_000;
const mostDirectories = 64;
const mostEntries = 512;
/** The best packing there is in TIFF files (deflate) takes a thousandth; a fax page may take less, and is small. */
const mostPacking = 2_000;
const alwaysFinePixels = 4_000_000;
const lzw = 5;
/** Of one pixel: four samples of 32 bits. */
const mostPixelBytes = 16;
const sizeOf = (type: number): number => (type === 3 ? 2 : 4);

/**
 * Whether it is safe to decode a TIFF file (TIFF 6.0): what it says of itself is counted before anything is made of it. A few
 * hundred bytes can claim any number of pixels, and a directory can lead back to itself.
 */
export function tiffTrouble(bytes: Uint8Array): TiffTrouble | undefined {
  if (bytes.length < 14) return "notATiff";
  const view = viewOf(bytes);
  const little = bytes[0] === 0x49;
  if (!little && bytes[0] !== 0x4d) return "notATiff";
  const seen = new Set<number>();
  try {
    for (let at = view.getUint32(4, little); at !== 0; ) {
      if (seen.has(at) || seen.size >= mostDirectories) return "looping";
      seen.add(at);
      const entries = view.getUint16(at, little);
      if (entries > mostEntries) return "claimsMore";
      let [width, height, held, packing] = [0, 0, 0, 1];
      let offsets: List | undefined;
      let counts: List | undefined;
      for (let i = 0; i < entries; i += 1) {
        const entry = at + 2 + 12 * i;
        const tag = view.getUint16(entry, little);
        const type = view.getUint16(entry + 2, little);
        const count = view.getUint32(entry + 4, little);
        if (count > bytes.length) return "claimsMore";
        const one = type === 3 ? view.getUint16(entry + 8, little) : view.getUint32(entry + 8, little);
        if (tag === 256) width = one;
        else if (tag === 257) height = one;
        else if (tag === 259) packing = one;
        else if (tag === 273 || tag === 324) offsets = { type, count, at: entry + 8 };
        else if (tag === 279 || tag === 325) {
          held = count === 1 ? one : bytes.length;
          counts = { type, count, at: entry + 8 };
        }
      }
      const pixels = width * height;
      if (pixels > mostPixels) return "tooManyPixels";
      if (pixels > alwaysFinePixels && pixels > mostPacking * Math.min(held || bytes.length, bytes.length))
        return "claimsMore";
      if (packing === lzw && offsets && counts) {
        const from = listed(view, little, offsets);
        const long = listed(view, little, counts);
        let out = 0;
        for (const [i, start] of from.entries()) {
          const length = lzwLength(bytes.subarray(start, start + (long[i] ?? 0)));
          if (length === undefined) return "brokenStrip";
          out += length;
          if (out > mostPixelBytes * (pixels + mostPixelBytes * width)) return "claimsMore";
        }
      }
      at = view.getUint32(at + 2 + 12 * entries, little);
    }
  } catch {
    return "notATiff";
  }
  return seen.size > 0 ? undefined : "notATiff";
}

interface List {
  readonly type: number;
  readonly count: number;
  /** Where the values stand, or where it says where they do. */
  readonly at: number;
}

function listed(view: DataView, little: boolean, { type, count, at }: List): number[] {
  const size = sizeOf(type);
  const from = count * size <= 4 ? at : view.getUint32(at, little);
  return Array.from({ length: count }, (_, i) =>
    size === 2 ? view.getUint16(from + 2 * i, little) : view.getUint32(from + 4 * i, little),
  );
}
