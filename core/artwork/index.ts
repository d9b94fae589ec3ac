export { apart, colourOfLab, firstPalette, inksOf, labOf, mixed } from "./inks.ts";
export { paletteFrom } from "./palette.ts";
export { type PaperFamily, paperFamilies } from "./papers/design.ts";
export { type PaperName, paperDesign, paperNames } from "./papers/index.ts";
export { type PaperFill, paperFills } from "./papers/lay.ts";
export { diagonalTurn, inDesign, newPaper } from "./papers/new-paper.ts";
export { recoloured } from "./recolour.ts";
export type { Paper } from "./schema/paper.ts";
