import { useDeferredValue, useMemo } from "react";
import { useStore } from "zustand";
import { type Project, pagesBefore } from "#core/document";
import { type NoteEvent, type Thread, threadsOf, type Whereabouts, whereabouts } from "#core/notes";
import type { Photo } from "#core/photo";
import { useServices } from "../../services.ts";
import { useLibrary, useProject } from "../session/hooks.ts";
import { notesOf } from "./notes-shelf.ts";

/** A note where it belongs now. */
export interface ShownNote {
  readonly thread: Thread;
  /** In the order in which they were made, from 1. */
  readonly number: number;
  readonly where: Whereabouts;
  /** Whether anybody waits for something to be done about it. */
  readonly toDo: boolean;
  readonly unread: boolean;
}

interface Known {
  readonly project: Project;
  readonly byId: ReadonlyMap<string, Photo>;
  readonly unread: ReadonlySet<string>;
  readonly shown: readonly ShownNote[];
}
const known = new WeakMap<readonly NoteEvent[], Known>();

/** The pins, the list and the badges all ask for the same. */
function shownNotes(
  project: Project,
  events: readonly NoteEvent[],
  byId: Known["byId"],
  unread: Known["unread"],
): readonly ShownNote[] {
  const was = known.get(events);
  if (was && was.project === project && was.byId === byId && was.unread === unread) return was.shown;
  const hashOf = (id: string) => byId.get(id)?.hash;
  const shown = threadsOf(events).map((thread, i) => ({
    thread,
    number: i + 1,
    where: whereabouts(project, thread.place, { hashOf }),
    toDo: thread.state === "open" || thread.state === "answered",
    unread: thread.eventIds.some((id) => unread.has(id)),
  }));
  known.set(events, { project, byId, unread, shown });
  return shown;
}

const nothing: readonly NoteEvent[] = [];

export function useNoteEvents(): readonly NoteEvent[] {
  const id = useProject((s) => s.project.id);
  return useStore(notesOf(useServices()).state, (s) => s.byWork.get(id) ?? nothing);
}

/** All notes on the open work, a moment after what is drawn. */
export function useShownNotes(): readonly ShownNote[] {
  const project = useDeferredValue(useProject((s) => s.project));
  const events = useNoteEvents();
  const unread = useStore(notesOf(useServices()).state, (s) => s.unread);
  const byId = useLibrary((s) => s.byId);
  return useMemo(() => shownNotes(project, events, byId, unread), [project, events, byId, unread]);
}

/** How many notes on each page somebody waits for. */
export function useNoteCounts(): ReadonlyMap<string, number> {
  const shown = useShownNotes();
  return useMemo(() => {
    const counts = new Map<string, number>();
    for (const { where, toDo } of shown)
      if (toDo && where.pageId !== null) counts.set(where.pageId, (counts.get(where.pageId) ?? 0) + 1);
    return counts;
  }, [shown]);
}

/** What each page is called: its number, or those of both leaves of a spread. */
export const pageNumbers = ({ pages }: Pick<Project, "pages">): ReadonlyMap<string, string> => {
  const before = pagesBefore(pages);
  return new Map(
    pages.map((p, i) => {
      const first = before[i]! + 1;
      return [p.id, p.span > 1 ? `${first}\u2013${first + p.span - 1}` : String(first)];
    }),
  );
};
