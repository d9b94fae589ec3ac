import { joined } from "./joined.ts";
import { viewOf } from "./view-of.ts";

/**
 * The TIFF structure of a WebP's EXIF chunk, for a reader that knows TIFF; undefined when there is none. The container is
 * RIFF (RFC 9649): chunks of a four-letter name, a little-endian size and padding to even.
 */
export function webpExif(bytes: Uint8Array): Uint8Array | undefined {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 12; at + 8 <= bytes.length; ) {
    const size = view.getUint32(at + 4, true);
    const from = at + 8;
    if (view.getUint32(at) === 0x45584946) {
      const chunk = bytes.subarray(from, from + size);
      // Some writers keep JPEG's own heading in front.
      return startsWithExif(chunk) ? chunk.subarray(6) : chunk;
    }
    at = from + size + (size % 2);
  }
  return undefined;
}

const startsWithExif = (b: Uint8Array): boolean => [0x45, 0x78, 0x69, 0x66, 0, 0].every((v, i) => b[i] === v);

interface WebpFacts {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly profile: Uint8Array;
}

const hasProfile = 0x20;
const hasExif = 0x08;
const fourLetters = (name: string): number[] => Array.from(name, (c) => c.charCodeAt(0));

/** A plain WebP as an extended one (RFC 9649, 2.7) that says how dense it is and what its colours mean; other metadata goes. */
export function webpWith(plain: Uint8Array, facts: WebpFacts): Uint8Array<ArrayBuffer> {
  const view = viewOf(plain);
  const picture: Uint8Array[] = [];
  for (let at = 12; at + 8 <= plain.length; ) {
    const end = at + 8 + view.getUint32(at + 4, true);
    const name = String.fromCharCode(...plain.subarray(at, at + 4));
    if (name === "VP8 " || name === "VP8L") picture.push(plain.subarray(at, end + (end % 2)));
    at = end + (end % 2);
  }
  const extended = new Uint8Array(10);
  extended[0] = hasProfile | hasExif;
  const sides = new DataView(extended.buffer);
  // One less than each side, in three bytes.
  for (const [at, px] of [
    [4, facts.widthPx - 1],
    [7, facts.heightPx - 1],
  ] as const) {
    sides.setUint16(at, px & 0xffff, true);
    sides.setUint8(at + 2, px >> 16);
  }
  const body = joined([
    Uint8Array.from(fourLetters("WEBP")),
    chunk("VP8X", extended),
    chunk("ICCP", facts.profile),
    ...picture,
    chunk("EXIF", densityExif(facts.ppi)),
  ]);
  return chunk("RIFF", body);
}

function chunk(name: string, data: Uint8Array): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(8 + data.length + (data.length % 2));
  out.set(fourLetters(name));
  new DataView(out.buffer).setUint32(4, data.length, true);
  out.set(data, 8);
  return out;
}

/** A TIFF structure of nothing but a density (EXIF 2.32, tags 282, 283 and 296). */
function densityExif(ppi: number): Uint8Array {
  const out = new Uint8Array(8 + 2 + 3 * 12 + 4 + 16);
  const view = new DataView(out.buffer);
  out.set([0x49, 0x49, 42, 0, 8, 0, 0, 0, 3, 0]);
  const numbers = 8 + 2 + 3 * 12 + 4;
  for (const [i, [tag, type, value]] of [
    [282, 5, numbers],
    [283, 5, numbers + 8],
    [296, 3, 2],
  ].entries() as IterableIterator<[number, readonly [number, number, number]]>) {
    const at = 10 + 12 * i;
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, 1, true);
    view.setUint32(at + 8, value, true);
  }
  for (const at of [numbers, numbers + 8]) {
    view.setUint32(at, Math.round(ppi * 100), true);
    view.setUint32(at + 4, 100, true);
  }
  return out;
}
