import { viewOf } from "../view-of.ts";

export type TiffTrouble = "notATiff" | "tooManyPixels" | "looping" | "claimsMore";

/** A picture of so many pixels takes four bytes for each once it is decoded. */
const mostPixels = 120_000_000;
const mostDirectories = 64;
const mostEntries = 512;
/** The best packing there is in TIFF files (deflate) takes a thousandth; a fax page may take less, and is small. */
const mostPacking = 2_000;
const alwaysFinePixels = 4_000_000;

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
      let [width, height, held] = [0, 0, 0];
      for (let i = 0; i < entries; i += 1) {
        const entry = at + 2 + 12 * i;
        const tag = view.getUint16(entry, little);
        const type = view.getUint16(entry + 2, little);
        const count = view.getUint32(entry + 4, little);
        if (count > bytes.length) return "claimsMore";
        const one = type === 3 ? view.getUint16(entry + 8, little) : view.getUint32(entry + 8, little);
        if (tag === 256) width = one;
        else if (tag === 257) height = one;
        else if (tag === 279 || tag === 325) held = count === 1 ? one : bytes.length;
      }
      const pixels = width * height;
      if (pixels > mostPixels) return "tooManyPixels";
      if (pixels > alwaysFinePixels && pixels > mostPacking * Math.min(held || bytes.length, bytes.length))
        return "claimsMore";
      at = view.getUint32(at + 2 + 12 * entries, little);
    }
  } catch {
    return "notATiff";
  }
  return seen.size > 0 ? undefined : "notATiff";
}
