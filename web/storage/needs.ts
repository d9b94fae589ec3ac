import type { StoredProject } from "./schema.ts";
import { StoreError } from "./store.ts";
import type { Tables } from "./tables.ts";

/** What has to hold for a commit to be made; asked in the same breath, so that tabs cannot come between. */
export type Need =
  /** No photo has these bytes. Else: alreadyHere. */
  | { readonly is: "hashUnknown"; readonly hash: string }
  /** The work does not lie among the removed. Else: workRemoved. */
  | { readonly is: "workNotRemoved"; readonly projectId: string }
  /** The work was not deleted. Else: workRemoved. */
  | { readonly is: "workHere"; readonly projectId: string };

/** A StoreError where it does not hold. */
export async function checkNeed(tables: Pick<Tables, "by" | "get">, need: Need): Promise<void> {
  if (need.is === "hashUnknown") {
    if ((await tables.by("photos", "byHash", need.hash)).length > 0) throw new StoreError("alreadyHere", need.hash);
    return;
  }
  const record = (await tables.get("projects", need.projectId)) as StoredProject | undefined;
  const holds = need.is === "workHere" ? record !== undefined : record?.removedAt === undefined;
  if (!holds) throw new StoreError("workRemoved", need.projectId);
}
