import { z } from "zod";

/**
 * What stands in a safe folder, by item: a work, or the library. No file is ever written by two computers, so that a program
 * that carries the folder about needs no locks: states never change, and each writer has one head of its own, which names the
 * state of every item that it knows. Which state counts follows from version vectors; no clock is asked.
 */

const count = z.number().int().min(1).max(Number.MAX_SAFE_INTEGER);
const writerId = z.string().regex(/^[a-z0-9]{6,32}$/);
const itemId = z.string().regex(/^(library|work:[A-Za-z0-9_.-]{1,64})$/);
/** A place in the folder, in plain letters only, so that no disk and no program refuses it. */
const path = z.string().regex(/^[a-z]+(\/[A-Za-z0-9_][A-Za-z0-9_.-]{0,120}){1,2}$/);

const itemSchema = z
  .object({
    /** The file of the state; null once the item was deleted for good. */
    state: path.nullable(),
    /** Who made this state, as which of the changes it made to the item. */
    by: writerId,
    n: count,
    /** The highest number of each writer that this state builds on, its own included. */
    seen: z.record(writerId, count).readonly(),
    /** For words only. */
    at: z.string().max(40),
  })
  .readonly();
export type SafeItem = z.infer<typeof itemSchema>;

export const headSchema = z
  .object({
    format: z.literal("tessip-head"),
    version: z.literal(1),
    writer: writerId,
    /** What computer and browser that is, for words only. */
    label: z.string().max(120),
    revision: z.number().int().min(0),
    at: z.string().max(40),
    items: z.record(itemId, itemSchema).readonly(),
  })
  .readonly();
export type SafeHead = z.infer<typeof headSchema>;

/** Whether everything that `b` builds on is known to `a`. */
export const covers = (a: SafeItem, b: SafeItem): boolean =>
  Object.entries(b.seen).every(([writer, n]) => (a.seen[writer] ?? 0) >= n);

/** What is still there before what was deleted; then by writer, then by number: the same on every computer. */
function greater(a: SafeItem, b: SafeItem): boolean {
  if ((a.state === null) !== (b.state === null)) return b.state === null;
  if (a.by !== b.by) return a.by > b.by;
  return a.n > b.n;
}

export interface Settled {
  readonly item: SafeItem;
  readonly from: "mine" | "theirs";
  /** The state that lost and is kept as a copy, under an id that every computer gives it. */
  readonly copy?: { readonly item: SafeItem; readonly from: "mine" | "theirs" };
}

/** Which of two states of an item counts, and whether the other is kept beside it. Nothing that somebody changed is lost. */
export function settle(mine: SafeItem | undefined, theirs: SafeItem): Settled {
  if (!mine) return { item: theirs, from: "theirs" };
  const [over, under] = [covers(mine, theirs), covers(theirs, mine)];
  if (over && under) return greater(theirs, mine) ? { item: theirs, from: "theirs" } : { item: mine, from: "mine" };
  if (over) return { item: mine, from: "mine" };
  if (under) return { item: theirs, from: "theirs" };
  const won = greater(mine, theirs) ? "mine" : "theirs";
  const [winner, loser] = won === "mine" ? [mine, theirs] : [theirs, mine];
  const seen: Record<string, number> = { ...winner.seen };
  for (const [writer, n] of Object.entries(loser.seen)) seen[writer] = Math.max(seen[writer] ?? 0, n);
  const item = { ...winner, seen };
  // A change wins over a deletion, and the same content twice is one.
  if (loser.state === null || loser.state === winner.state) return { item, from: won };
  const copy = { ...loser, seen: { [loser.by]: loser.n } };
  return { item, from: won, copy: { item: copy, from: won === "mine" ? "theirs" : "mine" } };
}

/** The id of a work that is kept as a copy: every computer gives it the same. */
export const copyIdOf = (workId: string, { by, n }: SafeItem): string =>
  `${workId.slice(0, 24)}.${by}.${n}`.slice(0, 64);
