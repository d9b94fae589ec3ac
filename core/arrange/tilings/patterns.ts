/** Patterns that fill a room with cells of one shape. The gap is the same, at right angles, along every side (Grünbaum and Shephard, 1987, for the tilings). */
export const tilingPatterns = [
  "hexagons",
  "hexagonsOnSides",
  "triangles",
  "diamonds",
  "bricks",
  "herringbone",
  "circles",
  "pennants",
  "ring",
  "fan",
] as const;
export type TilingPattern = (typeof tilingPatterns)[number];

/** Those that the room's edge may cut, so that nothing of it stays bare. */
export const canBeCut: ReadonlySet<TilingPattern> = new Set(["hexagons", "hexagonsOnSides", "triangles", "diamonds"]);
