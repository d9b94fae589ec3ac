export { placedItems } from "#core/packing";
export { cutMarks, mostPieces, pieceLabels } from "./choices.ts";
export { type Cut, type LaidCard, type LaidSheet, layOut } from "./cuts.ts";
export { filledUp, movedPiece } from "./edit-plan.ts";
export { costOf, packSheets, type SheetPacking, type SheetTrouble, sheetsMark, usableSizes } from "./pack-sheets.ts";
export {
  noSheets,
  type PieceSource,
  type PlannedSheet,
  type PrintSheets,
  piecesOf,
  type SheetAlternatives,
  type SheetPlan,
  type Stock,
  type Want,
} from "./plan.ts";
export { type SheetSize, sheetSizes } from "./sizes.ts";
