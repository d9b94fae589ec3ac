import { FolderError, folderFiles } from "../safe-folder/safe-files.ts";
import { SafeFolder, safeFolderChannel } from "../safe-folder/safe-folder.ts";
import { archiveFiles, lastArchive, saveAll } from "../safe-folder/save-all.ts";
import type { FolderWords } from "../safe-folder/sync-given.ts";
import { WorkerError } from "../workers/protocol.ts";
import { again } from "./again.ts";
import { Database } from "./database.ts";
import { privateFolder } from "./journal/sync-file.ts";
import { Keeper } from "./keeper.ts";
import type { KeeperAsks } from "./keeper-jobs.ts";
import { reportChannel } from "./keeper-report.ts";
import { StoreError, storeErrorFrom } from "./store.ts";

/**
 * One keeper for all tabs. The tab that has the lock owns the journal; the others send what they ask over a channel and go on
 * by themselves when the lock comes to them.
 */

type Ask = {
  readonly [K in keyof KeeperAsks]: { readonly job: K; readonly input: KeeperAsks[K]["in"] };
}[keyof KeeperAsks];

type Message =
  | { readonly kind: "ask"; readonly from: string; readonly id: number; readonly ask: Ask }
  /** Somebody is there and is at it. */
  | { readonly kind: "heard"; readonly to: string; readonly id: number }
  | { readonly kind: "done"; readonly to: string; readonly id: number; readonly output: unknown }
  | {
      readonly kind: "failed";
      readonly to: string;
      readonly id: number;
      readonly code: string;
      readonly message: string;
    };

interface Pending {
  readonly ask: Ask;
  readonly resolve: (output: unknown) => void;
  readonly reject: (e: Error) => void;
  unheard: ReturnType<typeof setTimeout> | undefined;
}

const lockName = "tessip-journal";
const channelName = "tessip-keeper";
/** An owner that does not answer for so long is frozen or stuck. */
const patienceMs = 5_000;
/** A tab that was closed holds its file a moment longer. */
const handOverMs = [30, 60, 120, 240, 480, 960];

const isHeld = (e: unknown) => e instanceof DOMException && e.name === "NoModificationAllowedError";

/** Only a file that is held is worth asking for again; whatever else is wrong stays wrong. */
async function openedWhenFree<T>(open: () => Promise<T>): Promise<T> {
  for (const ms of handOverMs) {
    try {
      return await open();
    } catch (e) {
      if (!isHeld(e)) throw e;
      await new Promise((later) => setTimeout(later, ms));
    }
  }
  return open();
}

export class SharedKeeper {
  readonly #tab: string;
  readonly #channel = new BroadcastChannel(channelName);
  readonly #reports = new BroadcastChannel(reportChannel);
  readonly #folders = new BroadcastChannel(safeFolderChannel);
  readonly #pending = new Map<number, Pending>();
  #count = 0;
  #joined: Promise<void> | undefined;
  #keeper: ReturnType<SharedKeeper["start"]> | undefined;
  #release: (() => void) | undefined;
  #words: FolderWords | undefined;

  constructor(newId: () => string, alive: () => void) {
    this.#tab = newId();
    this.#newId = newId;
    this.#alive = alive;
    this.#channel.addEventListener("message", (e: MessageEvent<Message>) => this.#hear(e.data));
  }
  readonly #newId: () => string;
  readonly #alive: () => void;

  async ask<K extends keyof KeeperAsks>(job: K, input: KeeperAsks[K]["in"]): Promise<KeeperAsks[K]["out"]> {
    this.#joined ??= this.#join();
    await this.#joined;
    const ask = { job, input } as Ask;
    if (this.#keeper) return (await this.#answer(ask)) as KeeperAsks[K]["out"];
    this.#count += 1;
    const id = this.#count;
    return (await new Promise<unknown>((resolve, reject) => {
      const unheard = setTimeout(() => {
        this.#pending.delete(id);
        reject(new StoreError("storageHeld", job));
      }, patienceMs);
      this.#pending.set(id, { ask, resolve, reject, unheard });
      this.#channel.postMessage({ kind: "ask", from: this.#tab, id, ask } satisfies Message);
    })) as KeeperAsks[K]["out"];
  }

  speak(words: FolderWords): void {
    this.#words = words;
  }

  async letGo(): Promise<void> {
    this.#keeper?.folder.end();
    await this.#keeper?.keeper.close().catch(() => {});
    this.#keeper = undefined;
    this.#joined = undefined;
    this.#release?.();
    this.#release = undefined;
  }

  /** Resolves once it is known whether this tab owns the journal; the lock is waited for all the same. */
  #join(): Promise<void> {
    const { locks } = navigator;
    if (!locks) {
      this.#own();
      return Promise.resolve();
    }
    return new Promise((known) => {
      const hold = () =>
        new Promise<void>((release) => {
          this.#release = release;
          this.#own();
          known();
        });
      void locks.request(lockName, { ifAvailable: true }, (lock) => {
        if (lock) return hold();
        known();
        void locks.request(lockName, hold);
        return undefined;
      });
    });
  }

