import { type Change, changeOf, type Key, keyLine } from "./journal/record.ts";

/** What is kept, as tables of records by key; those with a pair of keys can be asked for by the first of the two. */

/** Tables whose records the journal holds, and from which the database can be made again. */
export const keptTables = [
  "photos",
  "spans",
  "templates",
  "favourites",
  "projects",
  "pages",
  "snapshots",
  "steps",
  "labs",
  "orders",
  "fonts",
  "notes",
] as const;
export type KeptTable = (typeof keptTables)[number];
/** Of which no more than convenience is lost. */
export type LooseTable = "previews" | "waiting";
export type Table = KeptTable | LooseTable;
/** A field by which some tables can be asked. */
export type Index = "byHash" | "byProject";

export const isKeptTable = (name: string): name is KeptTable => (keptTables as readonly string[]).includes(name);

export interface Tables {
  get(table: Table | "originals" | "meta", key: Key): Promise<unknown>;
  many(table: Table, keys: readonly Key[]): Promise<readonly unknown[]>;
  all(table: Table): Promise<readonly unknown[]>;
  /** Records whose first key is this, with their keys, by the second. */
  under(table: Table, first: string): Promise<readonly (readonly [Key, unknown])[]>;
  /** The second keys of records whose first key is this. */
  keysUnder(table: Table, first: string): Promise<readonly (string | number)[]>;
  keys(table: Table | "originals"): Promise<readonly Key[]>;
  by(table: Table, index: Index, value: string): Promise<readonly unknown[]>;
}

const fieldOf: Record<Index, string> = { byHash: "hash", byProject: "projectId" };

/** In memory, as the lines of a journal; a value is only read when it is asked for. */
export class LineTables implements Tables {
  /** Key line to value line, as `fold` makes it. */
  readonly lines: Map<string, string>;
  /** What the journal does not hold. */
  readonly #loose = new Map<string, unknown>();

  constructor(lines: Map<string, string> = new Map()) {
    this.lines = lines;
  }

  put(changes: readonly Change[]): void {
    for (const { store, key, value } of changes) {
      const line = keyLine(store, key);
      if (value === undefined) this.lines.delete(line);
      else this.lines.set(line, JSON.stringify(value));
    }
  }

  keepLoose(table: LooseTable | "originals", key: Key, value: unknown): void {
    const line = keyLine(table, key);
    if (value === undefined) this.#loose.delete(line);
    else this.#loose.set(line, value);
  }

  async get(table: Table | "originals" | "meta", key: Key): Promise<unknown> {
    const line = keyLine(table, key);
    const value = this.lines.get(line);
    return value === undefined ? this.#loose.get(line) : JSON.parse(value);
  }

  many(table: Table, keys: readonly Key[]): Promise<readonly unknown[]> {
    return Promise.all(keys.map((key) => this.get(table, key)));
  }

  async all(table: Table): Promise<readonly unknown[]> {
    return this.#found(`["${table}",`).map((c) => c.value);
  }

  async under(table: Table, first: string): Promise<readonly (readonly [Key, unknown])[]> {
    const found = this.#found(`["${table}",[${JSON.stringify(first)},`);
    const second = (c: Change) => (typeof c.key === "string" ? c.key : c.key[1]);
    return found.sort((a, b) => (second(a) < second(b) ? -1 : 1)).map((c) => [c.key, c.value]);
  }

  async keysUnder(table: Table, first: string): Promise<readonly (string | number)[]> {
    const start = `["${table}",[${JSON.stringify(first)},`;
    const lines = [...this.lines.keys()].filter((l) => l.startsWith(start));
    return lines.map((l) => (JSON.parse(l) as [string, [string, string | number]])[1][1]);
  }

  async keys(table: Table | "originals"): Promise<readonly Key[]> {
    const start = `["${table}",`;
    const lines = [...this.lines.keys(), ...this.#loose.keys()].filter((l) => l.startsWith(start));
    return lines.map((l) => (JSON.parse(l) as [string, Key])[1]);
  }

  async by(table: Table, index: Index, value: string): Promise<readonly unknown[]> {
    const all = (await this.all(table)) as readonly Record<string, unknown>[];
    return all.filter((record) => record[fieldOf[index]] === value);
  }

  #found(start: string): Change[] {
    const found: Change[] = [];
    for (const [key, value] of this.lines) if (key.startsWith(start)) found.push(changeOf({ key, value }));
    return found;
  }
}
