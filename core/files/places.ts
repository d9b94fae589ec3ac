import { crc32 } from "./crc32.ts";
import { heifExif } from "./heif.ts";
import { headerSegments } from "./jpeg/segments.ts";
import { viewOf } from "./view-of.ts";

/**
 * Takes out of a picture where it was taken: the GPS directory of its Exif block (CIPA DC-008, 4.6.6) and what its XMP says of
 * a place. Everything else stays, byte for byte and in its place. The same array back where there was nothing; a damaged file
 * comes back as it is.
 */
export function withoutPlaces(bytes: Uint8Array<ArrayBuffer>): Uint8Array<ArrayBuffer> {
  const out = bytes.slice();
  let changed = false;
  try {
    for (const block of tiffBlocks(out)) changed = blankGps(block) || changed;
    changed = blankPackedText(out) || changed;
    changed = blankXmp(out) || changed;
    if (changed) mendPng(out);
  } catch {
    // A directory that leads out of its block: readers of it fail in the same way.
  }
  return changed ? out : bytes;
}

const isPng = (b: Uint8Array) => viewOf(b).getUint32(0) === 0x89504e47;
const text = (b: Uint8Array, at: number, n: number) => String.fromCharCode(...b.subarray(at, at + n));

/** Views of the blocks that are built like a TIFF file. */
function tiffBlocks(bytes: Uint8Array): Uint8Array[] {
  if (bytes.length < 16) return [];
  if (bytes[0] === 0xff && bytes[1] === 0xd8)
    return headerSegments(bytes)
      .filter((s) => s.marker === 0xe1 && text(bytes, s.start + 4, 4) === "Exif")
      .map((s) => bytes.subarray(s.start + 10, s.end));
  if (text(bytes, 0, 2) === "II" || text(bytes, 0, 2) === "MM") return [bytes];
  if (isPng(bytes))
    return pngChunks(bytes)
      .filter((c) => c.name === "eXIf")
      .map((c) => bytes.subarray(c.from, c.to));
  if (text(bytes, 0, 4) === "RIFF")
    return riffChunks(bytes)
      .filter((c) => c.name === "EXIF")
      .map((c) => exifBody(bytes.subarray(c.from, c.to)));
  const heif = heifExif(bytes);
  return heif ? [heif] : [];
}

/** Some writers put the JPEG's mark in front of it. */
const exifBody = (block: Uint8Array) => (text(block, 0, 4) === "Exif" ? block.subarray(6) : block);

