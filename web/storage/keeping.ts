import { createStore } from "zustand/vanilla";
import type { Photo } from "#core/photo";
import { noSafeFolder, type SafeFolderState, safeFolderChannel } from "../safe-folder/safe-folder.ts";
import type { WorkerClient } from "../workers/worker-client.ts";
import { Database } from "./database.ts";
import { inTime } from "./in-time.ts";
import type { Key } from "./journal/record.ts";
import type { KeeperJobs } from "./keeper-jobs.ts";
import { type Happened, type KeeperReport, type KeeperState, reportChannel } from "./keeper-report.ts";
import type { OriginalFiles, Writer } from "./kept/deps.ts";
import { keptStore } from "./kept-store.ts";
import { forgetOriginals, originalHashes, originalOf } from "./originals.ts";
import { sha256 } from "./sha256.ts";
import { type Store, StoreError, type StoreTrouble, storeErrorFrom } from "./store.ts";
import type { Index, Table, Tables } from "./tables.ts";

export interface KeptState extends KeeperState {
  /** Whether the browser promised not to throw it away; undefined until it was asked. */
  readonly promised: boolean | undefined;
  /** Not yet shown to the person. */
  readonly happened: readonly Happened[];
}

/** A keeper that gives no sign of life for so long hangs on a call that the browser does not answer; another is started then. */
const patience = { deadlineMs: 25_000 };

/** What a page has of the keeper: what is kept, where to read it, and what became of it. */
export class Keeping {
  readonly state = createStore<KeptState>(() => ({
    reading: "database",
    full: false,
    trouble: "none",
    happened: [],
    promised: undefined,
  }));
  readonly folderState = createStore<SafeFolderState>(() => noSafeFolder);
  readonly #line: WorkerClient<KeeperJobs>;
  #database: Promise<Database> | undefined;
  #counts: { readonly works: number; readonly photos: number } | undefined;
  #hearCounts: ((counts: { readonly works: number; readonly photos: number }) => void) | undefined;

  constructor(line: WorkerClient<KeeperJobs>) {
    this.#line = line;
    new BroadcastChannel(reportChannel).addEventListener("message", (e: MessageEvent<KeeperReport>) =>
      this.#take(e.data),
    );
    new BroadcastChannel(safeFolderChannel).addEventListener("message", (e: MessageEvent<SafeFolderState>) =>
      this.folderState.setState(e.data, true),
    );
    // A page that is put aside, to come back by "back", would hold the journal for ever.
    addEventListener("pagehide", (e) => e.persisted && void this.#line.run("letGo", null).catch(() => {}));
    document.addEventListener("visibilitychange", () => {
      if (document.visibilityState === "visible") void this.#line.run("look", null, patience).catch(() => {});
    });
  }

  /** What is there at the start. Rejects with a StoreError where it cannot be read just now. */
  async open(): Promise<KeeperReport> {
    const report = await this.#asked(() => this.#line.run("open", null));
    this.#take(report);
    void this.#folderTo("folderState", null).catch(() => {});
    return report;
  }

  async tryAgain(): Promise<KeeperReport> {
    const report = await this.#asked(() => this.#line.run("tryAgain", null));
    this.#take({ ...report, happened: [] });
    return report;
  }

  readonly folder = {
    use: (handle: FileSystemDirectoryHandle) => this.#folderTo("useFolder", handle),
    stop: () => this.#folderTo("stopFolder", null),
    sync: () => this.#folderTo("syncFolder", null),
    /** Rejects with a FolderError's code. */
    bringFrom: (from: FileSystemDirectoryHandle | Blob) => this.#line.run("bringFrom", from),
    saveAll: (onlyNew: boolean) => this.#line.run("saveAll", { onlyNew }),
    lastArchive: () => this.#line.run("lastArchive", null),
  };

  async #folderTo(
    job: "useFolder" | "stopFolder" | "syncFolder" | "folderState",
    input: FileSystemDirectoryHandle | null,
  ): Promise<SafeFolderState> {
    const state = await this.#line.run(job, input as never);
    this.folderState.setState(state, true);
    return state;
  }

  /** Browsers say yes or no by themselves, and may say yes later. */
  async askToStay(): Promise<void> {
    const promised = await navigator.storage?.persist?.().catch(() => false);
    this.state.setState({ promised: promised ?? false });
  }

  told(): void {
    this.state.setState({ happened: [] });
  }

  store(): Store {
    return keptStore({
      lasting: true,
      writer: this.writer,
      originals: this.originals,
      tables: async () => this.tables,
    });
  }

  readonly writer: Writer = {
    commit: async (changes, needs = [], loose = []) => {
      await this.#asked(() => this.#line.run("commit", { changes, needs, loose }, patience));
    },
    keepLoose: async (loose) => {
      await this.#line.run("keepLoose", loose, patience).catch(() => {});
    },
    tryAgain: async () => void (await this.tryAgain()),
  };

