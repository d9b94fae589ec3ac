import { useEffect } from "react";
import { arrangedTiles } from "#core/document";
import { takenAway } from "#core/edit";
import { useServices } from "../services.ts";
import { lead, leadOf, shuffle } from "../state/edit/arrange-page.ts";
import { emptyThem } from "../state/edit/page-gestures.ts";
import { stepPage } from "../state/edit/page-list.ts";
import { keep } from "../state/edit/tree-gestures.ts";
import { takeOff } from "../state/edit/word-gestures.ts";
import { useSession } from "../state/session/hooks.ts";
import { openPage } from "../state/session/project-session.ts";
import { chooseAll, nothingChosen } from "../state/view-state/choose.ts";
import { typingIn } from "./typing-in.ts";

/** Keys that hold wherever the focus is in this place, except in a field that is being typed in. */
export function usePageKeys(): void {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      if (e.defaultPrevented) return;
      const ctrl = e.ctrlKey || e.metaKey;
      const key = e.key.toLowerCase();
      if (typingIn(e.target)) return;
      if (ctrl && key === "z") e.shiftKey ? session.redo() : session.undo();
      else if (ctrl && key === "y") session.redo();
      else if (key === "pageup" || key === "pagedown") {
        if (viewState.getState().reframing) return;
        stepPage(services, session, key === "pageup" ? -1 : 1);
      } else if (key === "delete" || key === "backspace") {
        if (viewState.getState().reframing) return;
        const ids = [...viewState.getState().tiles.ids];
        if (ids.length === 0) return;
        if (takeOff(services, session, ids)) {
          e.preventDefault();
          return;
        }
        if (e.shiftKey) {
          keep(session, "tookAway", ids.length, takenAway(ids));
          viewState.setState({ tiles: nothingChosen });
        } else emptyThem(session, ids);
      } else if (!ctrl && !e.altKey && key === "s") shuffle(services, session, e.shiftKey ? -1 : 1);
      else if (!ctrl && !e.altKey && key === "l") {
        const [only, more] = [...viewState.getState().tiles.ids];
        if (only === undefined || more !== undefined) return;
        lead(services, session, leadOf(openPage(session.state.getState()))?.tileId === only ? undefined : only, 0.4);
      } else if (ctrl && key === "a") {
        const page = openPage(session.state.getState());
        viewState.setState({ tiles: chooseAll(arrangedTiles(page).map((t) => t.id)) });
      } else if (key === "escape") {
        const now = viewState.getState();
        if (now.writing) viewState.setState({ writing: undefined });
        else if (now.reframing) viewState.setState({ reframing: undefined, straightening: false });
        else if (now.templates) {
          session.dropPreview();
          viewState.setState({ templates: false });
        } else viewState.setState({ tiles: nothingChosen, photos: nothingChosen });
      } else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, [services, viewState, session]);
}