interface Chunk {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

function pngChunks(bytes: Uint8Array): Chunk[] {
  const found: Chunk[] = [];
  for (let at = 8; at + 12 <= bytes.length; ) {
    const length = viewOf(bytes).getUint32(at);
    found.push({ name: text(bytes, at + 4, 4), from: at + 8, to: at + 8 + length });
    at += 12 + length;
  }
  return found.filter((c) => c.to + 4 <= bytes.length);
}

function riffChunks(bytes: Uint8Array): Chunk[] {
  const found: Chunk[] = [];
  for (let at = 12; at + 8 <= bytes.length; ) {
    const length = viewOf(bytes).getUint32(at + 4, true);
    found.push({ name: text(bytes, at, 4), from: at + 8, to: Math.min(bytes.length, at + 8 + length) });
    at += 8 + length + (length % 2);
  }
  return found;
}

const gpsPointer = 0x8825;
const sizes = [0, 1, 1, 2, 4, 8, 1, 1, 2, 4, 8, 4, 8];
const mostEntries = 1000;

/** Empties the GPS directory and all that it points to; its pointer then leads to a directory of nothing. */
function blankGps(tiff: Uint8Array): boolean {
  const view = viewOf(tiff);
  const little = tiff[0] === 0x49;
  const u16 = (at: number) => view.getUint16(at, little);
  const u32 = (at: number) => view.getUint32(at, little);
  let changed = false;
  let directory = u32(4);
  for (let seen = 0; directory !== 0 && seen < 8; seen += 1) {
    const count = Math.min(u16(directory), mostEntries);
    for (let i = 0; i < count; i += 1) {
      const entry = directory + 2 + 12 * i;
      if (u16(entry) !== gpsPointer) continue;
      const gps = u32(entry + 8);
      const own = Math.min(u16(gps), mostEntries);
      for (let k = 0; k < own; k += 1) {
        const at = gps + 2 + 12 * k;
        const bytes = (sizes[u16(at + 2)] ?? 1) * u32(at + 4);
        if (bytes > 4) tiff.fill(0, u32(at + 8), Math.min(tiff.length, u32(at + 8) + bytes));
      }
      tiff.fill(0, gps, gps + 2 + 12 * own + 4);
      changed = own > 0 || changed;
    }
    directory = u32(directory + 2 + 12 * count);
  }
  return changed;
}

const xmpStart = "<x:xmpmeta";
const xmpEnd = "</x:xmpmeta>";
const placeWords =
  /(?:GPS[A-Za-z]+|(?:photoshop|Iptc4xmpCore|Iptc4xmpExt):(?:City|State|Country|Location|Sublocation|CountryCode|CountryName|ProvinceState|LocationCreated|LocationShown))(?:\s*=\s*(?:"([^"]*)"|'([^']*)')|>([^<]*)<)/g;

/** Keywords under which PNG files keep what other kinds have blocks for. */
const packedWords = /^(XML:com\.adobe\.xmp|Raw profile type (exif|xmp|APP1))$/i;

/**
 * Packed, it cannot be written over in part: then all of it goes, and what is left is a chunk that no program knows and every one
 * may leave aside (PNG, third edition, 5.4).
 */
function blankPackedText(bytes: Uint8Array): boolean {
  if (!isPng(bytes)) return false;
  let changed = false;
  for (const { name, from, to } of pngChunks(bytes)) {
    if (name !== "iTXt" && name !== "zTXt" && name !== "tEXt") continue;
    const end = bytes.indexOf(0, from);
    const word = end > from && end < to ? text(bytes, from, Math.min(80, end - from)) : "";
    const plain = name === "iTXt" && bytes[end + 1] === 0;
    if (!packedWords.test(word) || plain) continue;
    for (const [i, letter] of [..."zzXt"].entries()) bytes[from - 4 + i] = letter.charCodeAt(0);
    bytes.fill(0, from, to);
    changed = true;
  }
  return changed;
}

/** XMP is text; what it says of a place is written over with spaces, so that nothing moves. */
function blankXmp(bytes: Uint8Array): boolean {
  let changed = false;
  for (let from = find(bytes, xmpStart, 0); from >= 0; from = find(bytes, xmpStart, from + 1)) {
    const end = find(bytes, xmpEnd, from);
    if (end < 0) break;
    let packet = "";
    for (let at = from; at < end; at += 8192) packet += text(bytes, at, Math.min(8192, end - at));
    for (const match of packet.matchAll(placeWords)) {
      const value = match[1] ?? match[2] ?? match[3] ?? "";
      const at = from + match.index + match[0].lastIndexOf(value);
      if (value.trim() === "") continue;
      bytes.fill(0x20, at, at + value.length);
      changed = true;
    }
  }
  return changed;
}

function find(bytes: Uint8Array, word: string, from: number): number {
  const first = word.charCodeAt(0);
  for (let at = bytes.indexOf(first, from); at >= 0; at = bytes.indexOf(first, at + 1))
    if (text(bytes, at, word.length) === word) return at;
  return -1;
}

/** Chunks whose content was changed have another checksum. */
function mendPng(bytes: Uint8Array): void {
  if (!isPng(bytes)) return;
  for (const c of pngChunks(bytes))
    if (["eXIf", "iTXt", "zzXt"].includes(c.name))
      viewOf(bytes).setUint32(c.to, crc32(bytes.subarray(c.from - 4, c.to)));
}
