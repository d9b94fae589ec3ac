import { keptStore } from "./kept-store.ts";
import { checkNeed } from "./needs.ts";
import type { Store } from "./store.ts";
import { LineTables } from "./tables.ts";

/** Where a browser refuses to keep anything: one can work and export, but it is gone with the tab. */
export function openMemoryStore(): Store {
  const tables = new LineTables();
  const originals = new Map<string, Blob>();
  let last: Promise<unknown> = Promise.resolve();
  return keptStore({
    lasting: false,
    tables: async () => tables,
    writer: {
      commit: (changes, needs = [], loose = []) => {
        // One after the other, so that what is needed still holds when it is written.
        const next = last.then(async () => {
          for (const need of needs) await checkNeed(tables, need);
          tables.put(changes);
          for (const { table, key, value } of loose) tables.keepLoose(table, key, value);
        });
        last = next.catch(() => {});
        return next;
      },
      keepLoose: async (loose) => {
        for (const { table, key, value } of loose) tables.keepLoose(table, key, value);
      },
      tryAgain: async () => {},
    },
    originals: {
      keep: async ({ id }, original) => void originals.set(id, original),
      get: async ({ id }) => originals.get(id),
      here: async (photos) => photos.filter((p) => originals.has(p.id)).map((p) => p.id),
      forget: async (photos) => {
        for (const p of photos) originals.delete(p.id);
      },
    },
  });
}
