import { useEffect } from "react";
import { useKit } from "../../kit.ts";
import { typingIn } from "../../parts/typing-in.ts";
import { lead, leadOf, shuffle } from "../../state/arrange-page.ts";
import { chooseAll, nothingChosen } from "../../state/choose.ts";
import { useSession } from "../../state/hooks.ts";
import { emptyThem } from "../../state/page-gestures.ts";
import { stepPage } from "../../state/page-list.ts";
import { openPage } from "../../state/project-session.ts";
import { keep, takenAway } from "../../state/tree-gestures.ts";
import { takeOff } from "../../state/word-gestures.ts";

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
