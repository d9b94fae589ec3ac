import type { Database, DatabaseNotices } from "./database.ts";
import { answered, chunkRecords, fillDatabase, openedInTime, unknownTo } from "./fill-database.ts";
import { type FoundJournal, fold, Journal } from "./journal/journal.ts";
import { type Change, changeOf, keyLine, type Line, lineOf } from "./journal/record.ts";
import { Room, recoveryBytes } from "./journal/room.ts";
import { type FileFolder, NoRoom } from "./journal/sync-file.ts";
import { type KeeperReport, type KeeperState, type Loose, sizeOfLoose, Telling } from "./keeper-report.ts";
import { checkNeed, type Need } from "./needs.ts";
import type { Applied } from "./schema.ts";
import { StoreError, storeErrorFrom } from "./store.ts";
import { isKeptTable, keptTables, LineTables, type Tables } from "./tables.ts";

export interface KeeperGiven {
  /** The folder of journal and ballast; undefined where the browser has no files of its own. */
  readonly folder: () => Promise<FileFolder | undefined>;
  readonly openDatabase: (notices: DatabaseNotices) => Promise<Database>;
  readonly deleteDatabase: () => Promise<void>;
  readonly newId: () => string;
  /** A database that does not open for so long is held by somebody. */
  readonly openWithinMs: number;
  readonly nowMs: () => number;
  /** Does something after so long, unless it is called off. */
  readonly later: (work: () => void, ms: number) => () => void;
  readonly announce: (report: KeeperReport) => void;
  /** Called whenever a piece of the work is done, so that whoever waits can tell slow from stuck. */
  readonly alive: () => void;
}

const quietMs = 5_000;
const aboutLine = keyLine("about", "journal");
const aboutJournal = (id: string): Line => ({ key: aboutLine, value: JSON.stringify({ id, format: 1 }) });

/**
 * Owns all that is kept: every change goes into the journal first and into the database after, one after the other. The database
 * is what everybody reads, and is made again from the journal whenever it is empty, damaged or behind.
 */
export class Keeper {
  readonly #deps: KeeperGiven;
  #journal: Journal | undefined;
  #room: Room | undefined;
  #database: Database | undefined;
  readonly #tables = new LineTables();
  readonly #telling = new Telling(this.#tables.lines);
  #journalId = "";
  #full = false;
  #trouble: KeeperState["trouble"] = "none";
  #queue: Promise<unknown> = Promise.resolve();
  #callOffLook: (() => void) | undefined;
  #closed = false;
  #recoverFromMs = 0;

  constructor(given: KeeperGiven) {
    this.#deps = given;
  }

