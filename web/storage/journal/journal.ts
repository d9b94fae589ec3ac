import { decode, type Entry, encode, holdsMoreAfter, type Line } from "./record.ts";
import { type FileFolder, NoRoom, type SyncFile, writeWhole } from "./sync-file.ts";

/** What was found at an opening. */
export interface FoundJournal {
  readonly generation: number;
  readonly entries: readonly Entry[];
  /** Bytes after the last whole record; they were cut off. */
  readonly tornBytes: number;
  /** Whole records stood behind a damaged place: a copy of the file was put aside. */
  readonly hole: boolean;
}

const sealStore = "#sealed";
const sealOf = (generation: number): Line => ({ key: JSON.stringify([sealStore, String(generation)]), value: "true" });
const isSeal = (line: Line | undefined) => line?.key.startsWith(`["${sealStore}"`) ?? false;
const nameOf = (generation: number) => `journal-${String(generation).padStart(8, "0")}`;
const namePattern = /^journal-\d{8}$/;
/** When it is worth writing anew what stands. */
const grown = { fromBytes: 8_000_000, times: 4 };
/** State that is written anew goes into records of about this many letters. */
const batchLetters = 250_000;

/**
 * An append-only journal in files of generations. The newest generation that is sealed counts: it holds all that stood when it
 * was begun, then a seal, then what came after. One worker at a time, under a lock.
 */
export class Journal {
  readonly #folder: FileFolder;
  #file: SyncFile;
  #generation: number;
  #end: number;
  #seq: number;
  /** How long it was when it was opened, or when writing it anew was last tried. */
  #bytesBefore: number;

  private constructor(folder: FileFolder, file: SyncFile, at: { generation: number; end: number; seq: number }) {
    this.#folder = folder;
    this.#file = file;
    this.#generation = at.generation;
    this.#end = at.end;
    this.#seq = at.seq;
    this.#bytesBefore = at.end;
  }

  /** Whether so much was added that most of it is likely to count no more. */
  get hasGrown(): boolean {
    return this.#end >= Math.max(grown.fromBytes, grown.times * this.#bytesBefore);
  }
  get bytes(): number {
    return this.#end;
  }
  get seq(): number {
    return this.#seq;
  }

  close(): void {
    this.#file.close();
  }

  /** NoRoom where not even an empty journal fits, or no copy of a damaged one. */
  static async open(folder: FileFolder): Promise<{ readonly journal: Journal; readonly found: FoundJournal }> {
    const names: string[] = [];
    for await (const name of folder.keys()) if (namePattern.test(name)) names.push(name);
    let hole = false;
    let taken: { readonly journal: Journal; readonly found: FoundJournal } | undefined;
    for (const name of names.sort().reverse()) {
      if (taken) {
        await folder.remove(name);
        continue;
      }
      const file = await folder.open(name);
      const bytes = new Uint8Array(file.getSize());
      file.read(bytes, { at: 0 });
      const { entries, end } = decode(bytes);
      const broken = holdsMoreAfter(bytes, end);
      hole ||= broken;
      try {
        // Before anything is cut off: somebody may be able to read more of it than this program can.
        if (broken) await writeWhole(folder, `damaged-${name}-${bytes.length}`, bytes);
      } catch (e) {
        file.close();
        throw e;
      }
      const generation = Number(name.slice("journal-".length));
      if (!entries.some((e) => isSeal(e.lines[0]))) {
        file.close();
        if (!broken) await folder.remove(name);
        continue;
      }
      if (end < bytes.length) {
        file.truncate(end);
        file.flush();
      }
      const journal = new Journal(folder, file, { generation, end, seq: entries.at(-1)!.seq });
      taken = { journal, found: { generation, entries, tornBytes: bytes.length - end, hole } };
    }
    if (taken) return { journal: taken.journal, found: { ...taken.found, hole } };
    const journal = await Journal.#fresh(folder, 1, 0);
    try {
      journal.append([sealOf(1)]);
    } catch (e) {
      journal.close();
      throw e;
    }
    return { journal, found: { generation: 1, entries: [], tornBytes: 0, hole } };
  }

  static async #fresh(folder: FileFolder, generation: number, seq: number): Promise<Journal> {
    const file = await folder.open(nameOf(generation));
    file.truncate(0);
    return new Journal(folder, file, { generation, end: 0, seq });
  }

  /** On return the record is on the disk. NoRoom where it did not fit; then nothing was added. */
  append(lines: readonly Line[], flush = true): void {
    const record = encode({ seq: this.#seq + 1, lines });
    let wrote = -1;
    try {
      wrote = this.#file.write(record, { at: this.#end });
      if (flush) this.#file.flush();
    } catch {
      wrote = -1;
    }
    if (wrote < record.length) {
      try {
        this.#file.truncate(this.#end);
      } catch {
        // The next opening cuts it off.
      }
      throw new NoRoom(`${wrote} of ${record.length} bytes`);
    }
    this.#end += record.length;
    this.#seq += 1;
  }

  /** All that stands goes into a new generation; the old one stays whole until the new one is sealed and on the disk. */
  async compact(state: Iterable<Line>): Promise<void> {
    // Also where it fails: it is not tried again at every record.
    this.#bytesBefore = this.#end;
    const next = await Journal.#fresh(this.#folder, this.#generation + 1, this.#seq);
    try {
      let batch: Line[] = [];
      let letters = 0;
      for (const line of state) {
        batch.push(line);
        letters += line.key.length + line.value.length;
        if (letters < batchLetters) continue;
        next.append(batch, false);
        batch = [];
        letters = 0;
      }
      if (batch.length > 0) next.append(batch, false);
      next.append([sealOf(next.#generation)]);
    } catch (e) {
      next.close();
      await this.#folder.remove(nameOf(next.#generation)).catch(() => {});
      throw e;
    }
    this.close();
    const old = nameOf(this.#generation);
    this.#file = next.#file;
    this.#generation = next.#generation;
    this.#end = next.#end;
    this.#bytesBefore = next.#end;
    this.#seq = next.#seq;
    // An older generation that stays is taken away at the next opening.
    await this.#folder.remove(old).catch(() => {});
  }

  /**
   * False once the browser has thrown the storage away: an open file goes on taking bytes when it has no name any more, so its
   * name is asked for.
   */
  async present(): Promise<boolean> {
    const size = await this.#folder.sizeOf(nameOf(this.#generation)).catch(() => undefined);
    return size === this.#end;
  }
}

/** All lines of the entries, the newest of each key, without those that were removed. */
export function fold(entries: readonly Entry[], into = new Map<string, string>()): Map<string, string> {
  for (const { lines } of entries)
    for (const { key, value } of lines) {
      if (key.startsWith(`["${sealStore}"`)) continue;
      if (value === "") into.delete(key);
      else into.set(key, value);
    }
  return into;
}
