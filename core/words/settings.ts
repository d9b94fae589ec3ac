/** What can be said of words, and what they are for. */

export const alignments = ["left", "centre", "right", "justified"] as const;
export const verticals = ["top", "middle", "bottom"] as const;
export const quarterTurns = [0, 90, 180, 270] as const;

export const smallestPt = 3;
export const largestPt = 500;

/** What words are for; a project has a style for each. */
export const wordRoles = ["title", "caption", "journal"] as const;
export type WordRole = (typeof wordRoles)[number];

/** `alone`: the ink's own middle is in the middle; `set`: across by its ink, down with the middle of the capitals there, as its neighbours have it. */
export const inkCentrings = ["alone", "set"] as const;
export type InkCentring = (typeof inkCentrings)[number];
