export {
  busynessOf,
  type Ground,
  type GroundReason,
  groundsBeside,
  type HeardPaper,
  leadingColours,
  loudnessOf,
  paletteAround,
  papersBeside,
  type SeenColour,
} from "./going-with.ts";
export { apart, colourOfLab, firstPalette, inksOf, labOf, mixed } from "./inks.ts";
export { type OrnamentFamily, ornamentFamilies } from "./ornaments/design.ts";
export { newOrnament, type OrnamentFill, ornamentFills, ornamentSize } from "./ornaments/draw.ts";
export { type OrnamentName, ornamentDesign, ornamentNames } from "./ornaments/index.ts";
export { paletteFrom } from "./palette.ts";
export { type PaperFamily, paperFamilies } from "./papers/design.ts";
export { type PaperName, paperDesign, paperNames } from "./papers/index.ts";
export { type PaperFill, paperFills } from "./papers/lay.ts";
export { diagonalTurn, inDesign, newPaper } from "./papers/new-paper.ts";
export { recoloured, recolouredOrnament } from "./recolour.ts";
export type { Ornament } from "./schema/ornament.ts";
export type { Paper } from "./schema/paper.ts";
