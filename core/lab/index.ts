export {
  type BookCover,
  type BookPaper,
  type BookRules,
  bindsSo,
  bookRulesSchema,
  boundPages,
  pageCounts,
  spineMm,
} from "./book.ts";
export { type LabCard, labCardSchema, type PrintSize } from "./card.ts";
export { type CardIssue, cardIssues, cardText, plainCard, readCardFile } from "./card-file.ts";
export { type FileNameParts, fileNames, plainName } from "./file-name.ts";
export {
  type LabMood,
  labMoods,
  mostPacketBytes,
  type Order,
  type OrderStage,
  orderSchema,
  orderStages,
  type Packet,
  type PacketFile,
  packetSchema,
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
  pageFormatSchema,
  printPixels,
  safeBox,
  seenBox,
  trimBox,
} from "./page-format.ts";
