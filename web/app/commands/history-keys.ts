import { useServices } from "../services.ts";
import { useSession } from "../state/session/hooks.ts";
import { useKeys } from "./hear.ts";

/** Undo and redo of what was done to the open work. */
export function useUndoKeys(): void {
  const session = useSession();
  useKeys("history", { undo: () => session.undo(), redo: () => session.redo() });
}

/** Undo and redo of what was done to the library. */
export function useLibraryUndoKeys(): void {
  const { library } = useServices();
  useKeys("history", { undo: () => void library.undo(), redo: () => void library.redo() });
}
