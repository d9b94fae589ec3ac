import { BrokenJpeg, headerSegments, marker, type Segment } from "./segments.ts";

const iccHeader = "ICC_PROFILE\0";
const jfifHeader = "JFIF\0";

const startsWith = (bytes: Uint8Array, at: number, text: string): boolean =>
  [...text].every((c, i) => bytes[at + i] === c.charCodeAt(0));

const isJfif = (b: Uint8Array, s: Segment) => s.marker === marker.app0 && startsWith(b, s.start + 4, jfifHeader);
const isIcc = (b: Uint8Array, s: Segment) => s.marker === marker.app2 && startsWith(b, s.start + 4, iccHeader);

export interface JpegFacts {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Dots per inch, when JFIF says so. */
  readonly ppi: number | undefined;
  readonly profileBytes: number;
  /** 1 for grey, 3 for colour, 4 for ink. */
  readonly components: number;
  readonly bits: number;
}

/** What a file says of itself, read from its bytes, so that a print file can be checked before it is called done. */
export function readJpegFacts(bytes: Uint8Array): JpegFacts {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const segments = headerSegments(bytes);
  const frame = segments.find((s) => s.marker >= 0xc0 && s.marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(s.marker));
  if (!frame) throw new BrokenJpeg("notAJpeg", 2);
  const jfif = segments.find((s) => isJfif(bytes, s));
  // ITU-T T.871: dots per inch, or per centimetre.
  const perInch = jfif && [undefined, 1, 2.54][bytes[jfif.start + 11] ?? 0];
  return {
    heightPx: view.getUint16(frame.start + 5),
    widthPx: view.getUint16(frame.start + 7),
    components: bytes[frame.start + 9] ?? 0,
    bits: bytes[frame.start + 4] ?? 0,
    ppi: perInch ? view.getUint16(jfif.start + 12) * perInch : undefined,
    profileBytes: segments
      .filter((s) => isIcc(bytes, s))
      .reduce((n, s) => n + s.end - s.start - 4 - iccHeader.length - 2, 0),
  };
}
