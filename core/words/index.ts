export { type Caret, caretAt, lineEnds, offsetAt, offsetBeyond, selectionRects } from "./caret.ts";
export { dayWords, firstLanguage, isLanguage, spanWords } from "./date-words.ts";
export type { Face, Glyph, Typesetter } from "./face.ts";
export { type FontFamily, faceKey, familyOf, firstWordStyles, fontFamilies, type WordStyle } from "./fonts.ts";
export { countWords, type LaidWords, type Line, layWords, mmOfPt, type SetGlyph } from "./lay-words.ts";
export { capHeight, inkBox, type LetterShape, letterShapes, sharedLetterSize } from "./letters.ts";
export {
  alignments,
  type InkCentring,
  largestPt,
  smallestPt,
  verticals,
  type WordRole,
  wordRoles,
} from "./settings.ts";
