import type { Colour } from "#core/colour";
import type { Size } from "#core/geometry";
import { inksOf } from "../inks.ts";
import type { Paper } from "../schema/paper.ts";
import { type PaperName, paperDesign } from "./index.ts";

/** A paper in the colours of a palette. */
export const newPaper = (design: PaperName, palette: readonly Colour[]): Paper => ({
  design,
  colours: inksOf(palette, paperDesign(design)?.inks ?? 1),
});

/** Another design laid as the one before was; its colours follow the palette unless a person chose them. */
export const inDesign = (was: Paper | undefined, design: PaperName, palette: readonly Colour[]): Paper => {
  const { colours, ...laid } = was ?? { colours: [] };
  return { ...laid, ...newPaper(design, palette), ...(was?.ownColours ? { colours } : {}) };
};

/** The turn at which a paper's lines run from corner to corner of what it fills. */
export function diagonalTurn(paper: Paper, { w, h }: Size): number {
  const across = paperDesign(paper.design)
    ?.parts()
    .some((p) => "runs" in p && p.runs === "across");
  return (Math.atan2(across ? h : w, across ? w : h) * 180) / Math.PI;
}
