import { useEffect } from "react";
import { typingIn } from "../../components/typing-in.ts";
import { useServices } from "../../services.ts";

/** Undo and redo of what was done to the library, while one is among the photos. */
export function useLibraryKeys(): void {
  const { library } = useServices();
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      const key = e.key.toLowerCase();
      if (e.defaultPrevented || typingIn(e.target) || !(e.ctrlKey || e.metaKey)) return;
      if (key === "z") void (e.shiftKey ? library.redo() : library.undo());
      else if (key === "y") void library.redo();
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, [library]);
}
