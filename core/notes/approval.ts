import type { Author } from "./event.ts";
import type { Judgement } from "./threads.ts";

export interface Approval {
  /** Pages that everybody who spoke of them approved as they are now. */
  readonly approved: readonly string[];
  /** Pages that were approved, and are other than they were then. */
  readonly changedSince: readonly string[];
  /** Pages that somebody wants changed. */
  readonly toChange: readonly string[];
  /** Who approved the work as a whole, as it is now. */
  readonly wholeBy: readonly Author[];
  /** Who approved it in another state. */
  readonly wholeBefore: readonly Author[];
  readonly wholeToChange: readonly Author[];
}

/**
 * What was approved of the work as it stands. `marks`: the state of each page that is there, in the order in which the work is read;
 * `whole`: that of all of them.
 */
export function approvalOf(
  judgements: readonly Judgement[],
  marks: ReadonlyMap<string, string>,
  whole: string,
): Approval {
  const approved: string[] = [];
  const changedSince: string[] = [];
  const toChange: string[] = [];
  for (const [pageId, mark] of marks) {
    const own = judgements.filter((j) => j.pageId === pageId);
    if (own.length === 0) continue;
    if (own.some((j) => j.verdict === "change" && j.mark === mark)) toChange.push(pageId);
    else if (own.every((j) => j.mark === mark)) approved.push(pageId);
    else changedSince.push(pageId);
  }
  const ofWhole = judgements.filter((j) => j.pageId === null);
  const by = (some: (j: Judgement) => boolean) => ofWhole.filter(some).map((j) => j.by);
  return {
    approved,
    changedSince,
    toChange,
    wholeBy: by((j) => j.verdict === "approved" && j.mark === whole),
    wholeBefore: by((j) => j.verdict === "approved" && j.mark !== whole),
    wholeToChange: by((j) => j.verdict === "change"),
  };
}