  readonly originals: OriginalFiles = {
    keep: async ({ id, hash }, original) => {
      if (await this.#asked(() => this.#line.run("keepOriginal", { hash, original }, patience))) return;
      await this.#asked(() => this.#line.run("keepInDatabase", { photoId: id, original }, patience));
    },
    get: async ({ id, hash, type }) => {
      const file = await originalOf(hash, type);
      return file ?? ((await this.tables.get("originals", id)) as Blob | undefined);
    },
    here: async (photos) => {
      const [hashes, inDatabase] = await Promise.all([originalHashes(), this.tables.keys("originals")]);
      const ids = new Set(inDatabase.map(String));
      return photos.filter((p) => hashes.has(p.hash) || ids.has(p.id)).map((p) => p.id);
    },
    forget: async (photos) => {
      await forgetOriginals(photos.map((p) => p.hash));
      const inDatabase = new Set((await this.tables.keys("originals")).map(String));
      for (const { id } of photos)
        if (inDatabase.has(id)) await this.#line.run("keepInDatabase", { photoId: id, original: undefined });
    },
  };

  /**
   * Originals from before they were files of their own are moved out of the database, one after the other and each looked at
   * again before the old one goes. It can be stopped at any moment. Gives back the photos whose record it changed.
   */
  async moveOriginals(photos: readonly Photo[]): Promise<readonly Photo[]> {
    const byId = new Map(photos.map((p) => [p.id, p]));
    const changed: Photo[] = [];
    for (const id of (await this.tables.keys("originals")).map(String)) {
      let photo = byId.get(id);
      const original = (await this.tables.get("originals", id)) as Blob | undefined;
      if (!photo || !original) continue;
      // Of a drawing the hash of the file was kept once, and not that of the cleaned text that lies here.
      const hash = await sha256(await original.arrayBuffer());
      if (hash !== photo.hash) {
        photo = { ...photo, hash };
        await this.writer.commit([{ store: "photos", key: id, value: photo }]);
        changed.push(photo);
      }
      const kept = await this.#line.run("keepOriginal", { hash, original }, patience);
      if (!kept || (await originalOf(hash, photo.type))?.size !== original.size) break;
      await this.#line.run("keepInDatabase", { photoId: id, original: undefined });
    }
    return changed;
  }

  /** Hears how much is kept, now and whenever it is counted again. */
  onCounts(hear: (counts: { readonly works: number; readonly photos: number }) => void): void {
    this.#hearCounts = hear;
    if (this.#counts) hear(this.#counts);
  }

  /** The database, or the keeper's memory; asked once more where the database went away meanwhile. */
  readonly tables: Tables = {
    get: (table: Table | "originals" | "meta", key: Key) => this.#read("get", table, key),
    many: (table: Table, keys: readonly Key[]) => this.#read("many", table, keys),
    all: (table: Table) => this.#read("all", table),
    under: (table: Table, first: string) => this.#read("under", table, first),
    keysUnder: (table: Table, first: string) => this.#read("keysUnder", table, first),
    keys: (table: Table | "originals") => this.#read("keys", table),
    by: (table: Table, index: Index, value: string) => this.#read("by", table, index, value),
  };

  async #read<T>(method: keyof Tables, ...args: readonly unknown[]): Promise<T> {
    const once = async (): Promise<T> => {
      if (this.state.getState().reading === "memory")
        return (await this.#asked(() => this.#line.run("read", { method, args }, patience))) as T;
      const database = await this.#open();
      const answer = (database[method] as (...a: unknown[]) => Promise<T>).apply(database, [...args]);
      return inTime(answer, patience.deadlineMs, () => new StoreError("storageSilent"));
    };
    try {
      return await once();
    } catch (e) {
      if (storeErrorFrom(e).code === "recordDamaged") throw e;
      this.#forget();
      const report = await this.#asked(() => this.#line.run("tryAgain", null));
      this.#take({ ...report, happened: [] });
      return once();
    }
  }

  #open(): Promise<Database> {
    this.#database ??= Database.open({ lost: () => this.#forget() });
    return this.#database;
  }

  #forget(): void {
    void this.#database?.then((d) => d.close()).catch(() => {});
    this.#database = undefined;
  }

  #take({ state, happened, works, photos }: KeeperReport): void {
    this.#counts = { works, photos };
    this.#hearCounts?.(this.#counts);
    // A database that was made again is another one.
    if (state.reading === "memory" || happened.length > 0) this.#forget();
    this.state.setState((s) => ({ ...state, happened: [...s.happened, ...happened] }));
  }

  async #asked<T>(work: () => Promise<T>): Promise<T> {
    try {
      return await work();
    } catch (e) {
      throw asStoreError(e);
    }
  }
}

/** A worker that died keeps nothing at the moment; all else has its code. */
function asStoreError(e: unknown): StoreError {
  const code = e instanceof Error && "code" in e ? String(e.code) : "";
  if (code === "tookTooLong") return new StoreError("storageSilent", e);
  if (code === "workerDied" || code === "jobFailed") return new StoreError("storageLost" satisfies StoreTrouble, e);
  return storeErrorFrom(e);
}
