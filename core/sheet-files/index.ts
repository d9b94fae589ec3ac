export { type CuttingListAsk, cuttingList } from "./cutting-list.ts";
export { type PiecePage, piecePage } from "./piece-page.ts";
export { backFile, type DrawnSheet, drawnSheets, type SheetFileAsk, sheetFile } from "./sheet-file.ts";
