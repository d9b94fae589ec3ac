import { copyIdOf, type SafeHead, type SafeItem, settle } from "#core/safe-folder";
import { keyLine } from "../storage/journal/record.ts";
import { Bringer } from "./bringer.ts";
import { FolderWriter } from "./folder-writer.ts";
import type { Own, OwnItem, OwnStates } from "./own-states.ts";
import type { SafeFiles } from "./safe-files.ts";
import { aboutKey, type Known, type SafeSyncGiven, type SyncReport } from "./sync-given.ts";

/** One round of bringing this browser and a safe folder in step. */
export class Round {
  readonly #deps: SafeSyncGiven;
  readonly #files: SafeFiles;
  #known: Known;
  /** As it is kept. */
  #kept: Known;
  readonly #bring: Bringer;
  readonly #write: FolderWriter;
  #folders: readonly string[] = [];
  /** Items that came from elsewhere in this round; what is composed of them counts as unchanged. */
  readonly #brought = new Set<string>();
  /** Whether the library here is, ids apart, the state that its item names. */
  #libraryAsTold = false;
  readonly #works: string[] = [];
  readonly #copies: string[] = [];
  readonly #waiting: string[] = [];

  constructor(given: SafeSyncGiven, files: SafeFiles, known: Known, sure: Set<string>) {
    this.#bring = new Bringer(given, files);
    this.#write = new FolderWriter(given, files, sure);
    this.#deps = given;
    this.#files = files;
    this.#known = known;
    this.#kept = known;
  }

  /** Whether anything came in. */
  get changed(): boolean {
    return this.#bring.changed;
  }

