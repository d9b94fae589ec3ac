import type { PathData, Size } from "#core/geometry";
import { once } from "../once.ts";

/** One colour of an ornament, in mm from the top left of its box; `light` from −1 (dark) over its ink to 1 (white). */
export interface OrnamentPart {
  readonly ink: number;
  readonly path: PathData;
  readonly light: number;
  /** Less than 1 where what lies below shines through, as through tape. */
  readonly alpha: number;
}

export interface OrnamentDesign {
  readonly family: OrnamentFamily;
  /** As large as it is usually wanted. */
  readonly size: Size;
  readonly inks: number;
  /** From below to above. */
  readonly parts: () => readonly OrnamentPart[];
}

export const ornamentFamilies = [
  "tape",
  "tags",
  "corners",
  "frames",
  "pennants",
  "stamps",
  "arrows",
  "plants",
  "stars",
  "numbers",
  "splashes",
] as const;
export type OrnamentFamily = (typeof ornamentFamilies)[number];

export const inked = (path: PathData, ink = 1, light = 0, alpha = 1): OrnamentPart => ({ ink, path, light, alpha });

export function ornament(
  family: OrnamentFamily,
  [w, h]: readonly [number, number],
  inks: number,
  make: () => readonly OrnamentPart[],
): OrnamentDesign {
  return { family, size: { w, h }, inks, parts: once(make) };
}
