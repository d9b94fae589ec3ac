import type { LooseTable } from "./tables.ts";

/** What the keeper takes along with a commit, and what it says of what is kept. */

/** Pages listen here for what becomes of what is kept. */
export const reportChannel = "tessip-kept";

export interface KeeperState {
  /** Where everything is to be read: the database, or what the keeper has in memory. */
  readonly reading: "database" | "memory";
  readonly full: boolean;
  /** `newer`: what is kept was written by a newer Tessip. `lost`: nothing can be kept at the moment. */
  readonly trouble: "none" | "newer" | "lost";
}

/** What happened to what is kept, to be told in a sentence. */
export type Happened =
  /** The database was empty, damaged or behind, and was made again from the journal. */
  | { readonly code: "rebuilt"; readonly works: number; readonly photos: number }
  /** The last changes had not reached the database. */
  | { readonly code: "caughtUp"; readonly changes: number }
  /** The journal was gone; it was made again from the database. */
  | { readonly code: "journalRemade" }
  /** A damaged place in the journal; what could be read of it counts, and a copy was put aside. */
  | { readonly code: "journalDamaged" }
  /** The browser threw everything away while the program was open; what memory held was kept again. */
  | { readonly code: "wiped"; readonly works: number; readonly photos: number };

export interface KeeperReport {
  readonly state: KeeperState;
  readonly happened: readonly Happened[];
  /** Works and photos that are kept and not removed. */
  readonly works: number;
  readonly photos: number;
}

/** What may be lost and goes into the database along with the rest; `value` missing: taken away. */
export interface Loose {
  readonly table: LooseTable;
  readonly key: string;
  readonly value?: unknown;
}

/** Roughly, in bytes. */
export const sizeOfLoose = (loose: readonly Loose[]): number =>
  loose.reduce((sum, { value }) => sum + (value instanceof Blob ? value.size : 1000), 0);

/** Works and photos among the lines of a journal, without the removed ones. */
export function countedIn(lines: ReadonlyMap<string, string>): { readonly works: number; readonly photos: number } {
  let [works, photos] = [0, 0];
  for (const [key, value] of lines) {
    if (key.startsWith('["projects",') && !value.includes('"removedAt":"')) works += 1;
    else if (key.startsWith('["photos",') && !value.includes('"removed":true')) photos += 1;
  }
  return { works, photos };
}

/** What is to be told, and whether anything changed since it was last told. */
export class Telling {
  readonly #lines: ReadonlyMap<string, string>;
  #untold: Happened[] = [];
  #told = { works: 0, photos: 0 };

  constructor(lines: ReadonlyMap<string, string>) {
    this.#lines = lines;
  }

  note(happened: Happened): void {
    this.#untold.push(happened);
  }

  /** Of all that was not told yet only this is left to say. */
  onlyNote(happened: Happened): void {
    this.#untold = [happened];
  }

  counts() {
    return countedIn(this.#lines);
  }

  get isStale(): boolean {
    const { works, photos } = this.counts();
    return works !== this.#told.works || photos !== this.#told.photos;
  }

  /** What was not told before is told once. */
  report(state: KeeperState): KeeperReport {
    const happened = this.#untold;
    this.#untold = [];
    this.#told = this.counts();
    return { state, happened, ...this.#told };
  }
}
