import { z } from "zod";
import { mostNameLength } from "#core/document";
import { merged } from "#core/notes";
import type { Photo } from "#core/photo";
import { photoSchema } from "#core/photo/schema";
import {
  joinedFacts,
  libraryStateSchema,
  originalName,
  photoPartSchema,
  restPartSchema,
  type WorkState,
  withIds,
  workStateSchema,
} from "#core/safe-folder";
import { ownFontSchema } from "#core/words/schema";
import { type Change, keyLine } from "../storage/journal/record.ts";
import { sha256 } from "../storage/sha256.ts";
import type { StoredNotes } from "../storage/store.ts";
import { within } from "../text/within.ts";
import { type Original, originalsOf, shaOf } from "./own-states.ts";
import type { SafeFiles } from "./safe-files.ts";
import { canonical, parsedJson, type SafeSyncGiven } from "./sync-given.ts";

interface LibraryFacts {
  readonly photos: Readonly<Record<string, unknown>>;
  readonly rest: Readonly<Record<string, Readonly<Record<string, unknown>>>>;
}

/** The files that a font's record names; none where it is no such record. */
const fontFilesOf = (record: unknown): readonly Original[] => {
  const font = ownFontSchema.safeParse(record);
  return font.success ? originalsOf(font.data) : [];
};

const roomSchema = z
  .object({ readerKey: z.string().max(64), makerKey: z.string().max(64), endsAt: z.string().max(40) })
  .nullable();

/** Notes of both sides: whichever state builds on which, none of them is lost. */
async function notesBoth(workId: string, mine: string | undefined, theirs: unknown): Promise<readonly Change[]> {
  const { noteEventsSchema } = await import("#core/notes/schema");
  const read = z
    .object({ events: noteEventsSchema, sameAs: z.string().max(64).optional(), room: roomSchema.optional() })
    .safeParse(theirs);
  if (!read.success) return [];
  const here: StoredNotes = mine === undefined ? { id: workId, events: [] } : JSON.parse(mine);
  const events = merged(here.events, read.data.events);
  // The same on either side, whichever of them comes to it first.
  const [sameAs] = [here.sameAs, read.data.sameAs].filter((id) => id !== undefined).sort();
  // The one that ends last, so that both come to the same.
  const [room] = [here.room, read.data.room]
    .filter((r) => r !== undefined && r !== null)
    .sort((a, b) => (a.endsAt + a.makerKey > b.endsAt + b.makerKey ? -1 : 1));
  const next: StoredNotes = {
    id: workId,
    events,
    ...(sameAs === undefined ? {} : { sameAs }),
    ...(room ? { room } : {}),
  };
  return canonical(next) === canonical(here) ? [] : [{ store: "notes", key: workId, value: next }];
}

/** Takes states of a folder over into this browser: whole and checked against their names, or not at all. */
export class Bringer {
  readonly #deps: SafeSyncGiven;
  readonly #files: SafeFiles;
  /** Whether anything here is other than before. */
  changed = false;
  /** Whether, ids apart, all that is here was in the library state that was brought last. */
  libraryAlike = false;
  photos = 0;
  readonly missing = new Set<string>();

  constructor(given: SafeSyncGiven, files: SafeFiles) {
    this.#deps = given;
    this.#files = files;
  }

