import { openDB } from "idb";
import { type Change, type Key, keyLine } from "./journal/record.ts";
import { type Applied, type Db, databaseName, type Kept, upgrades } from "./schema.ts";
import { StoreError, storeErrorFrom } from "./store.ts";
import type { Index, LooseTable, Table, Tables } from "./tables.ts";

/** What the rest of the program has to hear about a database that others use too. */
export interface DatabaseNotices {
  /** It was closed or deleted under us. */
  lost(): void;
}

/** Tables whose records stand under a field of theirs. */
const keyed = new Set<string>([
  "photos",
  "projects",
  "spans",
  "templates",
  "snapshots",
  "labs",
  "orders",
  "fonts",
  "notes",
]);

/** The browser's database behind the tables. Every failure is a StoreError. */
export class Database implements Tables {
  readonly #db: Db;

  private constructor(db: Db) {
    this.#db = db;
  }

  static async open(notices: DatabaseNotices): Promise<Database> {
    try {
      const db: Db = await openDB<Kept>(databaseName, upgrades.length, {
        upgrade(to, from, _new, tx) {
          for (const up of upgrades.slice(from)) up(to, tx);
        },
        // Another tab wants to delete it or bring it up to date: let it have the database rather than hang it.
        blocking: () => {
          db.close();
          notices.lost();
        },
        terminated: () => notices.lost(),
      });
      return new Database(db);
    } catch (e) {
      throw storeErrorFrom(e);
    }
  }

  /** Takes the whole database away, for one that is made again. */
  static delete(): Promise<void> {
    return new Promise((done, failed) => {
      const request = indexedDB.deleteDatabase(databaseName);
      request.onsuccess = () => done();
      request.onerror = () => failed(storeErrorFrom(request.error));
    });
  }

  close(): void {
    this.#db.close();
  }

  get(table: Table | "originals" | "meta", key: Key): Promise<unknown> {
    return guarded(() => this.#db.get(table, key as never));
  }

  many(table: Table, keys: readonly Key[]): Promise<readonly unknown[]> {
    return guarded(() => {
      const { store } = this.#db.transaction(table);
      return Promise.all(keys.map((key) => store.get(key as never)));
    });
  }

  all(table: Table): Promise<readonly unknown[]> {
    return guarded(() => this.#db.getAll(table));
  }

  under(table: Table, first: string): Promise<readonly (readonly [Key, unknown])[]> {
    return guarded(async () => {
      const { store } = this.#db.transaction(table);
      // Arrays sort behind numbers and texts.
      const range = IDBKeyRange.bound([first], [first, []]);
      const [keys, values] = await Promise.all([store.getAllKeys(range as never), store.getAll(range as never)]);
      return keys.map((key, i) => [key as Key, values[i]] as const);
    });
  }

  keysUnder(table: Table, first: string): Promise<readonly (string | number)[]> {
    return guarded(async () => {
      const range = IDBKeyRange.bound([first], [first, []]);
      const keys = (await this.#db.getAllKeys(table, range as never)) as unknown as [string, string | number][];
      return keys.map(([, second]) => second);
    });
  }

  keys(table: Table | "originals"): Promise<readonly Key[]> {
    return guarded(async () => (await this.#db.getAllKeys(table)) as Key[]);
  }

  by(table: Table, index: Index, value: string): Promise<readonly unknown[]> {
    return guarded(async () => {
      const { store } = this.#db.transaction(table);
      return (store as unknown as { index(i: Index): { getAll(v: string): Promise<unknown[]> } })
        .index(index)
        .getAll(value);
    });
  }

  async applied(): Promise<Applied | undefined> {
    return (await guarded(() => this.#db.get("meta", "applied"))) as Applied | undefined;
  }

  /** All changes and how far the journal is followed with them, or nothing. */
  apply(changes: readonly Change[], applied: Applied | undefined): Promise<void> {
    return guarded(async () => {
      const tables = [...new Set(changes.map((c) => c.store)), "meta"] as never[];
      const tx = this.#db.transaction(tables, "readwrite", { durability: "strict" });
      const writes: Promise<unknown>[] = [];
      const at = (table: string) =>
        tx.objectStore(table as never) as unknown as {
          put(value: unknown, key?: Key): Promise<unknown>;
          delete(key: Key): Promise<unknown>;
        };
      for (const { store, key, value } of changes)
        writes.push(
          value === undefined
            ? at(store).delete(key)
            : keyed.has(store)
              ? at(store).put(value)
              : at(store).put(value, key),
        );
      if (applied) writes.push(at("meta").put(applied, "applied"));
      await settle(tx, writes);
    });
  }

  keepLoose(table: LooseTable | "originals" | "meta", key: Key, value: unknown): Promise<void> {
    return guarded(async () => {
      if (value === undefined) await this.#db.delete(table, key as never);
      else await this.#db.put(table, value as never, key as never);
    });
  }

  async meta(key: string): Promise<unknown> {
    return guarded(() => this.#db.get("meta", key));
  }

  /** Every record of a table with its line in the journal. */
  async records(table: Table): Promise<readonly (readonly [line: string, change: Change])[]> {
    const [keys, values] = await Promise.all([this.keys(table), this.all(table)]);
    return keys.map((key, i) => [keyLine(table, key), { store: table, key, value: values[i] }]);
  }
}

/** Waits for the requests and the transaction; the first that failed is the reason, not the abort that follows it. */
async function settle(tx: { readonly done: Promise<void> }, writes: readonly Promise<unknown>[]): Promise<void> {
  const ended = tx.done.then(
    () => undefined,
    // A transaction that was aborted because the database went away gives no reason.
    (e: unknown) => e ?? new StoreError("storageLost"),
  );
  const failed = (await Promise.allSettled(writes)).find((w) => w.status === "rejected");
  const abort = await ended;
  if (failed?.status === "rejected") throw failed.reason;
  if (abort !== undefined) throw abort;
}

async function guarded<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (e) {
    throw storeErrorFrom(e);
  }
}
