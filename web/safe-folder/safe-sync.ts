import { headSchema, markerName, markerSchema, type SafeHead, safeFolderVersion } from "#core/safe-folder";
import { keyLine } from "../storage/journal/record.ts";
import { OwnStates } from "./own-states.ts";
import { Round } from "./round.ts";
import { FolderError, folderErrorFrom, type SafeFiles } from "./safe-files.ts";
import {
  aboutKey,
  canonical,
  type Known,
  knownSchema,
  parsedJson,
  type SafeSyncGiven,
  type SyncReport,
} from "./sync-given.ts";

const headPattern = /^[a-z0-9]{6,32}\.json$/;

/** Brings this browser and a safe folder in step, round by round. */
export class SafeSync {
  readonly #deps: SafeSyncGiven;
  readonly #states: OwnStates;
  /** Files that were seen whole in the folder, or were written there, by this round or one before it. */
  readonly #sure = new Set<string>();

  constructor(given: SafeSyncGiven) {
    this.#deps = given;
    this.#states = new OwnStates(given.words.aboutWork);
  }

  /** Rejects with a FolderError; whatever was done until then is whole, and the next round goes on. */
  async run(files: SafeFiles, onProgress: (share: number) => void = () => {}): Promise<SyncReport> {
    try {
      return await this.#run(files, onProgress);
    } catch (e) {
      throw folderErrorFrom(e);
    }
  }

  async #run(files: SafeFiles, onProgress: (share: number) => void): Promise<SyncReport> {
    await this.#enter(files);
    const heads = await readHeads(files);
    let known = this.#known();
    const onDisk = heads.find((h) => h.writer === known.writer);
    // A head of ours that we did not write: this profile was copied, or lost what it knew.
    const ours = (h: SafeHead) =>
      h.revision < known.revision || (h.revision === known.revision && canonical(h.items) === canonical(known.items));
    if (onDisk && !ours(onDisk)) known = { ...known, writer: this.#deps.newWriter(), revision: 0 };
    const round = new Round(this.#deps, files, known, this.#sure);
    await round.learnFolders();
    const own = await round.compose(this.#states);
    await round.note(own);
    for (const head of heads) if (head.writer !== known.writer) await round.meet(head, own);
    const after = round.changed ? await round.compose(this.#states) : own;
    round.markBrought(after);
    await round.writeAll(after, onDisk?.revision === known.revision && known.revision > 0, onProgress);
    return round.report();
  }

  /** Everything that a folder holds comes in; nothing is written there. */
  async bring(files: SafeFiles, onProgress: (share: number) => void = () => {}): Promise<SyncReport> {
    try {
      if (!(await this.#marker(files))) throw new FolderError("notASafeFolder");
      const round = new Round(this.#deps, files, this.#known(), new Set());
      const own = await round.compose(this.#states);
      await round.note(own);
      for (const head of await readHeads(files)) await round.meet(head, own, onProgress);
      return round.report();
    } catch (e) {
      throw folderErrorFrom(e);
    }
  }

  async #enter(files: SafeFiles): Promise<void> {
    if (await this.#marker(files)) return;
    const marker = {
      format: "tessip-safe-folder",
      version: safeFolderVersion,
      about: this.#deps.words.aboutFolder,
    };
    await files.write(markerName, new Blob([`${JSON.stringify(marker, null, 2)}\n`]));
  }

  async #marker(files: SafeFiles): Promise<boolean> {
    const there = await files.read(markerName);
    if (!there) return false;
    const read = markerSchema.safeParse(parsedJson(await there.text()));
    if (!read.success) throw new FolderError("notASafeFolder");
    if (read.data.version > safeFolderVersion) throw new FolderError("folderNewer");
    return true;
  }

  #known(): Known {
    const line = this.#deps.lines().get(keyLine("about", aboutKey));
    const read = knownSchema.safeParse(line === undefined ? undefined : JSON.parse(line));
    if (read.success) return read.data;
    return { writer: this.#deps.newWriter(), revision: 0, counter: 0, items: {}, marks: {} };
  }
}

/** A head that cannot be read is on its way, or broken: what it named stays, and the next round looks again. */
async function readHeads(files: SafeFiles): Promise<readonly SafeHead[]> {
  const heads: SafeHead[] = [];
  for (const name of (await files.list("heads")).keys()) {
    if (!headPattern.test(name)) continue;
    const file = await files.read(`heads/${name}`);
    const read = file && headSchema.safeParse(parsedJson(await file.text()));
    if (read?.success && `${read.data.writer}.json` === name) heads.push(read.data);
  }
  return heads;
}
