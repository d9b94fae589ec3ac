import { z } from "zod";
import { type Photo, photoSchema } from "#core/photo";
import {
  copyIdOf,
  headSchema,
  joinedFacts,
  libraryStateSchema,
  markerName,
  markerSchema,
  originalName,
  photoPartSchema,
  restPartSchema,
  type SafeHead,
  type SafeItem,
  safeFolderVersion,
  settle,
  type WorkState,
  withIds,
  workStateSchema,
} from "#core/safe-folder";
import { sha256 } from "../pictures/sha256.ts";
import { type Change, keyLine } from "../storage/journal/record.ts";
import { type Own, type OwnItem, OwnStates, type Part, shaOf } from "./own-states.ts";
import { FolderError, folderErrorFrom, type SafeFiles } from "./safe-files.ts";

/** One round of bringing this browser and a safe folder in step. */

export interface SafeSyncGiven {
  /** Every record that is kept, as lines of the journal. */
  readonly lines: () => ReadonlyMap<string, string>;
  readonly commit: (changes: readonly Change[]) => Promise<void>;
  readonly original: (hash: string, type: string) => Promise<Blob | undefined>;
  readonly keepOriginal: (hash: string, original: Blob) => Promise<boolean>;
  /** Works that somebody has open in this browser: nothing is put under their hands. */
  readonly openWorks: () => Promise<ReadonlySet<string>>;
  readonly newWriter: () => string;
  readonly newId: () => string;
  readonly now: () => string;
  readonly label: string;
}

export interface SyncReport {
  /** Names of works that came from the folder, new or newer. */
  readonly works: readonly string[];
  readonly photos: number;
  /** Names of works of which both states are kept, since two computers changed them apart from each other. */
  readonly copies: readonly string[];
  /** Names of works that are newer in the folder and open here. */
  readonly waiting: readonly string[];
  /** Names of photos whose originals are neither here nor in the folder. */
  readonly missing: readonly string[];
  readonly written: number;
}

const knownSchema = z.object({
  writer: z.string(),
  revision: z.number(),
  counter: z.number(),
  items: z.record(z.string(), z.custom<SafeItem>()),
  /** Of each item: what is composed here when nothing was changed since. */
  marks: z.record(z.string(), z.string()),
});
type Known = z.infer<typeof knownSchema>;

const aboutKey = "safe-folder";
const headPattern = /^[a-z0-9]{6,32}\.json$/;

export class SafeSync {
  readonly #given: SafeSyncGiven;
  readonly #states = new OwnStates();
  /** Files that were seen whole in the folder, or were written there, by this round or one before it. */
  readonly #sure = new Set<string>();

