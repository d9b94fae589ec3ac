import { useViewState } from "../../../state/session/hooks.ts";
import type { Marked } from "../../../state/view-state/view-state.ts";

/** The letters that are marked while these words are written; nothing while a caret stands between them. */
export const useMarked = (ids: readonly string[]): Marked | undefined =>
  useViewState(({ writing, marked }) =>
    ids.length === 1 && writing === ids[0] && marked && marked.from < marked.to ? marked : undefined,
  );
