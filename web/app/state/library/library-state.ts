import type { NamedSpan, Photo, Pile, Section } from "#core/photo";

/** What there is in the library, and on its way in. */

/** A file on its way in. `open` is called when its turn comes, so that a folder of thousands is not held in memory. */
export interface IncomingFile {
  readonly name: string;
  open(signal: AbortSignal): Promise<File>;
  /** The first bytes, where they are at hand, so that a picture inside them can be shown while the file waits. */
  head?(): Promise<Uint8Array>;
}

export interface Queued {
  readonly file: IncomingFile;
  readonly section: Section;
  /** Called when it is through, with the photo that it is now; with nothing where none came of it. */
  readonly told: (photoId: string | undefined) => void;
}

/** A drawing from which something was taken out that could have run or been fetched. */
export interface Cleaned {
  readonly name: string;
  readonly takenOut: number;
}

export interface LeftOut {
  readonly name: string;
  readonly code: string;
}

export interface Incoming {
  readonly total: number;
  readonly done: number;
  /** The next ones, to show at once. */
  readonly waiting: readonly IncomingFile[];
  /** Milliseconds since 1970. */
  readonly since: number;
}

/** What a person did to the library, for the words "Undo …". */
export type LibraryDeed =
  | "retimed"
  | "starred"
  | "hid"
  | "showed"
  | "captioned"
  | "focused"
  | "piled"
  | "removed"
  | "named";

export interface Snapshot {
  readonly photos: readonly Photo[];
  readonly spans: readonly NamedSpan[] | undefined;
}

export interface LibraryStep {
  readonly deed: LibraryDeed;
  readonly count: number;
  readonly before: Snapshot;
  readonly after: Snapshot;
}

export interface LibraryState {
  readonly ready: boolean;
  /** By the time taken; hidden ones too, removed ones not. */
  readonly photos: readonly Photo[];
  /** By name. */
  readonly papers: readonly Photo[];
  readonly ornaments: readonly Photo[];
  /** All of them, of every section. */
  readonly byId: ReadonlyMap<string, Photo>;
  readonly spans: readonly NamedSpan[];
  readonly piles: readonly Pile[];
  readonly incoming: Incoming | undefined;
  readonly leftOut: readonly LeftOut[];
  readonly cleaned: readonly Cleaned[];
  /** What was removed and can still come back, the last first. */
  readonly removed: readonly Photo[];
  /** Files of the last bringing-in that were here already. */
  readonly alreadyHere: number;
  /** Records that could not be read from storage. */
  readonly damaged: number;
  readonly undoable: readonly LibraryStep[];
  readonly redoable: readonly LibraryStep[];
}
