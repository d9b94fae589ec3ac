import { viewOf } from "../view-of.ts";
import { BrokenJpeg, headerSegments, marker, type Segment } from "./segments.ts";

/** Says how colours were coded; without it some pictures come out in false colours. */
const adobe = 0xee;
const comment = 0xfe;

interface Kept {
  /** Whether its colour profile stays, where nothing else tells what its numbers mean. */
  readonly profile?: boolean;
}

/**
 * The picture of a JPEG without what was written beside it: where and with what it was taken, small previews, comments,
 * its profile, and whatever follows its end: a phone's film of the moment, a second picture. Picture data is the same, byte
 * for byte. In parts, so that it need not be copied. Throws a BrokenJpeg.
 */
export function bareJpeg(bytes: Uint8Array<ArrayBuffer>, { profile = false }: Kept = {}): Uint8Array<ArrayBuffer>[] {
  const parts = [bytes.subarray(0, 2)];
  const keep = (s: Segment) => {
    if (s.marker === marker.app0) parts.push(...bareJfif(bytes.subarray(s.start, s.end)));
    else if (!isBeside(s.marker) || (profile && isProfile(bytes, s))) parts.push(bytes.subarray(s.start, s.end));
  };
  const header = headerSegments(bytes);
  header.forEach(keep);
  for (let at = header.at(-1)!.end; ; ) {
    const scanEnd = nextMarker(bytes, at);
    parts.push(bytes.subarray(at, scanEnd));
    if (bytes[scanEnd + 1] === marker.eoi) return [...parts, bytes.subarray(scanEnd, scanEnd + 2)];
    // Of a progressive picture: tables, the next scan, or something written beside it.
    if (scanEnd + 4 > bytes.length) throw new BrokenJpeg("cutOff", scanEnd);
    const end = scanEnd + 2 + viewOf(bytes).getUint16(scanEnd + 2);
    if (end > bytes.length) throw new BrokenJpeg("cutOff", scanEnd);
    keep({ marker: bytes[scanEnd + 1]!, start: scanEnd, end });
    at = end;
  }
}

const isBeside = (m: number) => (m > marker.app0 && m <= 0xef && m !== adobe) || m === comment;

const isProfile = (bytes: Uint8Array, s: Segment): boolean =>
  s.marker === marker.app2 && String.fromCharCode(...bytes.subarray(s.start + 4, s.start + 15)) === "ICC_PROFILE";

/** Where the coded data ends that begins at `at`: a marker that is no restart and no stuffed byte (ITU-T T.81, B.1.1). */
function nextMarker(bytes: Uint8Array, at: number): number {
  for (let i = bytes.indexOf(0xff, at); i >= 0 && i + 1 < bytes.length; i = bytes.indexOf(0xff, i + 1)) {
    const next = bytes[i + 1]!;
    if (next !== 0 && next !== 0xff && !(next >= 0xd0 && next <= 0xd7)) return i;
  }
  throw new BrokenJpeg("cutOff", bytes.length);
}

/** JFIF 1.02: a head may bring a small picture along, in itself or in an extension behind it. */
function bareJfif(segment: Uint8Array<ArrayBuffer>): Uint8Array<ArrayBuffer>[] {
  const isHead = segment[4] === 0x4a && segment[5] === 0x46 && segment[6] === 0x49 && segment[7] === 0x46;
  if (!isHead || segment.length < 18) return [];
  const head = segment.slice(0, 18);
  viewOf(head).setUint16(2, 16);
  head[16] = 0;
  head[17] = 0;
  return [head];
}
