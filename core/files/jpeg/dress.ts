import { BrokenJpeg, headerSegments, marker, type Segment } from "./segments.ts";

const iccHeader = "ICC_PROFILE\0";
const jfifHeader = "JFIF\0";

const startsWith = (bytes: Uint8Array, at: number, text: string): boolean =>
  [...text].every((c, i) => bytes[at + i] === c.charCodeAt(0));

const isJfif = (b: Uint8Array, s: Segment) => s.marker === marker.app0 && startsWith(b, s.start + 4, jfifHeader);
const isIcc = (b: Uint8Array, s: Segment) => s.marker === marker.app2 && startsWith(b, s.start + 4, iccHeader);

/**
 * An encoded JPEG with its density (JFIF 1.02, dots per inch) and its colour profile (ICC.1 annex B.4, one APP2 part)
 * set, in place of whatever the encoder wrote. Picture data is carried over untouched.
 */
export function dressJpeg(
  bytes: Uint8Array,
  dress: { readonly ppi: number; readonly profile: Uint8Array },
): Uint8Array {
  const { profile } = dress;
  const most = 0xffff - 2 - iccHeader.length - 2;
  if (profile.length > most) throw new RangeError(`profile has ${profile.length} bytes, one segment holds ${most}`);
  const kept = headerSegments(bytes).filter((s) => !isJfif(bytes, s) && !isIcc(bytes, s));
  const rest = bytes.subarray(kept.at(-1)!.end);
  const iccSize = 2 + 2 + iccHeader.length + 2 + profile.length;
  const keptSize = kept.reduce((n, s) => n + s.end - s.start, 0);
  const out = new Uint8Array(2 + 18 + iccSize + keptSize + rest.length);
  const view = new DataView(out.buffer);
  out.set([0xff, marker.soi, 0xff, marker.app0]);
  view.setUint16(4, 16);
  out.set(ascii(jfifHeader), 6);
  view.setUint16(11, 0x0102);
  out[13] = 1;
  view.setUint16(14, Math.round(dress.ppi));
  view.setUint16(16, Math.round(dress.ppi));
  let at = 20;
  out.set([0xff, marker.app2], at);
  view.setUint16(at + 2, iccSize - 2);
  out.set(ascii(iccHeader), at + 4);
  out.set([1, 1], at + 4 + iccHeader.length);
  out.set(profile, at + 4 + iccHeader.length + 2);
  at += iccSize;
  for (const s of kept) {
    out.set(bytes.subarray(s.start, s.end), at);
    at += s.end - s.start;
  }
  out.set(rest, at);
  return out;
}

const ascii = (text: string): Uint8Array => Uint8Array.from(text, (c) => c.charCodeAt(0));

export interface JpegFacts {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Dots per inch, when JFIF says so. */
  readonly ppi: number | undefined;
  readonly profileBytes: number;
}

/** What a file says of itself, read from its bytes, so that a print file can be checked before it is called done. */
export function readJpegFacts(bytes: Uint8Array): JpegFacts {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const segments = headerSegments(bytes);
  const frame = segments.find((s) => s.marker >= 0xc0 && s.marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(s.marker));
  if (!frame) throw new BrokenJpeg("notAJpeg", 2);
  const jfif = segments.find((s) => isJfif(bytes, s));
  const inches = jfif && bytes[jfif.start + 11] === 1;
  return {
    heightPx: view.getUint16(frame.start + 5),
    widthPx: view.getUint16(frame.start + 7),
    ppi: inches ? view.getUint16(jfif.start + 12) : undefined,
    profileBytes: segments
      .filter((s) => isIcc(bytes, s))
      .reduce((n, s) => n + s.end - s.start - 4 - iccHeader.length - 2, 0),
  };
}
