import type { Page } from "@playwright/test";

/** Everything that a browser keeps, read past the application. */
export interface KeptState {
  /** Of each table, each record as JSON by its key. */
  readonly tables: Readonly<Record<string, Readonly<Record<string, string>>>>;
  /** Of each original by its name, the hash of what is in it. */
  readonly originals: Readonly<Record<string, string>>;
}

export async function readKept(page: Page, withOriginals: boolean): Promise<KeptState> {
  // Run by tsx, functions are wrapped in a call that a page does not know.
  await page.evaluate("globalThis.__name ??= (f) => f");
  return page.evaluate(async (hashed) => {
    const db = await new Promise<IDBDatabase>((done, failed) => {
      const request = indexedDB.open("tessip");
      request.onsuccess = () => done(request.result);
      request.onerror = () => failed(request.error);
    });
    const names = ["photos", "spans", "templates", "projects", "pages", "snapshots", "steps", "labs", "orders"];
    const tx = db.transaction(names);
    const asked = <T>(request: IDBRequest<T>) =>
      new Promise<T>((done, failed) => {
        request.onsuccess = () => done(request.result);
        request.onerror = () => failed(request.error);
      });
    const read = names.map(async (name) => {
      const [keys, values] = await Promise.all([
        asked(tx.objectStore(name).getAllKeys()),
        asked(tx.objectStore(name).getAll()),
      ]);
      return [name, Object.fromEntries(keys.map((k, i) => [JSON.stringify(k), JSON.stringify(values[i])]))] as const;
    });
    const tables = Object.fromEntries(await Promise.all(read));
    db.close();
    const originals: Record<string, string> = {};
    const root = await navigator.storage.getDirectory();
    const folder = await root.getDirectoryHandle("originals").catch(() => undefined);
    const all = folder as unknown as { entries(): AsyncIterable<[string, FileSystemFileHandle]> } | undefined;
    if (all)
      for await (const [name, handle] of all.entries()) {
        if (!hashed) {
          originals[name] = "";
          continue;
        }
        const bytes = await (await handle.getFile()).arrayBuffer();
        const hash = new Uint8Array(await crypto.subtle.digest("SHA-256", bytes));
        originals[name] = [...hash].map((b) => b.toString(16).padStart(2, "0")).join("");
      }
    return { tables, originals };
  }, withOriginals);
}

/** What may have come through or not: something was going on when the browser was killed. */
export interface UnderWay {
  /** A work that was being changed. */
  readonly workId?: string;
}

/** Everything that was acknowledged and is not there, or is another; nothing where all is well. */
export function lostFrom(acknowledged: KeptState, found: KeptState, { workId }: UnderWay): readonly string[] {
  const lost: string[] = [];
  for (const [table, records] of Object.entries(acknowledged.tables))
    for (const [key, value] of Object.entries(records)) {
      const now = found.tables[table]?.[key];
      if (now === value) continue;
      const changing = workId !== undefined && key.includes(workId);
      // A record of the work that was under way may be newer; one that was there may not be gone, but for undone steps.
      if (changing && (now !== undefined || table === "steps")) continue;
      // The finder looks at photos by itself and adds what it saw.
      if (table === "photos" && now !== undefined && withoutFocus(now) === withoutFocus(value)) continue;
      lost.push(`${table} ${key}: ${now === undefined ? "gone" : "is another"}`);
    }
  for (const value of Object.values(acknowledged.tables.photos ?? {})) {
    const { name, hash } = JSON.parse(value) as { name: string; hash: string };
    if (found.originals[hash] !== hash) lost.push(`the original of ${name}`);
  }
  return lost;
}

const withoutFocus = (json: string): string => JSON.stringify({ ...JSON.parse(json), focus: null });
