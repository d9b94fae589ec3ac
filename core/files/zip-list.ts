import { viewOf } from "./view-of.ts";

/** One file inside a zip (PKWARE APPNOTE 6.3.10), as its central directory tells it. */
export interface ZipEntry {
  /** Whole path as written in the archive; never to be used as a path. */
  readonly path: string;
  readonly method: "stored" | "deflated";
  readonly packedBytes: number;
  readonly bytes: number;
  /** Of the local header. */
  readonly offset: number;
  /** Local wall time, ISO without a zone. */
  readonly modifiedAt: string;
}

export type ZipTrouble = "notAZip" | "tooManyEntries" | "splitZip";

export class BrokenZip extends Error {
  readonly code: ZipTrouble;
  constructor(code: ZipTrouble, message: string) {
    super(message);
    this.code = code;
  }
}

/** Hands out the bytes `from` up to `to`; the archive itself may be far larger than memory. */
export type ReadRange = (from: number, to: number) => Promise<Uint8Array>;

const mostEntries = 20_000;
const mostDirectoryBytes = 64_000_000;
const endBytes = 22;
const mostCommentBytes = 0xffff;
const sign = {
  end: 0x06054b50,
  end64: 0x06064b50,
  locate64: 0x07064b50,
  central: 0x02014b50,
  local: 0x04034b50,
} as const;

/** Every file in the archive, without folders and without what is encrypted or packed in a way that is not read here. */
export async function listZip(read: ReadRange, sizeBytes: number): Promise<ZipEntry[]> {
  const { count, offset, length } = await findDirectory(read, sizeBytes);
  if (count > mostEntries) throw new BrokenZip("tooManyEntries", `${count} entries`);
  if (offset + length > sizeBytes || length > mostDirectoryBytes)
    throw new BrokenZip("notAZip", "directory out of bounds");
  return directoryEntries(await read(offset, offset + length), count);
}

interface Directory {
  readonly count: number;
  readonly offset: number;
  readonly length: number;
}

async function findDirectory(read: ReadRange, sizeBytes: number): Promise<Directory> {
  const from = Math.max(0, sizeBytes - endBytes - mostCommentBytes);
  const tail = await read(from, sizeBytes);
  const view = viewOf(tail);
  for (let at = tail.length - endBytes; at >= 0; at -= 1) {
    if (view.getUint32(at, true) !== sign.end) continue;
    if (view.getUint16(at + 4, true) !== view.getUint16(at + 6, true))
      throw new BrokenZip("splitZip", "more than one disk");
    const small = {
      count: view.getUint16(at + 10, true),
      length: view.getUint32(at + 12, true),
      offset: view.getUint32(at + 16, true),
    };
    const large = small.count === 0xffff || small.length === 0xffffffff || small.offset === 0xffffffff;
    return large ? await findDirectory64(read, from + at) : small;
  }
  throw new BrokenZip("notAZip", "no end record");
}

async function findDirectory64(read: ReadRange, endAt: number): Promise<Directory> {
  const locator = viewOf(await read(Math.max(0, endAt - 20), endAt));
  if (locator.byteLength < 20 || locator.getUint32(0, true) !== sign.locate64)
    throw new BrokenZip("notAZip", "no zip64 locator");
  const at = Number(locator.getBigUint64(8, true));
  const record = viewOf(await read(at, at + 56));
  if (record.byteLength < 56 || record.getUint32(0, true) !== sign.end64)
    throw new BrokenZip("notAZip", "no zip64 end record");
  return {
    count: Number(record.getBigUint64(32, true)),
    length: Number(record.getBigUint64(40, true)),
    offset: Number(record.getBigUint64(48, true)),
  };
}

function directoryEntries(bytes: Uint8Array, count: number): ZipEntry[] {
  const view = viewOf(bytes);
  const found: ZipEntry[] = [];
  let at = 0;
  for (let i = 0; i < count; i += 1) {
    if (at + 46 > bytes.length || view.getUint32(at, true) !== sign.central)
      throw new BrokenZip("notAZip", `entry ${i}`);
    const flags = view.getUint16(at + 8, true);
    const method = view.getUint16(at + 10, true);
    const [nameLength, extraLength, commentLength] = [28, 30, 32].map((o) => view.getUint16(at + o, true)) as [
      number,
      number,
      number,
    ];
    const end = at + 46 + nameLength + extraLength + commentLength;
    if (end > bytes.length) throw new BrokenZip("notAZip", `entry ${i}`);
    const path = nameOf(bytes.subarray(at + 46, at + 46 + nameLength), (flags & 0x800) !== 0);
    const extra = viewOf(bytes.subarray(at + 46 + nameLength, at + 46 + nameLength + extraLength));
    const sizes = sizes64(extra, {
      bytes: view.getUint32(at + 24, true),
      packedBytes: view.getUint32(at + 20, true),
      offset: view.getUint32(at + 42, true),
    });
    const readable = (method === 0 || method === 8) && (flags & 1) === 0;
    if (readable && !path.endsWith("/"))
      found.push({
        path,
        method: method === 0 ? "stored" : "deflated",
        ...sizes,
        modifiedAt: dosTime(view.getUint16(at + 14, true), view.getUint16(at + 12, true)),
      });
    at = end;
  }
  return found;
}

/** UTF-8 where the archive says so; else bytes as they are, which is right for plain names and never throws. */
function nameOf(bytes: Uint8Array, utf8: boolean): string {
  const latin = Array.from(bytes, (b) => String.fromCharCode(b)).join("");
  if (!utf8) return latin;
  try {
    return decodeURIComponent(
      latin.replace(/[%\u0080-\u00ff]/g, (c) => `%${c.charCodeAt(0).toString(16).padStart(2, "0")}`),
    );
  } catch {
    return latin;
  }
}

/** Sizes that do not fit 32 bits stand in the extra field, in this order, each only where it is needed. */
function sizes64(extra: DataView, sizes: { bytes: number; packedBytes: number; offset: number }) {
  const out = { ...sizes };
  for (let at = 0; at + 4 <= extra.byteLength; at += 4 + extra.getUint16(at + 2, true)) {
    if (extra.getUint16(at, true) !== 1) continue;
    let from = at + 4;
    for (const key of ["bytes", "packedBytes", "offset"] as const)
      if (sizes[key] === 0xffffffff && from + 8 <= extra.byteLength) {
        out[key] = Number(extra.getBigUint64(from, true));
        from += 8;
      }
  }
  return out;
}

/** Where the packed bytes of an entry begin, from its local header (30 bytes are enough). */
export function packedStart(entry: ZipEntry, localHeader: Uint8Array): number {
  const view = viewOf(localHeader);
  if (view.byteLength < 30 || view.getUint32(0, true) !== sign.local) throw new BrokenZip("notAZip", entry.path);
  return entry.offset + 30 + view.getUint16(26, true) + view.getUint16(28, true);
}

function dosTime(date: number, time: number): string {
  const two = (v: number) => String(v).padStart(2, "0");
  const [month, day] = [Math.min(12, Math.max(1, (date >> 5) & 15)), Math.max(1, date & 31)];
  return `${1980 + (date >> 9)}-${two(month)}-${two(day)}T${two(Math.min(23, time >> 11))}:${two(Math.min(59, (time >> 5) & 63))}:${two(Math.min(59, (time & 31) * 2))}`;
}
