import { useEffect } from "react";
import { useStore } from "zustand";
import { notes as noteWords, room as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { useProject } from "../../state/session/hooks.ts";

/** What readers say in the room of the open work comes in for as long as that is open. */
export function useRoom(): void {
  const shelf = notesOf(useServices());
  const workId = useProject((s) => s.project.id);
  const readOnly = useProject((s) => s.readOnly);
  const room = useStore(shelf.state, (s) => s.rooms.get(workId));
  useEffect(() => {
    if (!room || readOnly) return;
    let stop: (() => void) | undefined;
    let left = false;
    // What follows a room is fetched with the first work that has one.
    void import("../../state/room/follow-room.ts").then(({ followRoom }) => {
      if (left) return;
      stop = followRoom(shelf, workId, room, {
        came: (fresh) => {
          const names = [...new Set(fresh.map((e) => e.by.name || noteWords.nobody))].slice(0, 3);
          notices.create({ title: words.cameIn(fresh.length, names), type: "info" });
        },
        ended: () => {
          notices.create({ title: words.ended, type: "info", duration: 15_000 });
          void shelf.setRoom(workId, undefined);
        },
      });
    });
    return () => {
      left = true;
      stop?.();
    };
  }, [shelf, workId, room, readOnly]);
}
