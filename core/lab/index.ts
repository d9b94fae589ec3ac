export { type BookCover, type BookPaper, type BookRules, bindsSo, boundPages, pageCounts, spineMm } from "./book.ts";
export type { LabCard, PrintSize } from "./card.ts";
export { type FileNameParts, fileNames, plainName } from "./file-name.ts";
export {
  type LabMood,
  labMoods,
  mostPacketBytes,
  type Order,
  type OrderStage,
  orderStages,
  type Packet,
  type PacketFile,
  type Reason,
  reasonCodes,
} from "./packet.ts";
export {
  bleedBox,
  type Fold,
  type FormatTrouble,
  formatFromCard,
  hiddenAtEdges,
  ownFormat,
  ownSizeLimits,
  type PageFormat,
  printPixels,
  safeBox,
  seenBox,
  trimBox,
} from "./page-format.ts";