  report(): SyncReport {
    return {
      works: this.#works,
      photos: this.#bring.photos,
      copies: this.#copies,
      waiting: this.#waiting,
      missing: [...new Set([...this.#bring.missing, ...this.#write.missing])],
      written: this.#write.written,
    };
  }

  /** Where works lie already, whatever they were called when they came there. */
  async learnFolders(): Promise<void> {
    this.#folders = await this.#files.folders("works");
  }

  compose(states: OwnStates): Promise<Own> {
    return states.compose(this.#deps.lines(), (id) => {
      const name = this.#folders.find((folder) => folder.endsWith(`-${id}`));
      return name && `works/${name}`;
    });
  }

  /** Gives a number to whatever was changed here since the last round. */
  async note(own: Own): Promise<void> {
    const items = { ...this.#known.items };
    const marks = { ...this.#known.marks };
    let { counter } = this.#known;
    const here = new Map<string, OwnItem>([
      ["library", own.library],
      ...own.works.map((w) => [`work:${w.id}`, w] as const),
    ]);
    const { writer } = this.#known;
    const next = (id: string, state: string | null): void => {
      counter += 1;
      items[id] = {
        state,
        by: writer,
        n: counter,
        seen: { ...items[id]?.seen, [writer]: counter },
        at: this.#deps.now(),
      };
    };
    for (const [id, { state }] of here) {
      if (marks[id] === state.path) continue;
      // An empty browser has nothing to say of the library.
      if (id === "library" && !items[id] && own.photos.length === 0) continue;
      next(id, state.path);
      marks[id] = state.path;
    }
    for (const [id, item] of Object.entries(items))
      if (id.startsWith("work:") && item.state !== null && marks[id] !== undefined && !here.has(id)) next(id, null);
    this.#known = { ...this.#known, items, marks, counter };
  }

  /** Takes over what another computer knows better. */
  async meet(head: SafeHead, own: Own, onProgress: (share: number) => void = () => {}): Promise<void> {
    const entries = Object.entries(head.items);
    // Photos first, so that works find theirs.
    entries.sort(([a], [b]) => (a === "library" ? -1 : b === "library" ? 1 : a < b ? -1 : 1));
    for (const [i, [id, theirs]] of entries.entries()) {
      const mine = this.#known.items[id];
      const settled = settle(mine, theirs);
      if (id === "library") {
        if (settled.item === mine) continue;
        const other = theirs.state !== null && mine?.state !== theirs.state;
        if (other) {
          await this.#bring.library(theirs.state, settled.from === "theirs" && !settled.copy);
          this.#libraryAsTold = settled.from === "theirs" && this.#bring.libraryAlike;
        }
        this.#adopt(id, settled.item, other);
      } else await this.#meetWork(id.slice("work:".length), settled, { mine, theirs }, own);
      onProgress((i + 1) / entries.length);
    }
  }

  async #meetWork(
    workId: string,
    { item, from, copy }: ReturnType<typeof settle>,
    { mine, theirs }: { readonly mine: SafeItem | undefined; readonly theirs: SafeItem },
    own: Own,
  ): Promise<void> {
    const id = `work:${workId}`;
    const changesHere = from === "theirs" && item.state !== mine?.state;
    if (changesHere && (await this.#deps.openWorks()).has(workId)) {
      this.#waiting.push(own.works.find((w) => w.id === workId)?.name ?? workId);
      return;
    }
    if (copy) {
      const copyId = copyIdOf(workId, copy.item);
      const known = this.#known.items[`work:${copyId}`];
      if (!known && copy.item.state !== null) {
        // What is ours may not have been written before it is a copy.
        if (copy.from === "mine") {
          await this.#writeWork(own, workId);
          await this.#keepCounter();
        }
        const name = await this.#bring.work(copy.item.state, copyId);
        if (name === undefined) return;
        this.#copies.push(name);
        this.#adopt(`work:${copyId}`, copy.item);
      }
    }
    if (changesHere && item.state !== null) {
      const name = await this.#bring.work(item.state, workId);
      // A state that has not come yet is waited for: nothing is taken over in part.
      if (name === undefined) return;
      this.#works.push(name);
    }
    if (changesHere && item.state === null && mine) await this.#bring.deleteWork(workId);
    if (item !== mine || theirs === item) this.#adopt(id, item, changesHere);
  }

  #adopt(id: string, item: SafeItem, brought = true): void {
    this.#known = { ...this.#known, items: { ...this.#known.items, [id]: item } };
    if (brought) this.#brought.add(id);
  }

  /** What came from elsewhere was not changed here. */
  markBrought(own: Own): void {
    const marks = { ...this.#known.marks };
    for (const w of own.works) if (this.#brought.has(`work:${w.id}`)) marks[`work:${w.id}`] = w.state.path;
    // Put together from both, it is a state of its own, and has to be told.
    if (this.#brought.has("library")) marks.library = this.#libraryAsTold ? own.library.state.path : "";
    this.#known = { ...this.#known, marks };
  }

  /** A copy is named by its number: stopped before the head is written, another round must not give that to something else. */
  async #keepCounter(): Promise<void> {
    if (this.#kept.counter === this.#known.counter) return;
    this.#kept = { ...this.#kept, counter: this.#known.counter };
    await this.#deps.commit([{ store: "about", key: aboutKey, value: this.#kept }]);
  }

  async #writeWork(own: Own, workId: string): Promise<void> {
    const work = own.works.find((w) => w.id === workId);
    if (work) await this.#write.item(work, work.folder);
  }

  /** Originals, then parts, then states, and last of all the head that names them: whatever it names is there. */
  async writeAll(own: Own, headStands: boolean, onProgress: (share: number) => void): Promise<void> {
    await this.#write.originals(own.originals, onProgress);
    for (const work of own.works) {
      const before = this.#write.written;
      await this.#write.item(work, work.folder);
      if (this.#write.written > before) await this.#files.write(work.readable.path, new Blob([work.readable.text]));
    }
    await this.#write.item(own.library, "library");
    const before = this.#known;
    // What was brought in and put together with what was here is a state of its own.
    await this.note(own);
    const { writer, items } = this.#known;
    const line = this.#deps.lines().get(keyLine("about", aboutKey));
    const unchanged = line !== undefined && JSON.stringify(before) === line && this.#known.counter === before.counter;
    if (unchanged && headStands) return;
    const revision = this.#known.revision + 1;
    const head: SafeHead = {
      format: "tessip-head",
      version: 1,
      writer,
      label: this.#deps.label,
      revision,
      at: this.#deps.now(),
      items,
    };
    this.#known = { ...this.#known, revision };
    // Before the head: of one that is older than what we know, we know that it is ours.
    await this.#deps.commit([{ store: "about", key: aboutKey, value: this.#known }]);
    await this.#files.write(`heads/${writer}.json`, new Blob([JSON.stringify(head)]));
  }
}
