export const notesEnding = ".tessip-notes";

/** Files that may hold notes, by their names: a reader's own, or a mail or text that they were pasted into. */
export const mayHoldNotes = (name: string): boolean => /\.(tessip-notes|eml|txt|json)$/i.test(name);
