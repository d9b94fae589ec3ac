export { type CuttingListAsk, cuttingList } from "./cutting-list.ts";
export {
  type ContactPhoto,
  contactSheets,
  type OfficePaper,
  officePapers,
  type PaperOpening,
  paperProof,
} from "./on-paper.ts";
export { type PiecePage, piecePage } from "./piece-page.ts";
export { wordsTile } from "./plain-tiles.ts";
export { backFile, type DrawnSheet, drawnSheets, type SheetFileAsk, sheetFile } from "./sheet-file.ts";
export { rulerLength, type TestPrintWords, testPrint } from "./test-print.ts";
