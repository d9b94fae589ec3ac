import { useEffect } from "react";
import { useKit } from "../../kit.ts";
import { typingIn } from "../../parts/typing-in.ts";
import { chooseAll, nothingChosen } from "../../state/choose.ts";
import { useSession } from "../../state/hooks.ts";
import { emptyThem } from "../../state/page-gestures.ts";

/** Keys that hold wherever the focus is in this place, except in a field that is being typed in. */
export function usePageKeys(): void {
  const { desk } = useKit();
  const session = useSession();
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      if (e.defaultPrevented) return;
      const ctrl = e.ctrlKey || e.metaKey;
      const key = e.key.toLowerCase();
      if (typingIn(e.target)) return;
      if (ctrl && key === "z") e.shiftKey ? session.redo() : session.undo();
      else if (ctrl && key === "y") session.redo();
      else if (key === "delete" || key === "backspace") {
        if (desk.getState().reframing) return;
        emptyThem(session, [...desk.getState().tiles.ids]);
      } else if (ctrl && key === "a") {
        const page = session.state.getState().project.pages[0]!;
        desk.setState({ tiles: chooseAll(page.tiles.map((t) => t.id)) });
      } else if (key === "escape") {
        const now = desk.getState();
        if (now.reframing) desk.setState({ reframing: undefined });
        else desk.setState({ tiles: nothingChosen, photos: nothingChosen });
      } else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, [desk, session]);
}
