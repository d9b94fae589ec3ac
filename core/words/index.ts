export { type Caret, caretAt, lineEnds, offsetAt, offsetBeyond, selectionRects } from "./caret.ts";
export { dayWords, spanWords } from "./date-words.ts";
export type { Face, Glyph, Typesetter } from "./face.ts";
export {
  alignments,
  type FontFamily,
  faceKey,
  familyOf,
  firstWordStyles,
  fontFamilies,
  largestPt,
  smallestPt,
  verticals,
  type WordRole,
  type WordStyle,
  wordRoles,
} from "./fonts.ts";
export { countWords, type LaidWords, type Line, layWords, mmOfPt, type SetGlyph } from "./lay-words.ts";
