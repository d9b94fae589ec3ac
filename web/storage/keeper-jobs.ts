import type { SafeFolderState } from "../safe-folder/safe-folder.ts";
import type { LastArchive, SavedAll } from "../safe-folder/save-all.ts";
import type { FolderWords, SyncReport } from "../safe-folder/sync-given.ts";
import type { Job } from "../workers/protocol.ts";
import type { Change } from "./journal/record.ts";
import type { KeeperReport, Loose } from "./keeper-report.ts";
import type { Need } from "./needs.ts";
import type { Tables } from "./tables.ts";

/** One question to the tables, by the name of its method. */
export interface Reading {
  readonly method: keyof Tables;
  readonly args: readonly unknown[];
}

/** What can be asked of the keeper, from its own tab or from another. Failure codes are those of a StoreError. */
export interface KeeperAsks {
  readonly open: Job<null, KeeperReport>;
  readonly commit: Job<
    { readonly changes: readonly Change[]; readonly needs: readonly Need[]; readonly loose: readonly Loose[] },
    null
  >;
  readonly keepLoose: Job<readonly Loose[], null>;
  readonly keepInDatabase: Job<{ readonly photoId: string; readonly original: Blob | undefined }, null>;
  readonly read: Job<Reading, unknown>;
  readonly look: Job<null, null>;
  readonly tryAgain: Job<null, KeeperReport>;
  readonly folderState: Job<null, SafeFolderState>;
  readonly lastArchive: Job<null, LastArchive>;
  /** A folder that the person has chosen, and may be written to. */
  readonly useFolder: Job<FileSystemDirectoryHandle, SafeFolderState>;
  readonly stopFolder: Job<null, SafeFolderState>;
  readonly syncFolder: Job<null, SafeFolderState>;
  /** Everything from another folder, or from an archive of one. Failure codes are those of a FolderError. */
  readonly bringFrom: Job<FileSystemDirectoryHandle | Blob, SyncReport>;
  /** All that is kept as one archive, or only what was not in the last one. */
  readonly saveAll: Job<{ readonly onlyNew: boolean }, SavedAll>;
}

export interface KeeperJobs extends KeeperAsks {
  /** The language that it writes into files for people; told before anything is asked. */
  readonly speak: Job<FolderWords, null>;
  /** Puts an original among the files of this browser; false where it has none of its own. */
  readonly keepOriginal: Job<{ readonly hash: string; readonly original: Blob }, boolean>;
  /** Ends the work at the journal, so that another tab can go on with it. */
  readonly letGo: Job<null, null>;
}
