import { lazy, Suspense } from "react";
import { useKeys } from "../../commands/hear.ts";
import { useServices } from "../../services.ts";
import { beginNote } from "../../state/notes/note-gestures.ts";
import { useSession, useViewState } from "../../state/session/hooks.ts";
import { toggleNotes } from "./toggle-notes.ts";
import { useRoom } from "./use-room.ts";

/** As wide as the list of notes. */
export const notesPx = 304;

const NotesSheet = lazy(() => import("./notes-sheet.tsx").then((m) => ({ default: m.NotesSheet })));

/** The notes on the open work, in whichever place one is. */
export function NotesAside() {
  const services = useServices();
  const session = useSession();
  const open = useViewState((s) => s.notes.open);
  useRoom();
  useKeys("notes", {
    writeNote: () => beginNote(services, session),
    showNotes: () => toggleNotes(services.viewState),
  });
  return open ? (
    <Suspense>
      <NotesSheet />
    </Suspense>
  ) : null;
}
