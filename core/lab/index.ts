export { type LabCard, labCardSchema, type PrintSize } from "./card.ts";
export { fileName, plainName } from "./file-name.ts";
export {
  bleedBox,
  type FormatTrouble,
  formatFromCard,
  ownFormat,
  ownSizeLimits,
  type PageFormat,
  pageFormatSchema,
  printPixels,
  safeBox,
  trimBox,
} from "./page-format.ts";
