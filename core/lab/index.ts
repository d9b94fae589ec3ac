export { type BookCover, type BookPaper, type BookRules, bindsSo, boundPages, pageCounts, spineMm } from "./book.ts";
export type { LabCard, PrintSize } from "./card.ts";
export { type FileNameParts, fileNames, plainName } from "./file-name.ts";
export { type OrderedSizes, orderedSizes } from "./ordered-sizes.ts";
export {
  type LabMood,
  labMoods,
  mostPacketBytes,
  mostTitleLength,
  type OrderStage,
  orderStages,
  reasonCodes,
} from "./packet.ts";
export {
  bleedBox,
  cutWander,
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
  unknownWanderMm,
} from "./page-format.ts";
export { type ForEachLabRule, type LabRuleName, labRuleNames, labRules } from "./rules.ts";
export type { Order, Packet, PacketFile, Reason } from "./schema/packet.ts";