  constructor(given: SafeSyncGiven) {
    this.#given = given;
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
    if (onDisk && !ours(onDisk)) known = { ...known, writer: this.#given.newWriter(), revision: 0 };
    const round = new Round(this.#given, files, known, this.#sure);
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
      const round = new Round(this.#given, files, this.#known(), new Set());
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
      about:
        "Works and photos kept by Tessip. Leave everything in here as it is; SAFE-FOLDER.md of Tessip describes it.",
    };
    await files.write(markerName, new Blob([`${JSON.stringify(marker, null, 2)}\n`]));
  }

  async #marker(files: SafeFiles): Promise<boolean> {
    const there = await files.read(markerName);
    if (!there) return false;
    const read = markerSchema.safeParse(parsed(await there.text()));
    if (!read.success) throw new FolderError("notASafeFolder");
    if (read.data.version > safeFolderVersion) throw new FolderError("folderNewer");
    return true;
  }

  #known(): Known {
    const line = this.#given.lines().get(keyLine("about", aboutKey));
    const read = knownSchema.safeParse(line === undefined ? undefined : JSON.parse(line));
    if (read.success) return read.data;
    return { writer: this.#given.newWriter(), revision: 0, counter: 0, items: {}, marks: {} };
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** A head that cannot be read is on its way, or broken: what it named stays, and the next round looks again. */
async function readHeads(files: SafeFiles): Promise<readonly SafeHead[]> {
  const heads: SafeHead[] = [];
  for (const name of (await files.list("heads")).keys()) {
    if (!headPattern.test(name)) continue;
    const file = await files.read(`heads/${name}`);
    const read = file && headSchema.safeParse(parsed(await file.text()));
    if (read?.success && `${read.data.writer}.json` === name) heads.push(read.data);
  }
  return heads;
}

interface LibraryFacts {
  readonly photos: Readonly<Record<string, unknown>>;
  readonly rest: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
}

/** The same text for the same content, in whatever order its fields stand. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_, v: unknown) =>
    typeof v === "object" && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
}

class Round {
  readonly #given: SafeSyncGiven;
  readonly #files: SafeFiles;
  #known: Known;
  readonly #sure: Set<string>;
  #folders: readonly string[] = [];
  /** Items that came from elsewhere in this round; what is composed of them counts as unchanged. */
  readonly #brought = new Set<string>();
  readonly #works: string[] = [];
  readonly #copies: string[] = [];
  readonly #waiting: string[] = [];
  readonly #missing = new Set<string>();
  #libraryAlike = false;
  #photos = 0;
  #written = 0;
  changed = false;

  constructor(given: SafeSyncGiven, files: SafeFiles, known: Known, sure: Set<string>) {
    this.#sure = sure;
    this.#given = given;
    this.#files = files;
    this.#known = known;
  }

  report(): SyncReport {
    return {
      works: this.#works,
      photos: this.#photos,
      copies: this.#copies,
      waiting: this.#waiting,
      missing: [...this.#missing],
      written: this.#written,
    };
  }

  /** Where works lie already, whatever they were called when they came there. */
  async learnFolders(): Promise<void> {
    this.#folders = await this.#files.folders("works");
  }

  compose(states: OwnStates): Promise<Own> {
    return states.compose(this.#given.lines(), (id) => {
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
        at: this.#given.now(),
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
        if (theirs.state !== null && mine?.state !== theirs.state && settled.item.seen !== mine?.seen)
          await this.#bringLibrary(theirs.state, settled.from === "theirs" && !settled.copy);
        else if (settled.item === mine) continue;
        this.#adopt(id, settled.item);
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
    if (changesHere && (await this.#given.openWorks()).has(workId)) {
      this.#waiting.push(own.works.find((w) => w.id === workId)?.name ?? workId);
      return;
    }
    if (copy) {
      const copyId = copyIdOf(workId, copy.item);
      const known = this.#known.items[`work:${copyId}`];
      if (!known && copy.item.state !== null) {
        // What is ours may not have been written before it is a copy.
        if (copy.from === "mine") await this.#writeWork(own, workId);
        const name = await this.#bringWork(copy.item.state, copyId);
        if (name === undefined) return;
        this.#copies.push(name);
        this.#adopt(`work:${copyId}`, copy.item);
      }
    }
    if (changesHere && item.state !== null) {
      const name = await this.#bringWork(item.state, workId);
      // A state that has not come yet is waited for: nothing is taken over in part.
      if (name === undefined) return;
      this.#works.push(name);
    }
    if (changesHere && item.state === null && mine) await this.#deleteWork(workId);
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
    if (this.#brought.has("library")) marks.library = this.#libraryAlike ? own.library.state.path : "";
    this.#known = { ...this.#known, marks };
  }

  async #json<T>(path: string, schema: z.ZodType<T>): Promise<T | undefined> {
    const file = await this.#files.read(path);
    if (!file) return undefined;
    const text = await file.text();
    // Half of a file that a program is still carrying here is not that file.
    const name = path.slice(path.lastIndexOf("/") + 1, -".json".length);
    if ((await shaOf(text)) !== name) return undefined;
    return schema.safeParse(parsed(text)).data;
  }

  async #bringLibrary(path: string, covers: boolean): Promise<void> {
    const state = await this.#json(path, libraryStateSchema);
    if (!state) return;
    const here = new Map<string, Photo>();
    const ids = new Set<string>();
    for (const [line, value] of this.#given.lines()) {
      if (!line.startsWith('["photos",')) continue;
      const photo = JSON.parse(value) as Photo;
      here.set(photo.hash, photo);
      ids.add(photo.id);
    }
    const all: { photos: Record<string, unknown>; rest: LibraryFacts["rest"] } = { photos: {}, rest: {} };
    for (const sha of state.photos) {
      const theirs = (await this.#json(`library/${sha}.json`, photoPartSchema)) ?? [];
      const changes: Change[] = [];
      for (const photo of theirs) {
        const mine = here.get(photo.hash);
        const { id: _, ...facts } = photo;
        all.photos[photo.hash] = facts;
        const next = mine && { ...(covers ? photo : joinedFacts(mine, photo)), id: mine.id };
        if (next && canonical(next) === canonical(mine)) continue;
        if (!mine && !(await this.#bringOriginal(photo))) {
          this.#missing.add(photo.name);
          continue;
        }
        const value = next ?? { ...photo, id: ids.has(photo.id) ? this.#given.newId() : photo.id };
        changes.push({ store: "photos", key: value.id, value: photoSchema.parse(value) });
        ids.add(value.id);
        if (!mine) this.#photos += 1;
      }
      if (changes.length > 0) await this.#commit(changes);
    }
    const rest = await this.#json(`library/${state.rest}.json`, restPartSchema);
    all.rest = rest ?? {};
    const changes: Change[] = [];
    for (const [table, records] of Object.entries(all.rest))
      for (const [key, value] of Object.entries(records)) {
        const mine = this.#given.lines().get(keyLine(table, key));
        if (mine === undefined || (covers && canonical(JSON.parse(mine)) !== canonical(value)))
          changes.push({ store: table, key, value });
      }
    if (changes.length > 0) await this.#commit(changes);
    this.#libraryAlike = rest !== undefined && canonical(all) === canonical(this.#libraryHere(all, rest));
  }

  /** What is here in the form of what came, ids of photos apart: they differ from computer to computer. */
  #libraryHere(theirs: LibraryFacts, rest: LibraryFacts["rest"]): LibraryFacts {
    const photos: Record<string, unknown> = {};
    const own: Record<string, Record<string, unknown>> = Object.fromEntries(Object.keys(rest).map((t) => [t, {}]));
    for (const [line, value] of this.#given.lines()) {
      const [table, key] = JSON.parse(line) as [string, Change["key"]];
      if (table === "photos") {
        const { id: _, ...facts } = JSON.parse(value) as Photo;
        photos[facts.hash] = facts;
      } else if (own[table]) own[table][String(key)] = JSON.parse(value);
    }
    return { ...theirs, photos, rest: own };
  }

  async #bringOriginal({ hash, type }: Photo): Promise<boolean> {
    if (await this.#given.original(hash, type)) return true;
    const file = await this.#files.read(`originals/${originalName(hash, type)}`);
    if (!file || (await sha256(await file.arrayBuffer())) !== hash) return false;
    return this.#given.keepOriginal(hash, file);
  }

  /** The work's name once all of it is here; undefined where a part is missing or is not what it says. */
  async #bringWork(path: string, workId: string): Promise<string | undefined> {
    const state = await this.#json(path, workStateSchema);
    if (!state) return undefined;
    const asCopy = state.id !== workId;
    const folder = path.slice(0, path.lastIndexOf("/"));
    const part = async (sha: string) => this.#json(`${folder}/${sha}.json`, z.unknown());
    const ids = this.#idsHere(state);
    const changes: Change[] = [];
    const keep = async (table: string, second: string | number, sha: string): Promise<boolean> => {
      const value = await part(sha);
      if (value === undefined) return false;
      changes.push({ store: table, key: [workId, second], value: withIds(value, ids) });
      return true;
    };
    for (const [pageId, sha] of state.pages) if (!(await keep("pages", pageId, sha))) return undefined;
    for (const [n, sha] of state.steps) if (!(await keep("steps", n, sha))) return undefined;
    for (const [snapshotId, sha] of state.snapshots) {
      const value = await part(sha);
      if (value === undefined) return undefined;
      const id = asCopy ? this.#given.newId() : snapshotId;
      const snapshot = { ...(withIds(value, ids) as object), id, projectId: workId };
      changes.push({ store: "snapshots", key: id, value: snapshot });
    }
    const { record } = state;
    const name = asCopy ? `${record.project.name} (from the other computer)`.slice(0, 120) : record.project.name;
    const project = { ...(withIds(record.project, ids) as object), id: workId, name };
    changes.push({ store: "projects", key: workId, value: { ...record, id: workId, project } });
    await this.#commit([...this.#recordsOf(workId, changes), ...changes]);
    return name;
  }

  /** Ids of photos that are here under another id than where the work comes from. */
  #idsHere({ photos }: WorkState): ReadonlyMap<string, string> {
    const byHash = new Map<string, string>();
    for (const [line, value] of this.#given.lines())
      if (line.startsWith('["photos",')) {
        const photo = JSON.parse(value) as Photo;
        byHash.set(photo.hash, photo.id);
      }
    const ids = new Map<string, string>();
    for (const [id, hash] of Object.entries(photos)) {
      const here = byHash.get(hash);
      if (here !== undefined && here !== id) ids.set(id, here);
    }
    return ids;
  }

  /** Removals of what is kept of a work and not among the changes. */
  #recordsOf(workId: string, changes: readonly Change[]): readonly Change[] {
    const kept = new Set(changes.map((c) => keyLine(c.store, c.key)));
    const gone: Change[] = [];
    for (const line of this.#given.lines().keys()) {
      const [store, key] = JSON.parse(line) as [string, Change["key"]];
      const own = (store === "pages" || store === "steps") && key[0] === workId;
      if (own && !kept.has(line)) gone.push({ store, key });
    }
    return gone;
  }

  async #deleteWork(workId: string): Promise<void> {
    await this.#commit([{ store: "projects", key: workId }, ...this.#recordsOf(workId, [])]);
  }

  async #commit(changes: readonly Change[]): Promise<void> {
    this.changed = true;
    await this.#given.commit(changes);
  }

  async #writeWork(own: Own, workId: string): Promise<void> {
    const work = own.works.find((w) => w.id === workId);
    if (work) await this.#writeItem(work, work.folder);
  }

  async #writeItem({ state, parts }: OwnItem, folder: string): Promise<void> {
    if ([...parts, state].every((p) => this.#sure.has(p.path))) return;
    const there = await this.#files.list(folder);
    const put = async ({ path, text }: Part) => {
      if (this.#sure.has(path)) return;
      const content = new Blob([text]);
      // A name is the hash of what is in it: one that is there with the right size is right.
      if (there.get(path.slice(path.lastIndexOf("/") + 1)) !== content.size) {
        await this.#files.write(path, content);
        this.#written += 1;
      }
      this.#sure.add(path);
    };
    for (const part of parts) await put(part);
    await put(state);
  }

  /** Originals, then parts, then states, and last of all the head that names them: whatever it names is there. */
  async writeAll(own: Own, headStands: boolean, onProgress: (share: number) => void): Promise<void> {
    await this.#writeOriginals(own.photos, onProgress);
    for (const work of own.works) {
      const before = this.#written;
      await this.#writeItem(work, work.folder);
      if (this.#written > before) await this.#files.write(work.readable.path, new Blob([work.readable.text]));
    }
    await this.#writeItem(own.library, "library");
    const before = this.#known;
    // What was brought in and put together with what was here is a state of its own.
    await this.note(own);
    const { writer, items } = this.#known;
    const line = this.#given.lines().get(keyLine("about", aboutKey));
    const unchanged = line !== undefined && JSON.stringify(before) === line && this.#known.counter === before.counter;
    if (unchanged && headStands) return;
    const revision = this.#known.revision + 1;
    const head: SafeHead = {
      format: "tessip-head",
      version: 1,
      writer,
      label: this.#given.label,
      revision,
      at: this.#given.now(),
      items,
    };
    this.#known = { ...this.#known, revision };
    // Before the head: of one that is older than what we know, we know that it is ours.
    await this.#given.commit([{ store: "about", key: aboutKey, value: this.#known }]);
    await this.#files.write(`heads/${writer}.json`, new Blob([JSON.stringify(head)]));
  }

  async #writeOriginals(photos: readonly Photo[], onProgress: (share: number) => void): Promise<void> {
    const paths = photos.map((p) => `originals/${originalName(p.hash, p.type)}`);
    if (paths.every((p) => this.#sure.has(p))) return;
    const there = await this.#files.list("originals");
    for (const [i, photo] of photos.entries()) {
      const path = paths[i]!;
      if (this.#sure.has(path)) continue;
      const size = there.get(path.slice("originals/".length));
      const original = await this.#given.original(photo.hash, photo.type);
      if (original && size !== original.size) {
        await this.#files.write(path, original);
        this.#written += 1;
      } else if (!original && !size) {
        this.#missing.add(photo.name);
        continue;
      }
      this.#sure.add(path);
      onProgress((i + 1) / photos.length);
    }
  }
}
