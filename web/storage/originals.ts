import { folderOf, writeWhole } from "./journal/sync-file.ts";

/**
 * Originals as files of their own in the browser's private file system, each under the hash of its bytes, so that one that lies
 * there never changes. Written in workers through sync handles, which alone may fail without harm on a full disk.
 */

const folderName = "originals";

let known: FileSystemDirectoryHandle | undefined;

async function folder(create: boolean): Promise<FileSystemDirectoryHandle | undefined> {
  if (known) return known;
  const root = await navigator.storage?.getDirectory?.().catch(() => undefined);
  known = await root?.getDirectoryHandle(folderName, { create }).catch(() => undefined);
  return known;
}

/**
 * In a worker. True once the bytes lie there, false where the browser has no files of its own. NoRoom where they do not fit;
 * nothing stays behind then.
 */
export async function keepOriginal(hash: string, original: Blob | Uint8Array<ArrayBuffer>): Promise<boolean> {
  const at = await folder(true);
  if (
    !at ||
    typeof FileSystemFileHandle === "undefined" ||
    !("createSyncAccessHandle" in FileSystemFileHandle.prototype)
  )
    return false;
  const files = folderOf(at);
  const size = original instanceof Blob ? original.size : original.length;
  await oneAfterTheOther(hash, async () => {
    if ((await files.sizeOf(hash)) === size) return;
    const bytes = original instanceof Blob ? new Uint8Array(await original.arrayBuffer()) : original;
    await writeWhole(files, hash, bytes);
  });
  return true;
}

/** Of two workers that read the same photo at once the second waits, and finds it there: a file that is being written opens for nobody else. */
async function oneAfterTheOther(hash: string, write: () => Promise<void>): Promise<void> {
  if (navigator.locks) await navigator.locks.request(`tessip-original-${hash}`, write);
  else await write();
}

/** Taken anew for each use: a file that was handed out before can be out of date. */
export async function originalOf(hash: string, type: string): Promise<Blob | undefined> {
  const file = await (await folder(false))?.getFileHandle(hash).then(
    (handle) => handle.getFile(),
    () => undefined,
  );
  return file && file.size > 0 ? file.slice(0, file.size, type) : undefined;
}

/** Hashes of all that lie there. */
export async function originalHashes(): Promise<ReadonlySet<string>> {
  const at = await folder(false);
  const found = new Set<string>();
  if (at) for await (const name of folderOf(at).keys()) found.add(name);
  return found;
}

export async function forgetOriginals(hashes: Iterable<string>): Promise<void> {
  const at = await folder(false);
  for (const hash of hashes) await at?.removeEntry(hash).catch(() => {});
}

const dayMs = 86_400_000;

/** Takes away files that no photo has had for a day: a bringing-in that was stopped, an original that was replaced. */
export async function sweepOriginals(wanted: ReadonlySet<string>, nowMs: number): Promise<void> {
  const at = await folder(false);
  if (!at) return;
  for (const name of await originalHashes()) {
    if (wanted.has(name)) continue;
    const file = await at.getFileHandle(name).then(
      (handle) => handle.getFile(),
      () => undefined,
    );
    if (file && nowMs - file.lastModified > dayMs) await at.removeEntry(name).catch(() => {});
  }
}
