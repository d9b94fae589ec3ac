import { useViewState } from "../../../state/session/hooks.ts";
import type { Marked } from "../../../state/view-state/view-state.ts";

/** The letters that are marked while these words are written. */
export function useMarked(ids: readonly string[]): Marked | undefined {
  const writing = useViewState((s) => s.writing);
  const marked = useViewState((s) => s.marked);
  return ids.length === 1 && writing === ids[0] && marked && marked.from < marked.to ? marked : undefined;
}
