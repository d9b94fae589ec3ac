import type { Database } from "./database.ts";
import { inTime } from "./in-time.ts";
import type { Change, Line } from "./journal/record.ts";
import type { Room } from "./journal/room.ts";
import { NoRoom } from "./journal/sync-file.ts";
import type { Applied } from "./schema.ts";
import { StoreError } from "./store.ts";
import { isKeptTable, keptTables } from "./tables.ts";

/** A database on a full disk, or one that a frozen tab has open, may never answer. */
export const answered = <T>(work: Promise<T>): Promise<T> =>
  inTime(work, patienceMs, () => new StoreError("storageLost", "the database does not answer"));
const patienceMs = 8_000;

/** Rejects with "storageHeld" after so long; one that opens when it was given up on would be held by nobody, and is closed. */
export function openedInTime(opening: Promise<Database>, withinMs: number): Promise<Database> {
  let late = false;
  opening.then(
    (database) => late && database.close(),
    () => {},
  );
  // A tab with an older version of this program may hold it, and not let go.
  return inTime(opening, withinMs, () => {
    late = true;
    return new StoreError("storageHeld", "the database does not open");
  });
}

/** So many records are written in one go. */
export const chunkRecords = 400;

/** Puts records into the database, and last of all says how far it has come. NoRoom where the disk is full. */
export async function fillDatabase(
  database: Database,
  room: Room | undefined,
  changes: readonly Change[],
  applied: Applied,
  alive: () => void,
): Promise<void> {
  const own = changes.filter((c) => isKeptTable(c.store));
  for (let at = 0; at < own.length; at += chunkRecords) {
    const some = own.slice(at, at + chunkRecords);
    if (room && !(await room.forDatabase(JSON.stringify(some).length))) throw new NoRoom("database");
    await answered(database.apply(some, undefined));
    alive();
  }
  await answered(database.apply([], applied));
}

/** Records of the database that the lines have not; where it is ahead, also those that the lines have otherwise. */
export async function unknownTo(
  lines: ReadonlyMap<string, string>,
  database: Database,
  ahead: boolean,
): Promise<{ readonly unknown: readonly Line[]; readonly inDatabase: number }> {
  const unknown: Line[] = [];
  let inDatabase = 0;
  for (const table of keptTables)
    for (const [key, change] of await database.records(table)) {
      inDatabase += 1;
      const value = JSON.stringify(change.value);
      if (ahead ? lines.get(key) !== value : !lines.has(key)) unknown.push({ key, value });
    }
  return { unknown, inDatabase };
}
