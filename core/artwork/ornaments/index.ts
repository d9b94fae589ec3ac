import type { OrnamentDesign } from "./design.ts";
import { arrows, numbers, plants, splashes, stars } from "./drawn-things.ts";
import { corners, frames, pennants, stamps, tags, tapes } from "./paper-things.ts";

/** A new ornament is a line in one of these files and its name in the words of the screen. */
const designs = {
  ...tapes,
  ...tags,
  ...corners,
  ...frames,
  ...pennants,
  ...stamps,
  ...arrows,
  ...plants,
  ...stars,
  ...numbers,
  ...splashes,
} as const;
export type OrnamentName = keyof typeof designs;
export const ornamentNames = Object.keys(designs) as readonly OrnamentName[];

/** Nothing where a later version knows an ornament that this one does not. */
export const ornamentDesign = (name: string): OrnamentDesign | undefined =>
  Object.hasOwn(designs, name) ? designs[name as OrnamentName] : undefined;
