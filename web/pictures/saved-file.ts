import type { KeepAs } from "../workers/jobs.ts";
/** Where a file is put together piece by piece. */
export interface FileSink {
  write(bytes: Uint8Array<ArrayBuffer>): void;
  /** Goes on with what is stored already: it is not copied, and has to stay as it is until the file was handed over. */
  place(stored: Blob): void;
  /** Puts as many bytes in the place of those that were written first. */
  rewriteHead(bytes: Uint8Array<ArrayBuffer>): void;
  /** The whole file. */
  close(): Promise<Blob>;
  /** Leaves nothing behind. */
  drop(): Promise<void>;
}

/** Of the File System standard, what workers alone have and the page's types leave out. */
interface WritableHandle extends FileSystemFileHandle {
  createSyncAccessHandle(): Promise<{
    truncate(size: number): void;
    write(bytes: Uint8Array, options: { readonly at: number }): number;
    flush(): void;
    close(): void;
  }>;
}

/** In the browser's own file storage where there is one, so that it is there after a crash; else in memory. */
export async function openSink(as: KeepAs | undefined, type: string): Promise<FileSink> {
  if (as && "getDirectory" in navigator.storage) {
    try {
      return await storageSink(as, type);
    } catch (e) {
      if (e instanceof DOMException && e.name === "QuotaExceededError") throw e;
      // Private windows have no such storage.
    }
  }
  const parts: (Uint8Array<ArrayBuffer> | Blob)[] = [];
  return {
    write: (bytes) => void parts.push(bytes),
    place: (stored) => void parts.push(stored),
    rewriteHead: (bytes) => {
      if (parts[0] instanceof Uint8Array) parts[0].set(bytes);
    },
    close: async () => new Blob(parts, { type }),
    drop: async () => void parts.splice(0),
  };
}

async function storageSink({ folder, name }: KeepAs, type: string): Promise<FileSink> {
  const root = await navigator.storage.getDirectory();
  const at = await root.getDirectoryHandle(folder, { create: true });
  const handle = (await at.getFileHandle(name, { create: true })) as WritableHandle;
  const access = await handle.createSyncAccessHandle();
  access.truncate(0);
  let bytesIn = 0;
  const placed: { readonly at: number; readonly stored: Blob }[] = [];
  const put = (bytes: Uint8Array, at: number) => {
    // Fewer bytes than were given means that the disk is full.
    const wrote = access.write(bytes, { at });
    if (wrote < bytes.length) throw new DOMException(`${wrote} of ${bytes.length} bytes`, "QuotaExceededError");
  };
  return {
    write: (bytes) => {
      put(bytes, bytesIn);
      bytesIn += bytes.length;
    },
    place: (stored) => void placed.push({ at: bytesIn, stored }),
    rewriteHead: (bytes) => put(bytes, 0),
    close: async () => {
      access.flush();
      access.close();
      const file = await handle.getFile();
      if (placed.length === 0) return file.slice(0, file.size, type);
      const ends = [...placed.slice(1).map(({ at }) => at), file.size];
      const parts = placed.flatMap(({ at, stored }, i) => [stored, file.slice(at, ends[i])]);
      return new Blob([file.slice(0, placed[0]!.at), ...parts], { type });
    },
    drop: async () => {
      access.close();
      await at.removeEntry(name);
    },
  };
}
