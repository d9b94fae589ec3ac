import { useEffect } from "react";
import { useSession } from "../state/session/hooks.ts";
import { typingIn } from "./typing-in.ts";

/** Undo and redo by key, in a place that has no other keys. */
export function useUndoKeys(): void {
  const session = useSession();
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      const key = e.key.toLowerCase();
      if (!(e.ctrlKey || e.metaKey) || typingIn(e.target) || (key !== "z" && key !== "y")) return;
      if (key === "y" || e.shiftKey) session.redo();
      else session.undo();
      e.preventDefault();
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, [session]);
}
