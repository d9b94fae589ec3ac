import type { Photo } from "#core/photo";
import { type LibraryState, originalName, safeFolderVersion, type WorkState } from "#core/safe-folder";
import { fontType, type OwnFont } from "#core/words";
import type { Key } from "../storage/journal/record.ts";
import { sha256 } from "../storage/sha256.ts";

/** What is kept in this browser, as the files that a safe folder has of it. */

/** A file that belongs in the folder. Its name is the hash of its content, so that one that is there is right. */
export interface Part {
  readonly path: string;
  readonly text: string;
}

export interface OwnItem {
  /** The state's own file, which names the others. */
  readonly state: Part;
  readonly parts: readonly Part[];
}

export interface OwnWork extends OwnItem {
  readonly id: string;
  readonly name: string;
  readonly folder: string;
  /** For people: what is in the work, without this program. */
  readonly readable: Part;
}

export interface Own {
  readonly works: readonly OwnWork[];
  readonly library: OwnItem;
  readonly photos: readonly Photo[];
  /** Files that are kept as they came: of photos and of fonts. */
  readonly originals: readonly Original[];
}

export interface Original extends Pick<Photo, "hash" | "type"> {
  readonly name: string;
}

/** In a step or a page, every photo is named by its id. */
const idPattern = /"([A-Za-z0-9_-]{1,64})"/g;
const restTables = ["spans", "templates", "favourites", "labs", "orders", "fonts", "notes"];

const laterTables = new Set(["fonts", "notes"]);

interface Read {
  readonly value: string;
  readonly sha: string;
  readonly named: readonly string[];
}

const bytesOf = (text: string) => new TextEncoder().encode(text);
export const shaOf = (text: string): Promise<string> => sha256(bytesOf(text));

/** Letters that every disk takes, of a name that a person gave. */
const plainFolder = (name: string): string =>
  name
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .toLowerCase()
    .slice(0, 40) || "work";

/** Reads the lines of the journal again and again, and hashes only what changed since the last time. */
export class OwnStates {
  readonly #aboutWork: string;
  readonly #read = new Map<string, Read>();

  /** `aboutWork`: what a work's readable file says of itself. */
  constructor(aboutWork: string) {
    this.#aboutWork = aboutWork;
  }

