/** What can be said of words, and what they are for. */

export const alignments = ["left", "centre", "right", "justified"] as const;
export const verticals = ["top", "middle", "bottom"] as const;
export const quarterTurns = [0, 90, 180, 270] as const;

/** A story of fifty thousand words. */
export const mostLetters = 400_000;

export const smallestPt = 3;
export const largestPt = 500;

/** What words are for; a project has a style for each. */
export const wordRoles = ["title", "heading", "caption", "journal", "small"] as const;
export type WordRole = (typeof wordRoles)[number];

/** `alone`: the ink's own middle is in the middle; `set`: across by its ink, down with the middle of the capitals there, as its neighbours have it. */
export const inkCentrings = ["alone", "set"] as const;
export type InkCentring = (typeof inkCentrings)[number];

/** Of a stretch of text. */
export const raisings = ["up", "down"] as const;
export const listKinds = ["dots", "numbers"] as const;
export type ListKind = (typeof listKinds)[number];
export const mostColumns = 4;
export const mostSpans = 2000;
