import { Button, HStack } from "@chakra-ui/react";
import { X } from "lucide-react";
import { type KeyboardEvent, lazy, Suspense, useCallback, useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { useStore } from "zustand";
import { proof as proofWords, room as roomWords, notes as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { useServices } from "../../services.ts";
import { beginNote, showPlace } from "../../state/notes/note-gestures.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { type ShownNote, useShownNotes } from "../../state/notes/shown-notes.ts";
import { useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { noNotesShown } from "../../state/view-state/view-state.ts";
import { Act } from "../panel-parts.tsx";
import { firstLook, NoteList } from "./note-list.tsx";
import { NoteThread } from "./note-thread.tsx";
import { NoteWriter } from "./note-writer.tsx";
import css from "./notes.module.css";

const ProofDialog = lazy(() => import("./proof-dialog.tsx").then((m) => ({ default: m.ProofDialog })));

const RoomDialog = lazy(() => import("./room-dialog.tsx").then((m) => ({ default: m.RoomDialog })));

/** All notes beside the work: the list, or one of them with what was said to it, or a new one. */
export function NotesSheet() {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const { viewState } = services;
  const { at, about, pointing } = useViewState((s) => s.notes);
  const readOnly = useProject((s) => s.readOnly);
  const shown = useShownNotes();
  const open = shown.find((n) => n.thread.id === at);
  const [look, setLook] = useState(firstLook);
  const [dialog, setDialog] = useState<"proof" | "room">();
  const endDialog = useCallback(() => setDialog(undefined), []);
  const workId = useProject((s) => s.project.id);
  const hasRoom = useStore(notesOf(services).state, (s) => s.rooms.has(workId));
  const frame = useRef<HTMLElement>(null);
  const close = () => viewState.setState({ notes: noNotesShown });
  const toList = () => viewState.setState((s) => ({ notes: { ...noNotesShown, open: s.notes.open } }));
  const go = (note: ShownNote) => {
    showPlace(services, session, note);
    const reading = location.pathname.endsWith("/read");
    if (note.where.pageId !== null && !reading) void navigate(`/work/${projectId}/pages`);
  };
  useEffect(() => {
    if (open) notesOf(services).markRead(open.thread.eventIds);
  }, [open, services]);
  // Whoever opens the notes by key goes on with keys.
  useEffect(() => {
    if (!frame.current?.contains(document.activeElement)) frame.current?.focus({ preventScroll: true });
  }, []);
  const obey = hears("noteSheet", {
    back: () => {
      if (pointing) viewState.setState((s) => ({ notes: { ...s.notes, pointing: false } }));
      else if (about || open) toList();
      else close();
    },
  });
  const onKeyDown = (e: KeyboardEvent) => {
    obey(e);
    // The keys of the place beside it rest while the focus is here, but for undo and its like.
    if (!e.ctrlKey && !e.metaKey) e.stopPropagation();
  };
  return (
    <aside ref={frame} tabIndex={-1} aria-label={words.title} className={css.sheet} onKeyDown={onKeyDown}>
      <div className={css.head}>
        {open || about ? (
          <Button size="sm" variant="ghost" onClick={toList}>
            ‹ {words.back}
          </Button>
        ) : (
          <h2 className={css.title}>{words.title}</h2>
        )}
        <Act icon={X} name={words.close} onAct={close} />
      </div>
      {about ? (
        <NoteWriter key={JSON.stringify(about)} place={about} onDone={toList} />
      ) : open ? (
        <NoteThread key={open.thread.id} note={open} onGo={() => go(open)} onDone={toList} />
      ) : (
        <NoteList shown={shown} look={look} onLook={setLook} onGo={go} />
      )}
      {!about && !readOnly && (
        <div className={css.foot}>
          {pointing && <p className={css.hint}>{words.pointing}</p>}
          <HStack gap="2" mb={open ? "0" : "2"}>
            <Button size="sm" variant="outline" flex="1" px="2" onClick={() => beginNote(services, session)}>
              {words.write}
            </Button>
            <Button
              size="sm"
              variant="outline"
              flex="1"
              px="2"
              aria-pressed={pointing}
              onClick={() => viewState.setState((s) => ({ notes: { ...s.notes, pointing: !pointing } }))}
            >
              {words.point}
            </Button>
          </HStack>
          {!open && (
            <HStack gap="2">
              <Button size="sm" flex="1" px="2" onClick={() => setDialog("proof")}>
                {proofWords.open}
              </Button>
              <Button size="sm" flex="1" px="2" variant="outline" onClick={() => setDialog("room")}>
                {hasRoom ? roomWords.opened : roomWords.open}
              </Button>
            </HStack>
          )}
        </div>
      )}
      {dialog && (
        <Suspense>
          {dialog === "proof" ? <ProofDialog onClose={endDialog} /> : <RoomDialog onClose={endDialog} />}
        </Suspense>
      )}
    </aside>
  );
}
