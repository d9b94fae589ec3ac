import { createStore } from "zustand/vanilla";
import { byTimeTaken, type Photo } from "#core/photo";
import { type Store, StoreError } from "../../storage/store.ts";
import type { PhotoJobs } from "../../workers/jobs.ts";
import type { WorkerPool } from "../../workers/pool.ts";
import { WorkerError } from "../../workers/protocol.ts";

/** A file on its way in. `open` is called when its turn comes, so that a folder of thousands is not held in memory. */
export interface IncomingFile {
  readonly name: string;
  open(signal: AbortSignal): Promise<File>;
}

export interface LeftOut {
  readonly name: string;
  readonly code: string;
}

export interface Incoming {
  readonly total: number;
  readonly done: number;
  /** The next ones, to show at once. */
  readonly waiting: readonly string[];
}

export interface LibraryState {
  readonly ready: boolean;
  /** By the time taken. */
  readonly photos: readonly Photo[];
  readonly byId: ReadonlyMap<string, Photo>;
  readonly incoming: Incoming | undefined;
  readonly leftOut: readonly LeftOut[];
  /** Files of the last bringing-in that were here already. */
  readonly alreadyHere: number;
  /** Records that could not be read from storage. */
  readonly damaged: number;
}

export interface LibraryGiven {
  readonly store: Store;
  readonly pool: Pick<WorkerPool<PhotoJobs>, "run">;
  readonly newId: () => string;
  readonly now: () => string;
}

const shownWaiting = 48;
const lanes = 2;
/** Sorting and painting again for each of thousands would cost more than the reading itself. */
const flushEveryMs = 120;

export class Library {
  readonly state = createStore<LibraryState>(() => ({
    ready: false,
    photos: [],
    byId: new Map(),
    incoming: undefined,
    leftOut: [],
    alreadyHere: 0,
    damaged: 0,
  }));
  readonly #given: LibraryGiven;
  readonly #queue: IncomingFile[] = [];
  #fresh: Photo[] = [];
  #stop = new AbortController();
  #working = 0;

  constructor(given: LibraryGiven) {
    this.#given = given;
  }

  async load(): Promise<void> {
    const { photos, damaged } = await this.#given.store.photos();
    this.#show(photos, { ready: true, damaged });
  }

  /** Queues files; may be called again while others are still coming in. */
  bringIn(files: readonly IncomingFile[]): void {
    if (files.length === 0) return;
    const { incoming } = this.state.getState();
    if (!incoming) {
      this.#stop = new AbortController();
      this.state.setState({ leftOut: [], alreadyHere: 0 });
    }
    this.#queue.push(...files);
    this.#progress({ total: (incoming?.total ?? 0) + files.length, done: incoming?.done ?? 0 });
    const hands = Math.min(lanes - this.#working, files.length);
    for (let i = 0; i < hands; i += 1) {
      this.#working += 1;
      void this.#work();
    }
  }

  /** What is in already stays. */
  cancel(): void {
    this.#queue.length = 0;
    this.#stop.abort();
  }

  forgetLeftOut(): void {
    this.state.setState({ leftOut: [], alreadyHere: 0 });
  }

  async #work(): Promise<void> {
    let lastFlush = performance.now();
    for (let file = this.#queue.shift(); file; file = this.#queue.shift()) {
      await this.#bringInOne(file);
      const { incoming } = this.state.getState();
      if (incoming) this.#progress({ total: incoming.total, done: incoming.done + 1 });
      if (performance.now() - lastFlush > flushEveryMs) {
        this.#flush();
        lastFlush = performance.now();
      }
    }
    this.#working -= 1;
    this.#flush();
    if (this.#working === 0) this.state.setState({ incoming: undefined });
  }

  async #bringInOne(from: IncomingFile): Promise<void> {
    const { store, pool, newId, now } = this.#given;
    const { signal } = this.#stop;
    try {
      const file = await from.open(signal);
      const input = { file, name: from.name, modifiedAt: file.lastModified };
      const { facts, small } = await pool.run("readPhoto", input, { signal });
      const photo: Photo = { ...facts, id: newId(), addedAt: now() };
      const original = new Blob([file], { type: facts.type });
      const kept = await store.addPhoto({ photo, original, small });
      if (kept.added) this.#fresh.push(kept.photo);
      else this.state.setState((s) => ({ alreadyHere: s.alreadyHere + 1 }));
    } catch (e) {
      if (signal.aborted) return;
      const code = e instanceof WorkerError || e instanceof StoreError ? e.code : "unreadableFile";
      this.state.setState((s) => ({ leftOut: [...s.leftOut, { name: from.name, code }] }));
    }
  }

  #progress(count: { readonly total: number; readonly done: number }): void {
    const waiting = this.#queue.slice(0, shownWaiting).map((f) => f.name);
    this.state.setState({ incoming: { ...count, waiting } });
  }

  #flush(): void {
    if (this.#fresh.length === 0) return;
    const fresh = this.#fresh;
    this.#fresh = [];
    this.#show([...this.state.getState().photos, ...fresh]);
  }

  #show(photos: readonly Photo[], more: Partial<LibraryState> = {}): void {
    const sorted = [...photos].sort(byTimeTaken);
    this.state.setState({ ...more, photos: sorted, byId: new Map(sorted.map((p) => [p.id, p])) });
  }
}
