import { joined } from "./joined.ts";
import { viewOf } from "./view-of.ts";

/** A file that goes into an archive as it is, without being packed. */
export interface StoredEntry {
  readonly path: string;
  readonly bytes: number;
  readonly crc: number;
}

const most32 = 0xffffffff;
const version = 45;
const utf8Names = 0x800;
/** 1 January 1980, the first moment that the format knows: the same content gives the same bytes. */
const noDate = 0x21;

/**
 * What stands around the contents of a zip whose files are only stored (PKWARE APPNOTE 6.3.10): a header before each, and the
 * directory at the end. So an archive of any size can be put together without holding it. Sizes beyond 4 GB are written as
 * ZIP64.
 */
export function storedZip(entries: readonly StoredEntry[]): {
  readonly headers: readonly Uint8Array<ArrayBuffer>[];
  readonly directory: Uint8Array<ArrayBuffer>;
} {
  const headers: Uint8Array<ArrayBuffer>[] = [];
  const records: Uint8Array<ArrayBuffer>[] = [];
  let at = 0;
  for (const entry of entries) {
    const name = utf8(entry.path);
    const header = localHeader(entry, name);
    records.push(centralRecord(entry, name, at));
    headers.push(header);
    at += header.length + entry.bytes;
  }
  return { headers, directory: joined([...records, ...endRecords(records, at)]) };
}

function localHeader(entry: StoredEntry, name: Uint8Array): Uint8Array<ArrayBuffer> {
  const large = entry.bytes >= most32;
  const extra = large ? 20 : 0;
  const out = new Uint8Array(30 + name.length + extra);
  const view = viewOf(out);
  view.setUint32(0, 0x04034b50, true);
  common(view, 4, entry, large);
  view.setUint16(26, name.length, true);
  view.setUint16(28, extra, true);
  out.set(name, 30);
  if (large) extra64(view, 30 + name.length, [entry.bytes, entry.bytes]);
  return out;
}

/** Version, flags, method, time, checksum and sizes stand in the same order in both headers. */
function common(view: DataView, at: number, entry: StoredEntry, large: boolean): void {
  view.setUint16(at, version, true);
  view.setUint16(at + 2, utf8Names, true);
  view.setUint16(at + 8, noDate, true);
  view.setUint32(at + 10, entry.crc, true);
  const size = large ? most32 : entry.bytes;
  view.setUint32(at + 14, size, true);
  view.setUint32(at + 18, size, true);
}

function extra64(view: DataView, at: number, values: readonly number[]): void {
  view.setUint16(at, 1, true);
  view.setUint16(at + 2, 8 * values.length, true);
  for (const [i, v] of values.entries()) view.setBigUint64(at + 4 + 8 * i, BigInt(v), true);
}

function centralRecord(entry: StoredEntry, name: Uint8Array, offset: number): Uint8Array<ArrayBuffer> {
  const large = entry.bytes >= most32;
  const far = offset >= most32;
  const values = [...(large ? [entry.bytes, entry.bytes] : []), ...(far ? [offset] : [])];
  const extra = values.length > 0 ? 4 + 8 * values.length : 0;
  const out = new Uint8Array(46 + name.length + extra);
  const view = viewOf(out);
  view.setUint32(0, 0x02014b50, true);
  view.setUint16(4, version, true);
  common(view, 6, entry, large);
  view.setUint16(28, name.length, true);
  view.setUint16(30, extra, true);
  view.setUint32(42, far ? most32 : offset, true);
  out.set(name, 46);
  if (extra > 0) extra64(view, 46 + name.length, values);
  return out;
}

function endRecords(records: readonly Uint8Array[], offset: number): Uint8Array<ArrayBuffer>[] {
  const length = records.reduce((sum, r) => sum + r.length, 0);
  const count = records.length;
  const large = offset >= most32 || count >= 0xffff;
  const end = new Uint8Array(22);
  const view = viewOf(end);
  view.setUint32(0, 0x06054b50, true);
  view.setUint16(8, large ? 0xffff : count, true);
  view.setUint16(10, large ? 0xffff : count, true);
  view.setUint32(12, large ? most32 : length, true);
  view.setUint32(16, large ? most32 : offset, true);
  if (!large) return [end];
  const end64 = new Uint8Array(56);
  const wide = viewOf(end64);
  wide.setUint32(0, 0x06064b50, true);
  wide.setBigUint64(4, 44n, true);
  wide.setUint16(12, version, true);
  wide.setUint16(14, version, true);
  for (const [at, v] of [
    [24, count],
    [32, count],
    [40, length],
    [48, offset],
  ] as const)
    wide.setBigUint64(at, BigInt(v), true);
  const locator = new Uint8Array(20);
  const where = viewOf(locator);
  where.setUint32(0, 0x07064b50, true);
  where.setBigUint64(8, BigInt(offset + length), true);
  where.setUint32(16, 1, true);
  return [end64, locator, end];
}

/** Core has no TextEncoder: the browser's own encoding of an address does the same. */
function utf8(text: string): Uint8Array {
  const escaped = encodeURIComponent(text.replace(/[\ud800-\udfff]/gu, "\ufffd"));
  const bytes: number[] = [];
  for (let i = 0; i < escaped.length; i += 1) {
    if (escaped[i] === "%") {
      bytes.push(Number.parseInt(escaped.slice(i + 1, i + 3), 16));
      i += 2;
    } else bytes.push(escaped.charCodeAt(i));
  }
  return Uint8Array.from(bytes);
}
