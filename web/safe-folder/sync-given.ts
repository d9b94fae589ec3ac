import { z } from "zod";
import type { SafeItem } from "#core/safe-folder";
import type { Change } from "../storage/journal/record.ts";

/** What a round of the safe folder is given, what it says, and what this browser remembers of the folder. */

/** What is written into files for people to read, and into names; a worker speaks no language by itself. */
export interface FolderWords {
  readonly aboutFolder: string;
  readonly aboutWork: string;
  /** What stands before and behind the name of a work that was changed on two computers. */
  readonly otherCopy: readonly [before: string, behind: string];
}

export interface SafeSyncGiven {
  /** Every record that is kept, as lines of the journal. */
  readonly lines: () => ReadonlyMap<string, string>;
  readonly commit: (changes: readonly Change[]) => Promise<void>;
  readonly original: (hash: string, type: string) => Promise<Blob | undefined>;
  readonly keepOriginal: (hash: string, original: Blob) => Promise<boolean>;
  /** Works that somebody has open in this browser: nothing is put under their hands. */
  readonly openWorks: () => Promise<ReadonlySet<string>>;
  readonly newWriter: () => string;
  readonly newId: () => string;
  readonly now: () => string;
  readonly label: string;
  readonly words: FolderWords;
}

export interface SyncReport {
  /** Names of works that came from the folder, new or newer. */
  readonly works: readonly string[];
  readonly photos: number;
  /** Names of works of which both states are kept, since two computers changed them apart from each other. */
  readonly copies: readonly string[];
  /** Names of works that are newer in the folder and open here. */
  readonly waiting: readonly string[];
  /** Names of photos whose originals are neither here nor in the folder. */
  readonly missing: readonly string[];
  readonly written: number;
}

export const knownSchema = z.object({
  writer: z.string(),
  revision: z.number(),
  counter: z.number(),
  items: z.record(z.string(), z.custom<SafeItem>()),
  /** Of each item: what is composed here when nothing was changed since. */
  marks: z.record(z.string(), z.string()),
});
export type Known = z.infer<typeof knownSchema>;

/** The key under which the journal keeps it. */
export const aboutKey = "safe-folder";
export function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** The same text for the same content, in whatever order its fields stand. */
export function canonical(value: unknown): string {
  return JSON.stringify(value, (_, v: unknown) =>
    typeof v === "object" && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );
}
