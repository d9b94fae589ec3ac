import bidiFactory from "bidi-js";
import type { Levels } from "#core/words";

const bidi = bidiFactory();

/** By the Unicode bidirectional algorithm (UAX #9); nothing where all of a paragraph is read from left to right. */
export function levelsOf(paragraph: string): Levels | undefined {
  const { levels, paragraphs } = bidi.getEmbeddingLevels(paragraph);
  return levels.some((l) => l > 0) ? { levels, base: paragraphs[0]?.level ?? 0 } : undefined;
}
