import type { Keeper } from "../storage/keeper.ts";
import { keepOriginal, originalOf } from "../storage/originals.ts";
import { type FolderTrouble, folderErrorFrom, folderFiles, mayWrite, type SafeFiles } from "./safe-files.ts";
import { SafeSync } from "./safe-sync.ts";
import type { FolderWords, SyncReport } from "./sync-given.ts";

/** What a person sees of the safe folder. */
export interface SafeFolderState {
  /** The chosen folder's own name; undefined where none is chosen. */
  readonly name: string | undefined;
  readonly is: "none" | "waiting" | "working" | "kept" | "trouble";
  /** 0 to 1, while it works. */
  readonly share: number;
  /** When everything was last in step and read back. */
  readonly keptAt: string | undefined;
  readonly trouble: FolderTrouble | undefined;
  /** Of the last round. */
  readonly report: SyncReport | undefined;
}

export const noSafeFolder: SafeFolderState = {
  name: undefined,
  is: "none",
  share: 0,
  keptAt: undefined,
  trouble: undefined,
  report: undefined,
};

/** Pages listen here. */
export const safeFolderChannel = "tessip-safe-folder";

interface SafeFolderGiven {
  readonly keeper: Keeper;
  readonly newId: () => string;
  readonly now: () => string;
  readonly label: string;
  readonly words: FolderWords;
  readonly announce: (state: SafeFolderState) => void;
}

const soonMs = 4_000;
/** Other computers write too, and a browser is told nothing of it. */
const lookAgainMs = 60_000;
const handleKey = "safeFolder";

/** Keeps the chosen folder in step with everything that is kept here, some seconds after each change. */
export class SafeFolder {
  readonly #deps: SafeFolderGiven;
  readonly #sync: SafeSync;
  #handle: FileSystemDirectoryHandle | undefined;
  #state = noSafeFolder;
  #soon: ReturnType<typeof setTimeout> | undefined;
  #running: Promise<void> | undefined;
  #again = false;
  #ended = false;

  constructor(given: SafeFolderGiven) {
    this.#deps = given;
    const { keeper, newId, now, label, words } = given;
    this.#sync = new SafeSync({
      lines: () => keeper.lines(),
      commit: async (changes) => void (await keeper.commit(changes)),
      original: originalOf,
      keepOriginal,
      openWorks,
      newWriter: () =>
        newId()
          .toLowerCase()
          .replace(/[^a-z0-9]/g, "0"),
      newId,
      now,
      label,
      words,
    });
  }

  get state(): SafeFolderState {
    return this.#state;
  }

  /** The folder that was chosen before, where it is still known. */
  async begin(): Promise<void> {
    const handle = await this.#deps.keeper.meta(handleKey).catch(() => undefined);
    if (!(handle instanceof FileSystemDirectoryHandle)) return;
    this.#handle = handle;
    this.#say({ name: handle.name, is: "waiting" });
    this.soon(0);
  }

  async use(handle: FileSystemDirectoryHandle): Promise<SafeFolderState> {
    this.#handle = handle;
    await this.#deps.keeper.keepMeta(handleKey, handle);
    this.#say({ ...noSafeFolder, name: handle.name, is: "waiting" });
    await this.now();
    return this.#state;
  }

  async stop(): Promise<SafeFolderState> {
    clearTimeout(this.#soon);
    this.#handle = undefined;
    await this.#deps.keeper.keepMeta(handleKey, undefined);
    this.#say(noSafeFolder);
    return this.#state;
  }

  end(): void {
    this.#ended = true;
    clearTimeout(this.#soon);
  }

  soon(ms = soonMs): void {
    if (!this.#handle || this.#ended) return;
    clearTimeout(this.#soon);
    if (this.#state.is === "kept" && ms === soonMs) this.#say({ is: "waiting" });
    this.#soon = setTimeout(() => void this.now(), ms);
  }

  /** A round at once; one that is asked for meanwhile comes after it. */
  async now(): Promise<SafeFolderState> {
    if (this.#running) {
      this.#again = true;
      await this.#running;
      return this.#state;
    }
    this.#running = this.#round().finally(() => {
      this.#running = undefined;
    });
    await this.#running;
    if (this.#again) {
      this.#again = false;
      return this.now();
    }
    this.soon(lookAgainMs);
    return this.#state;
  }

  /** Everything from a folder or an archive comes in, without anything being written there. */
  async bring(files: SafeFiles): Promise<SyncReport> {
    return this.#sync.bring(files);
  }

  async #round(): Promise<void> {
    const handle = this.#handle;
    if (!handle || this.#ended) return;
    try {
      if (!(await mayWrite(handle))) {
        this.#say({ is: "trouble", trouble: "folderShut" });
        return;
      }
      this.#say({ is: "working", share: 0, trouble: undefined });
      const report = await this.#sync.run(folderFiles(handle), (share) => this.#say({ share }));
      if (this.#handle !== handle) return;
      this.#say({ is: "kept", share: 1, keptAt: this.#deps.now(), report });
    } catch (e) {
      if (this.#handle === handle) this.#say({ is: "trouble", trouble: folderErrorFrom(e).code });
    }
  }

  #say(part: Partial<SafeFolderState>): void {
    const before = this.#state;
    this.#state = { ...before, ...part };
    // Every photo moves the share; a person sees hundredths.
    const same = Math.floor(before.share * 100) === Math.floor(this.#state.share * 100);
    if (Object.keys(part).length === 1 && part.share !== undefined && same) return;
    this.#deps.announce(this.#state);
  }
}

/** Works that a tab of this browser holds. */
async function openWorks(): Promise<ReadonlySet<string>> {
  const { held = [] } = (await navigator.locks?.query()) ?? {};
  const start = "tessip-work-";
  return new Set(held.flatMap((l) => (l.name?.startsWith(start) ? [l.name.slice(start.length)] : [])));
}
