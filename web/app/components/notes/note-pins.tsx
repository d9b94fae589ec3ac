import { Check, MessageCircleMore, Minus } from "lucide-react";
import { useStore } from "zustand";
import { findPlaced } from "#core/document";
import { applyTo, type Rect } from "#core/geometry";
import { photoShape } from "#core/photo";
import { photoPlace } from "#core/scene";
import { notes as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { showPlace } from "../../state/notes/note-gestures.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { type ShownNote, useShownNotes } from "../../state/notes/shown-notes.ts";
import { openPlaced, useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { writerName } from "./note-words.ts";
import css from "./notes.module.css";

interface NotePinsProps {
  readonly pageId: string;
  /** What of the page shows, in mm. */
  readonly box: Rect;
  /** CSS pixels for one mm. */
  readonly scale: number;
}

const cornerPx = 20;
const apartPx = 30;

/** Notes on a page, where they belong; those that are settled only while the list is open. */
export function NotePins({ pageId, box, scale }: NotePinsProps) {
  const services = useServices();
  const session = useSession();
  const shown = useShownNotes();
  const me = useStore(notesOf(services).state, (s) => s.me);
  const { open, at } = useViewState((s) => s.notes);
  const here = shown.filter((n) => n.where.pageId === pageId && (n.toDo || open));
  let aside = 0;
  return here.map((note) => {
    const { thread, number, where } = note;
    // What speaks of all of the page stands in its corner.
    const x = where.at ? (where.at.x - box.x) * scale : cornerPx + apartPx * aside;
    const y = where.at ? (where.at.y - box.y) * scale : cornerPx;
    if (!where.at) aside += 1;
    if (x < 0 || y < 0 || x > box.w * scale || y > box.h * scale) return null;
    return (
      <button
        key={thread.id}
        type="button"
        className={css.pin}
        data-state={thread.state}
        data-open={thread.id === at || undefined}
        data-unread={note.unread || undefined}
        style={{ left: x, top: y }}
        title={thread.text}
        aria-label={words.pin(number, writerName(thread.by, me), thread.text, words.states[thread.state])}
        onPointerDown={(e) => e.stopPropagation()}
        onClick={(e) => {
          e.stopPropagation();
          showPlace(services, session, note);
          services.viewState.setState((s) => ({ notes: { ...s.notes, open: true } }));
        }}
      >
        <PinSign note={note} />
      </button>
    );
  });
}

function PinSign({ note }: { readonly note: ShownNote }) {
  if (note.thread.state === "done") return <Check size={15} aria-hidden />;
  if (note.thread.state === "left") return <Minus size={15} aria-hidden />;
  if (note.thread.state === "answered") return <MessageCircleMore size={15} aria-hidden />;
  return note.number;
}

/** The crop that the open note asks for, over its photo. */
export function AskedCrop({ box, scale }: Omit<NotePinsProps, "pageId">) {
  const page = useProject(openPlaced);
  const at = useViewState((s) => s.notes.at);
  const note = useShownNotes().find((n) => n.thread.id === at);
  const byId = useLibrary((s) => s.byId);
  const crop = note?.thread.crop;
  const tile = note?.where.tileId ? findPlaced(page, note.where.tileId) : undefined;
  if (!crop || tile?.filling.kind !== "photo") return null;
  const { view } = tile.filling;
  const photo = byId.get(view.photoId);
  if (!photo) return null;
  const place = photoPlace(tile, view, photoShape(photo), page.format);
  const corners = [
    { x: crop.x, y: crop.y },
    { x: crop.x + crop.w, y: crop.y },
    { x: crop.x + crop.w, y: crop.y + crop.h },
    { x: crop.x, y: crop.y + crop.h },
  ].map((p) => applyTo(place, p));
  const points = corners.map((p) => `${(p.x - box.x) * scale},${(p.y - box.y) * scale}`).join(" ");
  return (
    <svg className={css.ghost} role="img" aria-label={words.ghost}>
      <polygon points={points} />
      <polygon points={points} />
    </svg>
  );
}
