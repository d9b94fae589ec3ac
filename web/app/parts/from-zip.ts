import { BrokenZip, listZip, packedStart, type ZipEntry } from "#core/files";
import type { IncomingFile } from "../state/library.ts";

/** No photo is larger; what says it is, or turns out to be, is left out. */
const mostEntryBytes = 1_000_000_000;

export class ZipEntryError extends Error {
  readonly code: "entryTooLarge" | "entryDamaged";
  constructor(code: ZipEntryError["code"], path: string) {
    super(path);
    this.code = code;
  }
}

const bytesOf = async (file: File, from: number, to: number) =>
  new Uint8Array(await file.slice(from, to).arrayBuffer());

/** The files in an archive, each unpacked when its turn comes. A broken archive is one file that cannot be read. */
export async function fromZip(archive: File): Promise<IncomingFile[]> {
  try {
    const entries = await listZip((from, to) => bytesOf(archive, from, to), archive.size);
    return entries.filter(isWorthTrying).map((entry) => ({ name: nameOf(entry), open: () => unpack(archive, entry) }));
  } catch (e) {
    const why = e instanceof BrokenZip ? e : new BrokenZip("notAZip", String(e));
    return [{ name: archive.name, open: () => Promise.reject(why) }];
  }
}

/** Only the last part of its path: where an archive wants its files to lie is none of its business. */
const nameOf = (entry: ZipEntry): string => entry.path.split(/[\\/]/).at(-1) ?? "";
const isWorthTrying = (entry: ZipEntry): boolean => {
  const name = nameOf(entry);
  return (
    name !== "" &&
    !name.startsWith(".") &&
    !entry.path.startsWith("__MACOSX/") &&
    name !== "Thumbs.db" &&
    name !== "desktop.ini"
  );
};

async function unpack(archive: File, entry: ZipEntry): Promise<File> {
  if (entry.bytes > mostEntryBytes) throw new ZipEntryError("entryTooLarge", entry.path);
  const start = packedStart(entry, await bytesOf(archive, entry.offset, entry.offset + 30));
  const packed = archive.slice(start, start + entry.packedBytes);
  const bytes = entry.method === "stored" ? packed : await inflated(packed, entry);
  return new File([bytes], nameOf(entry), { lastModified: new Date(entry.modifiedAt).getTime() });
}

/** Stops as soon as more comes out than the archive said, so that zeros packed small cannot fill the memory. */
async function inflated(packed: Blob, entry: ZipEntry): Promise<Blob> {
  const reader = packed.stream().pipeThrough(new DecompressionStream("deflate-raw")).getReader();
  const parts: Uint8Array<ArrayBuffer>[] = [];
  let length = 0;
  for (;;) {
    const { done, value } = await reader.read().catch(() => {
      throw new ZipEntryError("entryDamaged", entry.path);
    });
    if (done) break;
    length += value.length;
    if (length > entry.bytes) {
      await reader.cancel();
      throw new ZipEntryError("entryDamaged", entry.path);
    }
    parts.push(value);
  }
  if (length < entry.bytes) throw new ZipEntryError("entryDamaged", entry.path);
  return new Blob(parts);
}