  #own(): void {
    this.#keeper = this.start();
    for (const [id, p] of this.#pending) {
      this.#pending.delete(id);
      clearTimeout(p.unheard);
      void this.#answer(p.ask).then(p.resolve, p.reject);
    }
  }

  #spoken(): FolderWords {
    if (!this.#words) throw new Error("the keeper was told no language");
    return this.#words;
  }

  private start() {
    const keeper = new Keeper({
      folder: () => privateFolder("journal"),
      openDatabase: (notices) => again(() => Database.open(notices), [200, 600]),
      deleteDatabase: () => Database.delete(),
      newId: this.#newId,
      openWithinMs: 8_000,
      nowMs: () => Date.now(),
      later: (work, ms) => {
        const timer = setTimeout(work, ms);
        return () => clearTimeout(timer);
      },
      announce: (report) => this.#reports.postMessage(report),
      alive: this.#alive,
    });
    // A file that another tab still has open is asked for again.
    const opened = openedWhenFree(() => keeper.open()).catch((e: unknown) => {
      throw isHeld(e) ? new StoreError("storageHeld", e) : storeErrorFrom(e);
    });
    const folder = new SafeFolder({
      keeper,
      newId: this.#newId,
      now: () => new Date().toISOString(),
      label: navigator.userAgent.slice(0, 120),
      words: this.#spoken(),
      announce: (state) => this.#folders.postMessage(state),
    });
    opened.then(
      () => folder.begin(),
      () => {},
    );
    return { keeper, opened, folder };
  }

  async #answer({ job, input }: Ask): Promise<unknown> {
    const own = this.#keeper!;
    if (job === "tryAgain") {
      const failed = await own.opened.then(
        () => false,
        () => true,
      );
      if (!failed) return own.keeper.tryAgain();
      own.folder.end();
      await own.keeper.close().catch(() => {});
      this.#keeper = this.start();
      const report = await this.#keeper.opened;
      this.#reports.postMessage(report);
      return report;
    }
    const report = await own.opened;
    const { keeper } = own;
    switch (job) {
      case "open":
        return report;
      case "commit":
        await keeper.commit(input.changes, input.needs, input.loose);
        own.folder.soon();
        return null;
      case "keepLoose":
        await keeper.keepLoose(input);
        return null;
      case "keepInDatabase":
        await keeper.keepInDatabase(input.photoId, input.original);
        return null;
      case "read": {
        const method = keeper.tables[input.method] as (...args: unknown[]) => Promise<unknown>;
        return method.apply(keeper.tables, [...input.args]);
      }
      case "look":
        await keeper.look();
        return null;
      case "folderState":
        return own.folder.state;
      case "lastArchive":
        return lastArchive(keeper.lines());
      case "useFolder":
        return own.folder.use(input);
      case "stopFolder":
        return own.folder.stop();
      case "syncFolder":
        return own.folder.now();
      case "bringFrom":
        return own.folder.bring(input instanceof Blob ? await archiveFiles(input) : folderFiles(input));
      case "saveAll":
        return saveAll(keeper, input.onlyNew, () => new Date().toISOString(), this.#spoken());
    }
  }

  #hear(message: Message): void {
    if (message.kind === "ask") {
      if (!this.#keeper) return;
      const { from: to, id } = message;
      const say = (m: Message) => this.#channel.postMessage(m);
      say({ kind: "heard", to, id });
      void this.#answer(message.ask).then(
        (output) => say({ kind: "done", to, id, output }),
        (e: unknown) => {
          const { code, message: text } = e instanceof FolderError ? e : storeErrorFrom(e);
          say({ kind: "failed", to, id, code, message: text });
        },
      );
      return;
    }
    const pending = message.to === this.#tab ? this.#pending.get(message.id) : undefined;
    if (!pending) return;
    clearTimeout(pending.unheard);
    if (message.kind === "heard") return;
    this.#pending.delete(message.id);
    if (message.kind === "done") pending.resolve(message.output);
    else pending.reject(new WorkerError(message.code, message.message));
  }
}
