import type { PathData, Size } from "#core/geometry";
import { once } from "../once.ts";

/**
 * What repeats of a paper, in one ink. Shapes may reach beyond their repeat: they are drawn beside each other, never cut at its edge, so
 * that nothing can show where one repeat meets the next. `mix` is how much of the ink there is in the ground.
 */
export type PaperPart = { readonly ink: number; readonly mix: number } & (
  | { readonly path: PathData }
  /** A band that runs through: its two sides over one repeat, at points equally far apart, in mm from the repeat's own edge. */
  | { readonly runs: "across" | "down"; readonly from: readonly number[]; readonly to: readonly number[] }
);

export interface PaperDesign {
  readonly family: PaperFamily;
  readonly repeat: Size;
  readonly inks: number;
  /** From below to above. */
  readonly parts: () => readonly PaperPart[];
}

export const paperFamilies = ["lines", "checks", "dots", "waves", "tiles", "plants", "sky", "grounds"] as const;
export type PaperFamily = (typeof paperFamilies)[number];

/** Ink `ink`, all of it where nothing is said. */
export const drawn = (path: PathData, ink = 1, mix = 1): PaperPart => ({ ink, mix, path });

/** A straight band at a place of the repeat. */
export const band = (runs: "across" | "down", at: number, width: number, ink = 1, mix = 1): PaperPart => ({
  ...{ ink, mix, runs },
  from: [at],
  to: [at + width],
});

/** A band along a line that comes back to where it began: `line` of the share of the repeat gone through. */
export function wave(
  line: (share: number) => number,
  width: number,
  { ink = 1, mix = 1, points = 32, runs = "across" as "across" | "down" } = {},
): PaperPart {
  const from = Array.from({ length: points }, (_, i) => line(i / points) - width / 2);
  return { ink, mix, runs, from, to: from.map((v) => v + width) };
}

/** A design whose parts are made when they are first asked for. */
export function design(
  family: PaperFamily,
  [w, h]: readonly [number, number],
  inks: number,
  make: () => readonly PaperPart[],
): PaperDesign {
  return { family, repeat: { w, h }, inks, parts: once(make) };
}
