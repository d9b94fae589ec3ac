import { inTime } from "../storage/in-time.ts";
import { sha256 } from "../storage/sha256.ts";

/** The files of a safe folder, wherever it lies. Paths are short, plain and relative. */
export interface SafeFiles {
  /** Names and sizes in one folder of it; nothing where that folder is not there. */
  list(folder: string): Promise<ReadonlyMap<string, number>>;
  folders(folder: string): Promise<readonly string[]>;
  read(path: string): Promise<Blob | undefined>;
  /** The whole file or the one that was there before; what was written is read again and compared. */
  write(path: string, content: Blob): Promise<void>;
}

export type FolderTrouble =
  | "folderGone"
  | "folderFull"
  | "folderShut"
  | "folderFailed"
  | "folderNewer"
  | "notASafeFolder";

export class FolderError extends Error {
  override readonly name = "FolderError";
  readonly code: FolderTrouble;
  constructor(code: FolderTrouble, cause?: unknown) {
    super(`${code}: ${cause instanceof Error ? cause.message : String(cause ?? "")}`, { cause });
    this.code = code;
  }
}

export function folderErrorFrom(e: unknown): FolderError {
  if (e instanceof FolderError) return e;
  const name = typeof e === "object" && e !== null && "name" in e ? String(e.name) : "";
  if (name === "NotFoundError") return new FolderError("folderGone", e);
  if (name === "QuotaExceededError") return new FolderError("folderFull", e);
  if (name === "NotAllowedError" || name === "SecurityError") return new FolderError("folderShut", e);
  return new FolderError("folderFailed", e);
}

/** Some browsers never answer where they may not write. */
const patienceMs = 60_000;

type Listed = FileSystemDirectoryHandle & {
  entries(): AsyncIterable<readonly [string, FileSystemHandle]>;
  queryPermission?(o: { readonly mode: "readwrite" | "read" }): Promise<PermissionState>;
};

export const mayWrite = async (folder: FileSystemDirectoryHandle): Promise<boolean> =>
  ((await (folder as Listed).queryPermission?.({ mode: "readwrite" })) ?? "granted") === "granted";

const isMissing = (e: unknown) => e instanceof DOMException && e.name === "NotFoundError";

/** A folder on the computer, chosen by the person. */
export function folderFiles(root: FileSystemDirectoryHandle): SafeFiles {
  const folderAt = async (path: readonly string[], create: boolean) => {
    let at = root;
    for (const name of path) at = await at.getDirectoryHandle(name, { create });
    return at as Listed;
  };
  const inFolder = async (folder: string) => {
    // A folder that is gone and one that was never made look alike; the chosen one itself is asked for by its content.
    try {
      return await folderAt(folder === "" ? [] : folder.split("/"), false);
    } catch (e) {
      if (isMissing(e)) return undefined;
      throw e;
    }
  };
  return {
    list: async (folder) => {
      const found = new Map<string, number>();
      const at = await inFolder(folder);
      if (at)
        for await (const [name, handle] of at.entries())
          if (handle.kind === "file" && !name.endsWith(".crswap"))
            found.set(name, (await (handle as FileSystemFileHandle).getFile()).size);
      return found;
    },
    folders: async (folder) => {
      const found: string[] = [];
      const at = await inFolder(folder);
      if (at) for await (const [name, handle] of at.entries()) if (handle.kind === "directory") found.push(name);
      return found;
    },
    read: async (path) => {
      const parts = path.split("/");
      const at = await inFolder(parts.slice(0, -1).join("/"));
      return at?.getFileHandle(parts.at(-1)!).then(
        (handle) => handle.getFile(),
        (e: unknown) => {
          if (isMissing(e)) return undefined;
          throw e;
        },
      );
    },
    write: (path, content) =>
      inTime(
        (async () => {
          const parts = path.split("/");
          const at = await folderAt(parts.slice(0, -1), true);
          const handle = await at.getFileHandle(parts.at(-1)!, { create: true });
          const to = await handle.createWritable();
          try {
            await to.write(content);
            await to.close();
          } catch (e) {
            await to.abort().catch(() => {});
            // The name was made before there was room for what it names.
            if ((await handle.getFile()).size === 0) await at.removeEntry(parts.at(-1)!).catch(() => {});
            throw e;
          }
          const [kept, meant] = await Promise.all(
            [await handle.getFile(), content].map(async (b) => sha256(await b.arrayBuffer())),
          );
          if (kept !== meant) throw new FolderError("folderFailed", `${path} reads back as something else`);
        })(),
        patienceMs,
        () => new FolderError("folderShut", "no answer"),
      ),
  };
}
