import type { PlacedTile } from "#core/document";
import type { PageFormat } from "#core/lab";
import { laidWords, seenFrame } from "#core/scene";
import type { PageFacts } from "./rule.ts";

/** Smaller letters run together on photo paper. */
export const leastReadablePt = 6;

/** The tile with its words at this size; nothing where some of them find no room then. */
export function sizedTo(
  sizePt: number,
  tile: PlacedTile,
  format: PageFormat,
  facts: PageFacts,
): PlacedTile | undefined {
  const { filling } = tile;
  if (filling.kind !== "words" || !facts.setter) return undefined;
  const style = { ...filling.style, sizePt };
  const sized = { ...filling, style };
  const laid = laidWords(sized, seenFrame(tile.frame, format), facts);
  return laid?.hidden === 0 ? { ...tile, filling: sized } : undefined;
}
