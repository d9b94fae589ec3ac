import { useEffect, useRef, useState } from "react";
import type { NoteEvent, ProofData } from "#core/notes";

/** How things stand with the room that a proof is read in. `waiting`: something that was said has not arrived there. */
export type Live = "off" | "sent" | "waiting" | "closed";

const retryMs = 4000;
const mostAtOnce = 500;

interface FromRoom {
  readonly notes?: readonly NoteEvent[];
  readonly state?: number;
  readonly closed?: true;
}

/**
 * Keeps a proof that is read in a room in step with it: what is said here goes there, what others say comes here. Outside of a room it does nothing.
 * `own`: what was said here; `held`: not to be sent yet.
 */
export function useLive(
  data: ProofData,
  own: readonly NoteEvent[],
  held: boolean,
  onNotes: (notes: readonly NoteEvent[]) => void,
): { readonly live: Live; readonly newPages: boolean } {
  const [arrived, setArrived] = useState<ReadonlySet<string>>(() => new Set(data.events.map((e) => e.id)));
  const [closed, setClosed] = useState(false);
  const [newPages, setNewPages] = useState(false);
  const [tries, setTries] = useState(0);
  const hear = useRef(onNotes);
  hear.current = onNotes;
  useEffect(() => {
    const { room } = data;
    if (!room) return;
    const stream = new EventSource("stream");
    stream.onmessage = (e) => {
      const { notes, state, closed: ended } = JSON.parse(String(e.data)) as FromRoom;
      if (notes) hear.current(notes);
      if (state !== undefined && state !== room.state) setNewPages(true);
      if (ended) {
        setClosed(true);
        stream.close();
      }
    };
    return () => stream.close();
  }, [data]);
  const unsent = data.room && !closed ? own.filter((e) => !arrived.has(e.id)) : [];
  const next = held ? [] : unsent.slice(0, mostAtOnce);
  const key = next.map((e) => e.id).join();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the ids stand for what is to be sent; a try that failed is made again
  useEffect(() => {
    if (key === "") return;
    let left = false;
    void fetch("notes", { method: "POST", body: JSON.stringify(next) })
      .then((answer) => {
        if (left) return;
        if (answer.status === 404) setClosed(true);
        if (!answer.ok) throw new Error(String(answer.status));
        setArrived((was) => new Set([...was, ...next.map((e) => e.id)]));
      })
      .catch(() => setTimeout(() => !left && setTries((n) => n + 1), retryMs));
    return () => {
      left = true;
    };
  }, [key, tries]);
  const live = !data.room ? "off" : closed ? "closed" : unsent.length > 0 ? "waiting" : "sent";
  return { live, newPages };
}
