import type { Photo } from "#core/photo";
import type { Change } from "../journal/record.ts";
import type { Loose } from "../keeper-report.ts";
import type { Need } from "../needs.ts";
import type { Tables } from "../tables.ts";

/** Whoever writes what the store hands over: the keeper, here or in another tab. */
export interface Writer {
  /** All changes or none; a StoreError where they were not kept. */
  commit(changes: readonly Change[], needs?: readonly Need[], loose?: readonly Loose[]): Promise<void>;
  /** Never fails. */
  keepLoose(loose: readonly Loose[]): Promise<void>;
  tryAgain(): Promise<void>;
}

/** Where originals lie. */
export interface OriginalFiles {
  /** A StoreError where there is no room. */
  keep(photo: Pick<Photo, "id" | "hash">, original: Blob): Promise<void>;
  get(photo: Pick<Photo, "id" | "hash" | "type">): Promise<Blob | undefined>;
  /** Ids of those photos whose original is here. */
  here(photos: readonly Pick<Photo, "id" | "hash">[]): Promise<readonly string[]>;
  forget(photos: readonly Pick<Photo, "id" | "hash">[]): Promise<void>;
}

export interface KeptStoreDeps {
  readonly lasting: boolean;
  readonly writer: Writer;
  readonly originals: OriginalFiles;
  /** Where to read at the moment. */
  readonly tables: () => Promise<Tables>;
}
