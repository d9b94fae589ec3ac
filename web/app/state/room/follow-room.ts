import type { NoteEvent } from "#core/notes";
import { noteEventSchema } from "#core/notes/schema";
import type { OpenRoom } from "../../../storage/store.ts";
import type { NotesShelf } from "../notes/notes-shelf.ts";
import { RoomError, roomNotes, sayInRoom, streamOf } from "./room-client.ts";

const retryMs = 5000;
const mostAtOnce = 2000;

const sound = (events: unknown): readonly NoteEvent[] =>
  Array.isArray(events) ? events.flatMap((e) => noteEventSchema.safeParse(e).data ?? []) : [];

/**
 * Keeps a work's notes in step with its room for as long as it is open: what readers say comes here, what is said here goes there. Where the server
 * does not answer it is asked again. Ends by the function that comes back.
 */
export function followRoom(
  shelf: NotesShelf,
  workId: string,
  room: OpenRoom,
  hear: { readonly came: (fresh: readonly NoteEvent[]) => void; readonly ended: () => void },
): () => void {
  let left = false;
  const there = new Set<string>();
  let sending = false;
  const take = async (events: readonly NoteEvent[]) => {
    for (const e of events) there.add(e.id);
    const { fresh } = await shelf.bringHome(workId, events);
    if (fresh.length > 0) hear.came(fresh);
  };
  const end = () => {
    if (left) return;
    stop();
    hear.ended();
  };
  const send = async () => {
    if (sending) return;
    sending = true;
    try {
      for (;;) {
        const unsent = shelf.of(workId).filter((e) => !there.has(e.id));
        if (left || unsent.length === 0) break;
        const some = unsent.slice(0, mostAtOnce);
        await sayInRoom(room, some);
        for (const e of some) there.add(e.id);
      }
    } catch (e) {
      if (e instanceof RoomError && e.code === "noSuchRoom") end();
      else later = setTimeout(() => void send(), retryMs);
    } finally {
      sending = false;
    }
  };
  let later: ReturnType<typeof setTimeout> | undefined;
  const catchUp = async () => {
    try {
      await take(sound(await roomNotes(room)));
      await send();
    } catch (e) {
      if (e instanceof RoomError && e.code === "noSuchRoom") end();
    }
  };
  const stream = new EventSource(streamOf(room));
  // Each time the line is there again: what was said meanwhile.
  stream.onopen = () => void catchUp();
  stream.onmessage = (e) => {
    const heard = JSON.parse(String(e.data)) as { readonly notes?: unknown; readonly closed?: true };
    if (heard.closed) end();
    else if (heard.notes) void take(sound(heard.notes));
  };
  stream.onerror = () => {
    // The browser tries again by itself, but for an address that is gone.
    if (stream.readyState === EventSource.CLOSED) void catchUp();
  };
  const unwatch = shelf.state.subscribe((now, before) => {
    if (now.byWork.get(workId) !== before.byWork.get(workId)) void send();
  });
  function stop() {
    left = true;
    clearTimeout(later);
    stream.close();
    unwatch();
  }
  return stop;
}
