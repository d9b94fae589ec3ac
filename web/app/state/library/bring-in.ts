import type { StoreApi } from "zustand/vanilla";
import type { Photo, Section } from "#core/photo";
import { photoSchema } from "#core/photo/schema";
import type { ReadSvg } from "../../../pictures/read-svg.ts";
import { type Store, StoreError } from "../../../storage/store.ts";
import type { PhotoJobs } from "../../../workers/jobs.ts";
import type { WorkerPool } from "../../../workers/pool.ts";
import { codeOf, deadlineFor, isDrawing } from "./library-rules.ts";
import type { IncomingFile, LibraryState, Queued } from "./library-state.ts";

export interface ReadDeps {
  readonly store: Store;
  readonly pool: Pick<WorkerPool<PhotoJobs>, "run">;
  /** Drawings are read where there is a parser for them; rejects with a code. */
  readonly readSvg?: (file: File) => Promise<ReadSvg>;
  /** Whether the disk is full: what room is left is for changes, and not for photos. */
  readonly full?: () => boolean;
  readonly newId: () => string;
  readonly now: () => string;
}

interface Told {
  /** A photo that is kept now. */
  readonly came: (photo: Photo) => void;
  /** It is time to show what came. */
  readonly show: () => void;
  /** All of them are through. */
  readonly through: () => void;
}

const shownWaiting = 24;
/** More than there are workers, so that none of them waits while a photo is being stored. */
const lanes = 4;
/** Sorting and painting again for each of thousands would cost more than the reading itself. */
const showEveryMs = 500;

/** Files on their way into the library: read a few at once, kept, and told of. */
export class BringIn {
  readonly #deps: ReadDeps;
  readonly #state: StoreApi<LibraryState>;
  readonly #told: Told;
  readonly #queue: Queued[] = [];
  #stop = new AbortController();
  #working = 0;
  /** Of the files of this bringing-in. */
  #done = 0;

  constructor(deps: ReadDeps, state: StoreApi<LibraryState>, told: Told) {
    this.#deps = deps;
    this.#state = state;
    this.#told = told;
  }

  get busy(): boolean {
    return this.#working > 0;
  }

  /** May be asked again while others are still coming in. Resolves with the photos that came in or were here already, in the order of their files. */
  async take(files: readonly IncomingFile[], section: Section): Promise<readonly string[]> {
    if (files.length === 0) return [];
    const { incoming } = this.#state.getState();
    if (!incoming) {
      this.#stop = new AbortController();
      this.#done = 0;
      this.#state.setState({ leftOut: [], cleaned: [], alreadyHere: 0 });
    }
    const through = files.map(
      (file) =>
        new Promise<string | undefined>((told) => {
          this.#queue.push({ file, section, told });
        }),
    );
    this.#tell((incoming?.total ?? 0) + files.length);
    this.#keepWaiting();
    const more = Math.min(lanes - this.#working, files.length);
    for (let i = 0; i < more; i += 1) {
      this.#working += 1;
      void this.#work();
    }
    const ids = await Promise.all(through);
    // Whoever waited for them finds them in the library.
    this.#told.show();
    return ids.filter((id) => id !== undefined);
  }

  /** What is in already stays. */
  cancel(): void {
    for (const { told } of this.#queue.splice(0)) told(undefined);
    this.#stop.abort();
  }

  /** What a file says of itself, its small picture, and what is kept of it. Rejects with a code when it is no good. */
  async read(file: File, name: string, section: Section, signal?: AbortSignal) {
    const { pool, readSvg, full } = this.#deps;
    if (full?.()) throw new StoreError("storageFull", name);
    if (section !== "photos" && readSvg && isDrawing(file)) {
      const { facts, small, cleaned, takenOut } = await readSvg(file);
      if (takenOut > 0) this.#state.setState((s) => ({ cleaned: [...s.cleaned, { name, takenOut }] }));
      return { facts, small, original: cleaned };
    }
    const input = { file, name, modifiedAt: file.lastModified, keep: this.#deps.store.lasting };
    const { facts, small } = await pool.run("readPhoto", input, {
      deadlineMs: deadlineFor(file.size),
      ...(signal ? { signal } : {}),
    });
    return { facts, small, original: new Blob([file], { type: facts.type }) };
  }

  async #work(): Promise<void> {
    let shownAt = performance.now();
    for (let next = this.#queue.shift(); next; next = this.#queue.shift()) {
      next.told(await this.#takeOne(next));
      this.#done += 1;
      if (performance.now() - shownAt > showEveryMs) {
        this.#tell();
        this.#told.show();
        this.#keepWaiting();
        shownAt = performance.now();
      }
    }
    this.#working -= 1;
    this.#told.show();
    if (this.#working > 0) return;
    this.#state.setState({ incoming: undefined });
    this.#keepWaiting();
    this.#told.through();
  }

  async #takeOne({ file: from, section }: Queued): Promise<string | undefined> {
    const { store, newId, now } = this.#deps;
    const { signal } = this.#stop;
    try {
      const file = await from.open(signal);
      const { facts, small, original } = await this.read(file, from.name, section, signal);
      const photo = photoSchema.parse({ ...facts, section, id: newId(), addedAt: now() });
      const kept = await store.addPhoto({ photo, original, small });
      if (kept.added) this.#told.came(kept.photo);
      else this.#state.setState((s) => ({ alreadyHere: s.alreadyHere + 1 }));
      return kept.photo.id;
    } catch (e) {
      if (!signal.aborted)
        this.#state.setState((s) => ({ leftOut: [...s.leftOut, { name: from.name, code: codeOf(e) }] }));
      return undefined;
    }
  }

  /** How far it is, as it is shown. */
  #tell(total = this.#state.getState().incoming?.total ?? 0): void {
    const waiting = this.#queue.slice(0, shownWaiting).map((q) => q.file);
    const since = this.#state.getState().incoming?.since ?? Date.parse(this.#deps.now());
    this.#state.setState({ incoming: { total, done: this.#done, waiting, since } });
  }

  #keepWaiting(): void {
    // Only a hint for the next start: that it could not be kept is no reason to stop.
    void this.#deps.store.keepWaiting(this.#queue.map((q) => q.file.name)).catch(() => {});
  }
}
