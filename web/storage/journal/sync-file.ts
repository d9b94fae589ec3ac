/** The browser's own file storage as this program uses it, so that tests can hand in a disk that fails. */

/** A file that one worker has open: `FileSystemSyncAccessHandle` of the File System standard. */
export interface SyncFile {
  getSize(): number;
  read(into: Uint8Array<ArrayBuffer>, options: { readonly at: number }): number;
  write(bytes: Uint8Array<ArrayBuffer>, options: { readonly at: number }): number;
  truncate(size: number): void;
  flush(): void;
  close(): void;
}

export interface FileFolder {
  keys(): AsyncIterable<string>;
  /** Makes the file where there is none. */
  open(name: string): Promise<SyncFile>;
  /** Undefined for a name that is not there. */
  sizeOf(name: string): Promise<number | undefined>;
  /** Nothing happens where it is not there. */
  remove(name: string): Promise<void>;
}

/** Fewer bytes than were given found a place. */
export class NoRoom extends Error {
  override readonly name = "NoRoom";
  readonly code = "storageFull";
}

/** Writes a file as a whole, and takes it away again where it does not fit. */
export async function writeWhole(folder: FileFolder, name: string, bytes: Uint8Array<ArrayBuffer>): Promise<void> {
  const file = await folder.open(name);
  let whole = false;
  try {
    file.truncate(0);
    whole = file.write(bytes, { at: 0 }) === bytes.length;
    if (whole) file.flush();
  } catch {
    whole = false;
  } finally {
    file.close();
  }
  if (whole) return;
  await folder.remove(name).catch(() => {});
  throw new NoRoom(name);
}

type SyncHandle = FileSystemFileHandle & { createSyncAccessHandle(): Promise<SyncFile> };

/** A folder of the origin's private file system; missing where the browser has none, or has it not for workers. */
export async function privateFolder(name: string): Promise<FileFolder | undefined> {
  const root = await navigator.storage?.getDirectory?.().catch(() => undefined);
  const folder = await root?.getDirectoryHandle(name, { create: true });
  if (!folder) return undefined;
  return folderOf(folder);
}

const isMissing = (e: unknown) => e instanceof DOMException && e.name === "NotFoundError";

export const folderOf = (folder: FileSystemDirectoryHandle): FileFolder => ({
  keys: () => (folder as FileSystemDirectoryHandle & { keys(): AsyncIterable<string> }).keys(),
  open: async (name) => ((await folder.getFileHandle(name, { create: true })) as SyncHandle).createSyncAccessHandle(),
  sizeOf: async (name) => {
    try {
      return (await (await folder.getFileHandle(name)).getFile()).size;
    } catch (e) {
      if (isMissing(e)) return undefined;
      throw e;
    }
  },
  remove: async (name) => {
    await folder.removeEntry(name).catch((e: unknown) => {
      if (!isMissing(e)) throw e;
    });
  },
});
