import "fake-indexeddb/auto";
import { Database } from "./database.ts";
import { Keeper } from "./keeper.ts";
import type { KeeperReport } from "./keeper-report.ts";
import { keptStore } from "./kept-store.ts";
import type { ModelDisk } from "./model-disk.fixture.ts";

let ids = 0;
const open: Keeper[] = [];

/** Of a keeper that still runs, a deleted database would be made again. */
export async function nothingKept(): Promise<void> {
  for (const keeper of open.splice(0)) await keeper.close();
  await Database.delete();
}

/** A keeper on a modelled disk with the tests' database, and a store that writes through it as a page does. */
export async function keptIn(disk: ModelDisk, nowMs: () => number = () => Date.now()) {
  const reports: KeeperReport[] = [];
  const keeper = new Keeper({
    folder: async () => disk,
    openDatabase: (notices) => Database.open(notices),
    deleteDatabase: () => Database.delete(),
    newId: () => {
      ids += 1;
      return `journal${ids}`;
    },
    openWithinMs: 500,
    nowMs,
    later: () => () => {},
    announce: (r) => reports.push(r),
    alive: () => {},
  });
  open.push(keeper);
  const opened = await keeper.open();
  const originals = new Map<string, Blob>();
  const store = keptStore({
    lasting: true,
    tables: async () => keeper.tables,
    writer: {
      commit: async (changes, needs, loose) => void (await keeper.commit(changes, needs, loose)),
      keepLoose: (loose) => keeper.keepLoose(loose),
      tryAgain: async () => void (await keeper.tryAgain()),
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
  return { keeper, store, opened, reports };
}
