/** More than a person can cut in a week. */
export const mostPieces = 4000;

export const cutMarks = ["outside", "edges", "none"] as const;
export const pieceLabels = ["beside", "back", "none"] as const;
