import type { Project } from "#core/document";
import type { NoteEvent } from "#core/notes";

/** Pins that a work from before holds itself, as notes. They have no writer and keep their ids, so opening the work again brings nothing twice. */
export const oldNotes = ({ notes, createdAt }: Pick<Project, "notes" | "createdAt">): readonly NoteEvent[] =>
  notes.map(({ id, pageId, at, text }) => ({
    id,
    n: 0,
    at: Number.isNaN(Date.parse(createdAt)) ? new Date(0).toISOString() : new Date(createdAt).toISOString(),
    by: { key: "", name: "" },
    does: "note",
    place: { on: "point", pageId, at },
    text,
    mark: "",
  }));
