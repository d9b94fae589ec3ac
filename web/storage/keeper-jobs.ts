import type { Job } from "../workers/protocol.ts";
import type { Change, Key } from "./journal/record.ts";
import type { KeeperReport } from "./keeper.ts";
import type { Need } from "./needs.ts";
import type { LooseTable, Tables } from "./tables.ts";

/** One question to the tables, by the name of its method. */
export interface Reading {
  readonly method: keyof Tables;
  readonly args: readonly unknown[];
}

/** What can be asked of the keeper, from its own tab or from another. Failure codes are those of a StoreError. */
export interface KeeperAsks {
  readonly open: Job<null, KeeperReport>;
  readonly commit: Job<{ readonly changes: readonly Change[]; readonly needs: readonly Need[] }, null>;
  readonly keepLoose: Job<
    { readonly table: LooseTable; readonly entries: readonly (readonly [key: string, value: unknown])[] },
    null
  >;
  readonly keepInDatabase: Job<{ readonly photoId: string; readonly original: Blob | undefined }, null>;
  readonly read: Job<Reading, unknown>;
  readonly look: Job<null, null>;
  readonly tryAgain: Job<null, KeeperReport>;
  /** Every record that the journal holds, as it stands now. */
  readonly records: Job<null, readonly (readonly [store: string, key: Key, value: string])[]>;
}

export interface KeeperJobs extends KeeperAsks {
  /** Puts an original among the files of this browser; false where it has none of its own. */
  readonly keepOriginal: Job<{ readonly hash: string; readonly original: Blob }, boolean>;
  /** Ends the work at the journal, so that another tab can go on with it. */
  readonly letGo: Job<null, null>;
}
