import type { PaperDesign } from "./design.ts";
import { dots, sky } from "./dots.ts";
import { grounds } from "./grounds.ts";
import { checks, lines } from "./lines.ts";
import { plants } from "./plants.ts";
import { tiles } from "./tiles.ts";
import { waves } from "./waves.ts";

/** A new paper is a line in one of these files and its name in the words of the screen. */
const designs = { ...lines, ...checks, ...dots, ...waves, ...tiles, ...plants, ...sky, ...grounds } as const;
export type PaperName = keyof typeof designs;
export const paperNames = Object.keys(designs) as readonly PaperName[];

/** Nothing where a later version knows a paper that this one does not. */
export const paperDesign = (name: string): PaperDesign | undefined =>
  Object.hasOwn(designs, name) ? designs[name as PaperName] : undefined;
