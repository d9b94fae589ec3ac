import { noNotesShown, type ViewStateStore } from "../../state/view-state/view-state.ts";

export const toggleNotes = (viewState: ViewStateStore): void =>
  viewState.setState((s) => ({ notes: { ...noNotesShown, open: !s.notes.open, at: s.notes.at } }));
