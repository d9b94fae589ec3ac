import type { NoteEvent, NotePlace } from "./schema/index.ts";

export type { NoteEvent, NotePlace, NotesFile } from "./schema/index.ts";

export type Author = NoteEvent["by"];
export type NoteKind = NoteEvent["does"];
export type EventOf<K extends NoteKind> = Extract<NoteEvent, { readonly does: K }>;

/** What is to be said, before it has an id, a number and a time. */
type Saying<E> = E extends NoteEvent ? Omit<E, "id" | "n" | "at" | "by"> : never;

/** An event that comes after all that is known. */
export function newEvent(
  known: readonly NoteEvent[],
  say: Saying<NoteEvent>,
  given: { readonly id: string; readonly at: string; readonly by: Author },
): NoteEvent {
  const n = known.reduce((most, e) => Math.max(most, e.n), 0) + 1;
  return { ...given, n, ...say };
}

/** The page that a place is on; nothing for the work as a whole. */
export const pageOfPlace = (place: NotePlace): string | null => (place.on === "book" ? null : place.pageId);
