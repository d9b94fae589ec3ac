import type { Colour } from "#core/colour";
import { inksOf } from "./inks.ts";
import type { Ornament } from "./schema/ornament.ts";
import type { Paper } from "./schema/paper.ts";

/** The same in another palette; one whose colours a person chose stays as it is. Knows nothing of designs, which come with what draws them. */
export const recoloured = (paper: Paper, palette: readonly Colour[]): Paper =>
  paper.ownColours ? paper : { ...paper, colours: inksOf(palette, paper.colours.length - 1) };

export const recolouredOrnament = (ornament: Ornament, palette: readonly Colour[]): Ornament =>
  ornament.ownColours ? ornament : { ...ornament, colours: inksOf(palette, ornament.colours.length).slice(1) };
