import type { Author, EventOf, NoteEvent, NotePlace } from "./event.ts";
import { inOrder } from "./merge.ts";

/** `answered`: somebody else spoke last, and nobody has settled it since. `left`: it stays as it is, on purpose. */
export const noteStates = ["open", "answered", "done", "left"] as const;
export type NoteState = (typeof noteStates)[number];

export interface Reply {
  readonly id: string;
  readonly by: Author;
  readonly at: string;
  readonly text: string;
}

/** A note with all that was said to it. */
export interface Thread extends Reply {
  readonly place: NotePlace;
  /** The state of what it speaks of, as it was then. */
  readonly mark: string;
  readonly swap?: string | undefined;
  readonly crop?: EventOf<"note">["crop"];
  readonly replies: readonly Reply[];
  readonly state: NoteState;
  /** Ids of all events that made it what it is, so that what is new in it can be told. */
  readonly eventIds: readonly string[];
}

/** All notes, in the order in which they were made. What answers to a note that has not come yet waits for it. */
export function threadsOf(events: readonly NoteEvent[]): readonly Thread[] {
  const threads = new Map<string, Thread>();
  const sorted = [...events].sort(inOrder);
  for (const e of sorted)
    if (e.does === "note") {
      const { id, by, at, text, place, mark, swap, crop } = e;
      threads.set(id, { id, by, at, text, place, mark, swap, crop, replies: [], state: "open", eventIds: [id] });
    }
  // Apart, since a clock or a hostile number may put an answer before its note.
  const removed = new Set<string>();
  for (const e of sorted) {
    if (e.does === "note" || e.does === "judge") continue;
    const thread = threads.get(e.to);
    if (!thread) continue;
    if (e.does !== "remove") threads.set(e.to, after(thread, e));
    else if (isOwn(e, thread)) removed.add(e.to);
  }
  return [...threads.values()].filter((t) => !removed.has(t.id));
}

/** Pins from before notes had writers belong to whoever finds them. */
const isOwn = (e: NoteEvent, { by }: Thread): boolean => by.key === "" || e.by.key === by.key;

function after(thread: Thread, e: EventOf<"reply" | "settle" | "reword">): Thread {
  const next = { ...thread, eventIds: [...thread.eventIds, e.id] };
  // Only who wrote a note may write it anew.
  const own = isOwn(e, thread);
  switch (e.does) {
    case "reply": {
      const { id, by, at, text } = e;
      return { ...next, replies: [...thread.replies, { id, by, at, text }], state: own ? "open" : "answered" };
    }
    case "settle":
      return { ...next, state: e.state };
    case "reword":
      return own ? { ...next, text: e.text } : thread;
  }
}

export type Verdict = "approved" | "change";

export interface Judgement {
  /** Nothing for the work as a whole. */
  readonly pageId: string | null;
  readonly by: Author;
  readonly at: string;
  readonly verdict: Verdict;
  /** The state that was judged. */
  readonly mark: string;
}

/** The last word of each person on each page, and on the whole. */
export function judgementsOf(events: readonly NoteEvent[]): readonly Judgement[] {
  const last = new Map<string, Judgement>();
  for (const e of [...events].sort(inOrder)) {
    if (e.does !== "judge") continue;
    const { pageId, by, at, verdict, mark } = e;
    const key = JSON.stringify([pageId, by.key]);
    if (verdict === "none") last.delete(key);
    else last.set(key, { pageId, by, at, verdict, mark });
  }
  return [...last.values()];
}
