import type { NoteEvent, newEvent } from "#core/notes";

/** Says something in the name of whoever reads, and keeps it. */
export type Say = (say: Parameters<typeof newEvent>[1]) => NoteEvent;
