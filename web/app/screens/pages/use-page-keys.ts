import { useEffect } from "react";
import { typingIn } from "../../components/typing-in.ts";
import { useKit } from "../../services.ts";
import { lead, leadOf, shuffle } from "../../state/edit/arrange-page.ts";
import { emptyThem } from "../../state/edit/page-gestures.ts";
import { stepPage } from "../../state/edit/page-list.ts";
import { keep, takenAway } from "../../state/edit/tree-gestures.ts";
import { takeOff } from "../../state/edit/word-gestures.ts";
import { useSession } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { chooseAll, nothingChosen } from "../../state/view-state/choose.ts";

/** Keys that hold wherever the focus is in this place, except in a field that is being typed in. */
export function usePageKeys(): void {
  const kit = useKit();
  const { desk } = kit;
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
        if (desk.getState().reframing) return;
        stepPage(kit, session, key === "pageup" ? -1 : 1);
      } else if (key === "delete" || key === "backspace") {
        if (desk.getState().reframing) return;
        const ids = [...desk.getState().tiles.ids];
        if (ids.length === 0) return;
        if (takeOff(kit, session, ids)) {
          e.preventDefault();
          return;
        }
        if (e.shiftKey) {
          keep(session, "tookAway", ids.length, takenAway(ids));
          desk.setState({ tiles: nothingChosen });
        } else emptyThem(session, ids);
      } else if (!ctrl && !e.altKey && key === "s") shuffle(kit, session, e.shiftKey ? -1 : 1);
      else if (!ctrl && !e.altKey && key === "l") {
        const [only, more] = [...desk.getState().tiles.ids];
        if (only === undefined || more !== undefined) return;
        lead(kit, session, leadOf(openPage(session.state.getState()))?.tileId === only ? undefined : only, 0.4);
      } else if (ctrl && key === "a") {
        const page = openPage(session.state.getState());
        desk.setState({ tiles: chooseAll(page.tiles.map((t) => t.id)) });
      } else if (key === "escape") {
        const now = desk.getState();
        if (now.writing) desk.setState({ writing: undefined });
        else if (now.reframing) desk.setState({ reframing: undefined, straightening: false });
        else if (now.templates) {
          session.dropPreview();
          desk.setState({ templates: false });
        } else desk.setState({ tiles: nothingChosen, photos: nothingChosen });
      } else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, [kit, desk, session]);
}
