import { packedStart, type ZipEntry } from "#core/files";

/** No photo is larger; what says it is, or turns out to be, is left out. */
const mostEntryBytes = 1_000_000_000;

export class ZipEntryError extends Error {
  readonly code: "entryTooLarge" | "entryDamaged";
  constructor(code: ZipEntryError["code"], path: string) {
    super(path);
    this.code = code;
  }
}

export const bytesOf = async (file: Blob, from: number, to: number): Promise<Uint8Array> =>
  new Uint8Array(await file.slice(from, to).arrayBuffer());

/** What an entry holds: a part of the archive where it is only stored, so that its size does not matter. */
export async function contentOf(archive: Blob, entry: ZipEntry): Promise<Blob> {
  if (entry.bytes > mostEntryBytes) throw new ZipEntryError("entryTooLarge", entry.path);
  const start = packedStart(entry, await bytesOf(archive, entry.offset, entry.offset + 30));
  const packed = archive.slice(start, start + entry.packedBytes);
  if (packed.size < entry.packedBytes) throw new ZipEntryError("entryDamaged", entry.path);
  return entry.method === "stored" ? packed : await inflated(packed, entry);
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