  async #json<T>(path: string, schema: z.ZodType<T>): Promise<T | undefined> {
    const file = await this.#files.read(path);
    if (!file) return undefined;
    const text = await file.text();
    // Half of a file that a program is still carrying here is not that file.
    const name = path.slice(path.lastIndexOf("/") + 1, -".json".length);
    if ((await shaOf(text)) !== name) return undefined;
    return schema.safeParse(parsedJson(text)).data;
  }

  /** `covers`: theirs builds on everything that is known here; else both are put together. */
  async library(path: string, covers: boolean): Promise<void> {
    const state = await this.#json(path, libraryStateSchema);
    if (!state) return;
    const here = new Map<string, Photo>();
    const ids = new Set<string>();
    for (const [line, value] of this.#deps.lines()) {
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
        if (!mine && !(await this.#original(photo))) {
          this.missing.add(photo.name);
          continue;
        }
        const value = next ?? { ...photo, id: ids.has(photo.id) ? this.#deps.newId() : photo.id };
        changes.push({ store: "photos", key: value.id, value: photoSchema.parse(value) });
        ids.add(value.id);
        if (!mine) this.photos += 1;
      }
      if (changes.length > 0) await this.#commit(changes);
    }
    const rest = await this.#json(`library/${state.rest}.json`, restPartSchema);
    all.rest = rest ?? {};
    const changes: Change[] = [];
    for (const [table, records] of Object.entries(all.rest))
      for (const [key, value] of Object.entries(records ?? {})) {
        // Its name is known even where its files are not here.
        if (table === "fonts")
          for (const f of fontFilesOf(value)) if (!(await this.#original(f))) this.missing.add(f.name);
        const mine = this.#deps.lines().get(keyLine(table, key));
        if (table === "notes") {
          changes.push(...(await notesBoth(key, mine, value)));
          continue;
        }
        if (mine === undefined || (covers && canonical(JSON.parse(mine)) !== canonical(value)))
          changes.push({ store: table, key, value });
      }
    if (changes.length > 0) await this.#commit(changes);
    this.libraryAlike = rest !== undefined && canonical(all) === canonical(this.#libraryHere(all, rest));
  }

  /** What is here in the form of what came, ids of photos apart: they differ from computer to computer. */
  #libraryHere(theirs: LibraryFacts, rest: LibraryFacts["rest"]): LibraryFacts {
    const photos: Record<string, unknown> = {};
    const own: Record<string, Record<string, unknown>> = Object.fromEntries(Object.keys(rest).map((t) => [t, {}]));
    for (const [line, value] of this.#deps.lines()) {
      const [table, key] = JSON.parse(line) as [string, Change["key"]];
      if (table === "photos") {
        const { id: _, ...facts } = JSON.parse(value) as Photo;
        photos[facts.hash] = facts;
      } else if (own[table]) own[table][String(key)] = JSON.parse(value);
    }
    return { ...theirs, photos, rest: own };
  }

  async #original({ hash, type }: Original): Promise<boolean> {
    if (await this.#deps.original(hash, type)) return true;
    const file = await this.#files.read(`originals/${originalName(hash, type)}`);
    if (!file || (await sha256(await file.arrayBuffer())) !== hash) return false;
    return this.#deps.keepOriginal(hash, file);
  }

  /** The work's name once all of it is here; undefined where a part is missing or is not what it says. */
  async work(path: string, workId: string): Promise<string | undefined> {
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
      const id = asCopy ? this.#deps.newId() : snapshotId;
      const snapshot = { ...(withIds(value, ids) as object), id, projectId: workId };
      changes.push({ store: "snapshots", key: id, value: snapshot });
    }
    const { record } = state;
    const [before, behind] = this.#deps.words.otherCopy;
    const own = record.project.name;
    const name = asCopy ? within(mostNameLength, own, (n) => before + n + behind) : own;
    const project = { ...(withIds(record.project, ids) as object), id: workId, name };
    changes.push({ store: "projects", key: workId, value: { ...record, id: workId, project } });
    await this.#commit([...this.#recordsOf(workId, changes), ...changes]);
    return name;
  }

  /** Ids of photos that are here under another id than where the work comes from. */
  #idsHere({ photos }: WorkState): ReadonlyMap<string, string> {
    const byHash = new Map<string, string>();
    for (const [line, value] of this.#deps.lines())
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
    for (const line of this.#deps.lines().keys()) {
      const [store, key] = JSON.parse(line) as [string, Change["key"]];
      const own = (store === "pages" || store === "steps") && key[0] === workId;
      if (own && !kept.has(line)) gone.push({ store, key });
    }
    return gone;
  }

  async deleteWork(workId: string): Promise<void> {
    await this.#commit([{ store: "projects", key: workId }, ...this.#recordsOf(workId, [])]);
  }

  async #commit(changes: readonly Change[]): Promise<void> {
    this.changed = true;
    await this.#deps.commit(changes);
  }
}