  async compose(lines: ReadonlyMap<string, string>, folderOf: (workId: string) => string | undefined): Promise<Own> {
    const byTable = new Map<string, [key: Key, line: string, value: string][]>();
    for (const [line, value] of lines) {
      const [table, key] = JSON.parse(line) as [string, Key];
      const list = byTable.get(table);
      if (list) list.push([key, line, value]);
      else byTable.set(table, [[key, line, value]]);
    }
    const of = (table: string) => byTable.get(table) ?? [];
    const photos = of("photos").map(([, , value]) => JSON.parse(value) as Photo);
    const hashes = new Map(photos.map((p) => [p.id, p.hash]));
    const grouped = (table: string) => {
      const groups = new Map<string, [second: string | number, line: string, value: string][]>();
      for (const [key, line, value] of of(table)) {
        const [first, second] = key as [string, string | number];
        const list = groups.get(first);
        if (list) list.push([second, line, value]);
        else groups.set(first, [[second, line, value]]);
      }
      return groups;
    };
    const [pages, steps] = [grouped("pages"), grouped("steps")];
    const snapshots = of("snapshots").map(
      ([key, line, value]) =>
        [String(key), line, value, (JSON.parse(value) as { projectId: string }).projectId] as const,
    );
    const works: OwnWork[] = [];
    for (const [key, line, value] of of("projects")) {
      const id = String(key);
      const record = JSON.parse(value) as WorkState["record"];
      const folder = folderOf(id) ?? `works/${plainFolder(record.project.name)}-${id}`;
      const parts: Part[] = [];
      const named = new Set((await this.#known(line, value)).named);
      const part = async (partLine: string, text: string) => {
        const read = await this.#known(partLine, text);
        for (const n of read.named) named.add(n);
        parts.push({ path: `${folder}/${read.sha}.json`, text });
        return read.sha;
      };
      const own = {
        pages: [] as [string, string][],
        steps: [] as [number, string][],
        snapshots: [] as [string, string][],
      };
      for (const [second, l, v] of byText(pages.get(id) ?? [])) own.pages.push([String(second), await part(l, v)]);
      for (const [second, l, v] of byNumber(steps.get(id) ?? [])) own.steps.push([Number(second), await part(l, v)]);
      for (const [sid, l, v, projectId] of snapshots) if (projectId === id) own.snapshots.push([sid, await part(l, v)]);
      const ids = [...named].filter((n) => hashes.has(n)).sort();
      const state: WorkState = {
        format: "tessip-work",
        version: 1,
        id,
        record,
        ...own,
        photos: Object.fromEntries(ids.map((n) => [n, hashes.get(n)!])),
      };
      const text = JSON.stringify(state);
      const about = photos.filter((p) => ids.includes(p.id));
      works.push({
        id,
        name: record.project.name,
        folder,
        state: { path: `${folder}/${await shaOf(text)}.json`, text },
        parts,
        readable: { path: `${folder}/work.json`, text: readable(state, about, this.#aboutWork) },
      });
    }
    const fonts = of("fonts").flatMap(([, , value]) => originalsOf(JSON.parse(value) as OwnFont));
    return { works, library: await this.#library(photos, of), photos, originals: [...photos, ...fonts] };
  }

  async #library(photos: readonly Photo[], of: (table: string) => readonly [Key, string, string][]): Promise<OwnItem> {
    const buckets = new Map<string, Photo[]>();
    for (const p of [...photos].sort((a, b) => (a.hash < b.hash ? -1 : 1))) {
      const bucket = buckets.get(p.hash.slice(0, 2)) ?? [];
      bucket.push(p);
      buckets.set(p.hash.slice(0, 2), bucket);
    }
    const parts: Part[] = [];
    const part = async (name: string, text: string) => {
      const { sha } = await this.#known(name, text);
      parts.push({ path: `library/${sha}.json`, text });
      return sha;
    };
    const shas: string[] = [];
    for (const name of [...buckets.keys()].sort())
      shas.push(await part(`bucket ${name}`, JSON.stringify(buckets.get(name))));
    const rest: Record<string, Record<string, unknown>> = {};
    for (const table of restTables) {
      const records = [...of(table)].sort((a, b) => (String(a[0]) < String(b[0]) ? -1 : 1));
      // Programs that do not know of these read what has none.
      if (laterTables.has(table) && records.length === 0) continue;
      rest[table] = Object.fromEntries(records.map(([key, , value]) => [String(key), JSON.parse(value)]));
    }
    const state: LibraryState = {
      format: "tessip-library",
      version: 1,
      photos: shas,
      rest: await part("rest", JSON.stringify(rest)),
    };
    const text = JSON.stringify(state);
    return { state: { path: `library/${await shaOf(text)}.json`, text }, parts };
  }

  async #known(name: string, value: string): Promise<Read> {
    const before = this.#read.get(name);
    if (before?.value === value) return before;
    const named = [...new Set([...value.matchAll(idPattern)].map((m) => m[1]!))];
    const read = { value, sha: await shaOf(value), named };
    this.#read.set(name, read);
    return read;
  }
}

/** A font's files, as originals. */
export const originalsOf = ({ name, faces }: Pick<OwnFont, "name" | "faces">): readonly Original[] =>
  faces.map(({ hash }) => ({ hash, type: fontType, name }));

const byText = <T extends readonly [string | number, ...unknown[]]>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (String(a[0]) < String(b[0]) ? -1 : 1));
const byNumber = <T extends readonly [string | number, ...unknown[]]>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => Number(a[0]) - Number(b[0]));

/** Written for somebody with a text editor; nothing reads it back. */
function readable({ id, record, pages }: WorkState, photos: readonly Photo[], about: string): string {
  return `${JSON.stringify(
    {
      about,
      safeFolder: safeFolderVersion,
      id,
      name: record.project.name,
      kind: record.project.kind,
      keptAt: record.savedAt,
      pages: pages.length,
      photos: photos.map((p) => ({
        file: `originals/${originalName(p.hash, p.type)}`,
        name: p.name,
        taken: p.takenAt,
        caption: p.caption,
        stars: p.stars,
      })),
    },
    null,
    2,
  )}\n`;
}
