import { BrokenZip, crc32, listZip, storedZip, type ZipEntry } from "#core/files";
import { keyLine } from "../storage/journal/record.ts";
import type { Keeper } from "../storage/keeper.ts";
import { originalOf } from "../storage/originals.ts";
import { bytesOf, contentOf } from "../storage/zip-entry.ts";
import { FolderError, type SafeFiles } from "./safe-files.ts";
import { SafeSync } from "./safe-sync.ts";
import type { FolderWords } from "./sync-given.ts";

/** A safe folder as one file: for browsers that may not write into folders, and to carry everything elsewhere. */

export interface SavedAll {
  readonly file: Blob;
  /** Names of photos whose originals are not in this browser. */
  readonly missing: readonly string[];
  readonly works: number;
  /** Photos whose originals are in this file. */
  readonly photos: number;
}

const aboutKey = "saved-all";

/** What an archive has so far: files that are only named, and read when they are put together. */
class ArchiveDraft implements SafeFiles {
  readonly contents = new Map<string, Blob>();
  readonly #before: ReadonlySet<string>;

  constructor(before: ReadonlySet<string>) {
    this.#before = before;
  }

  /** Nothing is there for a round that looks: what an archive was begun for is to be in it. */
  async list(): Promise<ReadonlyMap<string, number>> {
    return new Map();
  }
  async folders(): Promise<readonly string[]> {
    return [];
  }
  async read(): Promise<Blob | undefined> {
    return undefined;
  }
  async write(path: string, content: Blob): Promise<void> {
    // An original never changes: one that is in an archive of before need not be in this one.
    if (!this.#before.has(path)) this.contents.set(path, content);
  }
}

export async function saveAll(
  keeper: Keeper,
  onlyNew: boolean,
  now: () => string,
  words: FolderWords,
): Promise<SavedAll> {
  const line = keeper.lines().get(keyLine("about", aboutKey));
  const before = new Set<string>(onlyNew && line ? (JSON.parse(line) as { paths: string[] }).paths : []);
  const draft = new ArchiveDraft(before);
  const writer = "archive000";
  const sync = new SafeSync({
    // What is known of a safe folder does not count here: an archive stands alone.
    lines: () => new Map([...keeper.lines()].filter(([l]) => !l.startsWith('["about",'))),
    commit: async () => {},
    original: originalOf,
    keepOriginal: async () => false,
    openWorks: async () => new Set(),
    newWriter: () => writer,
    newId: () => writer,
    now,
    label: writer,
    words,
  });
  const { missing } = await sync.run(draft);
  const fresh = [...draft.contents.keys()].filter((p) => p.startsWith("originals/"));
  const file = await zipped(draft.contents);
  await keeper.commit([
    { store: "about", key: aboutKey, value: { at: now(), paths: [...new Set([...before, ...fresh])] } },
  ]);
  const works = [...keeper.lines().keys()].filter((l) => l.startsWith('["projects",')).length;
  return { file, missing, works, photos: fresh.filter((p) => !p.endsWith(".ttf")).length };
}

/** When everything was last saved as a file, and how many photos came since. */
export interface LastArchive {
  readonly at: string | undefined;
  readonly newPhotos: number;
}

export function lastArchive(lines: ReadonlyMap<string, string>): LastArchive {
  const line = lines.get(keyLine("about", aboutKey));
  const { at, paths } = line ? (JSON.parse(line) as { at: string; paths: string[] }) : { at: undefined, paths: [] };
  const there = new Set(paths.map((p) => p.slice("originals/".length, "originals/".length + 64)));
  let newPhotos = 0;
  for (const [key, value] of lines)
    if (key.startsWith('["photos",') && !there.has((JSON.parse(value) as { hash: string }).hash)) newPhotos += 1;
  return { at, newPhotos };
}

async function zipped(contents: ReadonlyMap<string, Blob>): Promise<Blob> {
  const entries: { path: string; bytes: number; crc: number }[] = [];
  for (const [path, content] of contents) {
    let crc = 0;
    for (const reader = content.stream().getReader(); ; ) {
      const { done, value } = await reader.read();
      if (done) break;
      crc = crc32(value, crc);
    }
    entries.push({ path, bytes: content.size, crc });
  }
  const { headers, directory } = storedZip(entries);
  const parts = [...contents.values()].flatMap((content, i) => [headers[i]!, content]);
  return new Blob([...parts, directory], { type: "application/zip" });
}

/** An archive that was saved so, to be read like a folder. A FolderError where it is none. */
export async function archiveFiles(archive: Blob): Promise<SafeFiles> {
  let entries: readonly ZipEntry[];
  try {
    entries = await listZip((from, to) => bytesOf(archive, from, to), archive.size);
  } catch (e) {
    if (e instanceof BrokenZip) throw new FolderError("notASafeFolder", e);
    throw e;
  }
  const byPath = new Map(entries.map((e) => [e.path, e]));
  return {
    list: async (folder) =>
      new Map(
        entries
          .filter((e) => e.path.slice(0, e.path.lastIndexOf("/")) === folder)
          .map((e) => [e.path.slice(folder.length + 1), e.bytes]),
      ),
    folders: async () => [],
    read: async (path) => {
      const entry = byPath.get(path);
      return entry && contentOf(archive, entry);
    },
    write: async () => {
      throw new FolderError("folderShut");
    },
  };
}