  /** Journal and ballast first: opening the database on a full disk can make the browser throw all of it away. */
  open(): Promise<KeeperReport> {
    return this.#inTurn(async () => {
      const entries = await this.#openJournal();
      if (this.#trouble === "none") await this.#openDatabase(entries);
      return this.#report();
    });
  }

  #report(): KeeperReport {
    return this.#telling.report({
      reading: this.#database ? "database" : "memory",
      full: this.#full,
      trouble: this.#trouble,
    });
  }

  /** The lines that stand, for a second copy elsewhere. */
  lines(): ReadonlyMap<string, string> {
    return this.#tables.lines;
  }

  /** Where to read while the database cannot be relied on. */
  get tables(): Tables {
    return this.#database ?? this.#tables;
  }

  /** All of it or nothing. Resolves with the number of the record once it is on the disk and can be read back. */
  commit(changes: readonly Change[], needs: readonly Need[] = [], loose: readonly Loose[] = []): Promise<number> {
    return this.#inTurn(async () => {
      for (const need of needs) await this.#checkNeed(need);
      if (!this.#journal && this.#trouble === "lost") await this.#startAgain();
      const lines = changes.map(lineOf);
      if (this.#journal) await this.#append(lines);
      else if (!this.#database) throw new StoreError("storageRefused");
      this.#remember(changes, lines);
      const bytes = lines.reduce((sum, l) => sum + l.value.length + l.key.length, sizeOfLoose(loose));
      await this.#toDatabase(changes, bytes, loose);
      this.#lookLater();
      await this.#compactWhenLarge();
      return this.#journal?.seq ?? 0;
    });
  }

  /** What may be lost: written only where there is room, and never a reason to fail. */
  keepLoose(loose: readonly Loose[]): Promise<void> {
    return this.#inTurn(() => this.#toDatabase([], sizeOfLoose(loose), loose)).catch(() => {});
  }

  /** Where the browser has no files of its own, originals lie in the database. */
  keepInDatabase(photoId: string, original: Blob | undefined): Promise<void> {
    return this.#inTurn(async () => {
      if (!this.#database) throw new StoreError(this.#full ? "storageFull" : "storageRefused");
      if (this.#room && !(await this.#room.forDatabase(original?.size ?? 0))) throw new StoreError("storageFull");
      await this.#database.keepLoose("originals", photoId, original);
    });
  }

  /** Opens anew what was lost, and makes the database again once there is room. */
  tryAgain(): Promise<KeeperReport> {
    return this.#inTurn(async () => {
      if (this.#trouble === "lost") await this.#startAgain();
      if (!this.#database && this.#trouble === "none") await this.#recover();
      const report = this.#report();
      this.#deps.announce(report);
      return report;
    });
  }

  /** Whether all is still there; what the browser threw away under an open tab is written again from memory. */
  look(): Promise<void> {
    return this.#inTurn(() => this.#look());
  }

  /** What belongs to this browser alone and is no part of what is kept. */
  meta(key: string): Promise<unknown> {
    return this.#inTurn(async () => this.#database?.meta(key));
  }

  keepMeta(key: string, value: unknown): Promise<void> {
    return this.#inTurn(async () => {
      if (!this.#room || (await this.#room.forDatabase(1000))) await this.#database?.keepLoose("meta", key, value);
    });
  }

  /** Lets go of the journal, so that another window can have it. */
  close(): Promise<void> {
    return this.#inTurn(async () => {
      this.#closed = true;
      this.#callOffLook?.();
      this.#journal?.close();
      this.#database?.close();
    });
  }

  #inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = this.#queue.then(work, work);
    this.#queue = next.catch(() => {}).then(this.#deps.alive);
    return next;
  }

  /** Asked of the database while it answers, and of memory from then on. */
  async #checkNeed(need: Need): Promise<void> {
    try {
      await answered(checkNeed(this.tables, need));
    } catch (e) {
      if (!this.#journal || !this.#database || storeErrorFrom(e).code !== "storageLost") throw e;
      this.#toMemory();
      await checkNeed(this.#tables, need);
    }
  }

  #tell(): void {
    this.#deps.announce(this.#report());
  }

  #remember(changes: readonly Change[], lines: readonly Line[]): void {
    for (const [i, { key, value }] of lines.entries())
      if (changes[i]!.value === undefined) this.#tables.lines.delete(key);
      else this.#tables.lines.set(key, value);
  }

  async #openJournal(): Promise<FoundJournal["entries"]> {
    const folder = await this.#deps.folder().catch(() => undefined);
    if (!folder) return [];
    this.#room = new Room(folder);
    const opened = await Journal.open(folder).catch(async (e: unknown) => {
      if (!(e instanceof NoRoom)) throw e;
      this.#full = true;
      await this.#room?.dropBallast();
      return Journal.open(folder);
    });
    this.#journal = opened.journal;
    fold(opened.found.entries, this.#tables.lines);
    if (opened.found.hole) this.#telling.note({ code: "journalDamaged" });
    const about = this.#tables.lines.get(aboutLine);
    this.#journalId = about ? (JSON.parse(about) as { id: string }).id : "";
    return opened.found.entries;
  }

  async #openDatabase(entries: FoundJournal["entries"]): Promise<void> {
    const { lines } = this.#tables;
    if (this.#room && !(await this.#room.toOpenDatabase())) {
      this.#full = true;
      // What memory holds is read; the database is not touched before there is room.
      if (this.#journalId) return;
      throw new StoreError("storageFull");
    }
    const database = await this.#opened();
    if (!database) return;
    this.#database = database;
    const applied = await database.applied().catch(() => undefined);
    const known = lines.size > 0;
    if (!this.#journal) {
      for (const table of keptTables)
        for (const [line, change] of await database.records(table)) lines.set(line, JSON.stringify(change.value));
      return;
    }
    try {
      if (this.#journalId && applied?.journalId === this.#journalId && applied.seq <= this.#journal.seq) {
        await this.#catchUp(applied, entries);
      } else await this.#reconcile(applied, known);
      await this.#room?.layBallast();
    } catch (e) {
      // The journal holds everything: the database is made again from it, now or when there is room.
      if (!known) throw storeErrorFrom(e);
      await this.#recover();
    }
  }

  async #opened(): Promise<Database | undefined> {
    const notices: DatabaseNotices = { lost: () => this.#databaseLost() };
    try {
      return await openedInTime(this.#deps.openDatabase(notices), this.#deps.openWithinMs);
    } catch (e) {
      const why = storeErrorFrom(e);
      if (why.code === "newerVersion") this.#trouble = "newer";
      // Without a journal there is nothing else to read, and nothing may begin as if it were new.
      if (why.code === "newerVersion" || !this.#journalId) throw why;
      return undefined;
    }
  }

  /** What the journal holds and the database has not heard of yet. */
  async #catchUp({ seq }: Applied, entries: FoundJournal["entries"]): Promise<void> {
    const missed = entries.filter((e) => e.seq > seq);
    if (missed.length === 0) return;
    // Records before the missed ones may have gone into a new generation meanwhile.
    if ((entries[0]?.seq ?? 0) > seq + 1) await this.#rebuild();
    else await this.#fill(missed.flatMap((e) => e.lines).map(changeOf));
    this.#telling.note({ code: "caughtUp", changes: missed.length });
  }

  /** Journal and database do not know each other: each takes from the other what it has not, and the journal counts. */
  async #reconcile(applied: Applied | undefined, known: boolean): Promise<void> {
    const database = this.#database!;
    const { lines } = this.#tables;
    const ahead = this.#journalId !== "" && applied?.journalId === this.#journalId;
    if (!this.#journalId) this.#journalId = this.#deps.newId();
    // Ahead of a journal whose end is gone, the database is the newer of the two.
    const { unknown, inDatabase } = await unknownTo(lines, database, ahead);
    const taken: Line[] = [aboutJournal(this.#journalId), ...unknown];
    for (let at = 0; at < taken.length; at += chunkRecords) {
      const some = taken.slice(at, at + chunkRecords);
      await this.#append(some);
      for (const { key, value } of some) lines.set(key, value);
    }
    if (inDatabase > 0 && applied && !known) this.#telling.note({ code: "journalRemade" });
    if (inDatabase === 0 && known) this.#telling.note({ code: "rebuilt", ...this.#telling.counts() });
    await this.#fill([...lines].map(([key, value]) => changeOf({ key, value })));
  }

  #fill(changes: readonly Change[]): Promise<void> {
    return fillDatabase(this.#database!, this.#room, changes, this.#applied(), this.#deps.alive);
  }

  #applied = (): Applied => ({ journalId: this.#journalId, seq: this.#journal?.seq ?? 0 });

  async #rebuild(): Promise<void> {
    this.#database?.close();
    this.#database = undefined;
    await answered(this.#deps.deleteDatabase());
    this.#database = await this.#opened();
    if (!this.#database) throw new StoreError("storageRefused");
    await this.#fill([...this.#tables.lines].map(([key, value]) => changeOf({ key, value })));
  }

  /** Makes the database again where there is room for it; where not, memory goes on being read. */
  async #recover(): Promise<void> {
    if (this.#room && !(await this.#room.fits(recoveryBytes))) {
      this.#full = true;
      return;
    }
    try {
      await this.#rebuild();
      this.#full = false;
      await this.#room?.layBallast();
      this.#telling.note({ code: "rebuilt", ...this.#telling.counts() });
    } catch {
      this.#database?.close();
      this.#database = undefined;
    }
  }

  async #append(lines: readonly Line[]): Promise<void> {
    const journal = this.#journal;
    if (!journal) throw new StoreError("storageLost");
    let fitted = true;
    try {
      journal.append(lines);
    } catch (e) {
      if (!(e instanceof NoRoom)) throw storeErrorFrom(e);
      fitted = false;
    }
    // A file that the browser has thrown away goes on taking bytes: nothing counts as kept before its name was asked for.
    if (!(await journal.present())) {
      await this.#wiped();
      return this.#append(lines);
    }
    if (fitted) return;
    this.#full = true;
    await this.#room?.dropBallast().catch(() => {});
    // On a full disk the database cannot be relied on, even where it says that it wrote.
    this.#toMemory();
    try {
      journal.append(lines);
    } catch (e) {
      throw storeErrorFrom(e);
    }
    if (!(await journal.present())) await this.#wiped();
  }

  async #toDatabase(changes: readonly Change[], bytes: number, loose: readonly Loose[]): Promise<void> {
    if (this.#full || !this.#database) {
      for (const { table, key, value } of loose) this.#tables.keepLoose(table, key, value);
      if (!this.#journal || this.#trouble !== "none" || this.#deps.nowMs() < this.#recoverFromMs) return;
      this.#recoverFromMs = this.#deps.nowMs() + quietMs;
      await this.#recover();
      if (this.#database) this.#tell();
      return;
    }
    if (this.#room && !(await this.#room.forDatabase(bytes))) {
      this.#full = true;
      this.#toMemory();
      return;
    }
    try {
      const own: Change[] = changes.filter((c) => isKeptTable(c.store));
      for (const { table, key, value } of loose) own.push({ store: table, key, value });
      await answered(this.#database.apply(own, this.#journal && this.#applied()));
    } catch (e) {
      if (!this.#journal) throw storeErrorFrom(e);
      // What was written after a failed write cannot be relied on, even where it says that it was done.
      this.#toMemory();
    }
  }

  #toMemory(): void {
    this.#database?.close();
    this.#database = undefined;
    this.#tell();
  }

  #databaseLost(): void {
    if (this.#closed || !this.#database) return;
    this.#database = undefined;
    void this.#inTurn(async () => {
      if (this.#closed) return;
      if (!this.#journal) {
        this.#trouble = "lost";
        this.#tell();
        return;
      }
      await this.#look();
      if (this.#database) return;
      try {
        await this.#recover();
      } finally {
        this.#tell();
      }
    }).catch(() => {});
  }

  #lookLater(): void {
    this.#callOffLook?.();
    this.#callOffLook = this.#deps.later(() => void this.look().catch(() => {}), quietMs);
  }

  async #look(): Promise<void> {
    if (this.#closed || !this.#journal) return;
    if (!(await this.#journal.present())) return this.#wiped();
    if (this.#telling.isStale) this.#tell();
  }

  /** Everything that an origin keeps is gone, the journal too: what memory holds is written anew. */
  async #wiped(): Promise<void> {
    this.#journal?.close();
    this.#journal = undefined;
    this.#database?.close();
    this.#database = undefined;
    try {
      await this.#startAgain();
      this.#telling.onlyNote({ code: "wiped", ...this.#telling.counts() });
      this.#tell();
    } catch (e) {
      this.#trouble = "lost";
      this.#tell();
      throw storeErrorFrom(e);
    }
  }

  /** A new journal with all that memory holds, and a database made from it. */
  async #startAgain(): Promise<void> {
    const folder = await this.#deps.folder();
    if (!folder) {
      this.#database = await this.#opened();
      if (!this.#database) throw new StoreError("storageRefused");
      await this.#fill([...this.#tables.lines].map(([key, value]) => changeOf({ key, value })));
      this.#trouble = "none";
      return;
    }
    this.#room = new Room(folder);
    const { journal } = await Journal.open(folder);
    this.#journal = journal;
    this.#journalId = this.#deps.newId();
    this.#tables.lines.set(aboutLine, aboutJournal(this.#journalId).value);
    await journal.compact(this.#linesNow());
    this.#trouble = "none";
    await this.#recover();
  }

  *#linesNow(): Iterable<Line> {
    for (const [key, value] of this.#tables.lines) yield { key, value };
  }

  async #compactWhenLarge(): Promise<void> {
    const journal = this.#journal;
    if (!journal?.hasGrown || this.#full) return;
    if (this.#room && !(await this.#room.fits(journal.bytes))) return;
    try {
      await journal.compact(this.#linesNow());
      await this.#database?.apply([], this.#applied());
    } catch {
      // The old generation is whole and goes on.
    }
  }
}
