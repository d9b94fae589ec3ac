export { bentBar } from "./bend.ts";
export { type Caret, caretAt, lineEnds, type Marked, offsetAt, offsetBeyond, selectionRects } from "./caret.ts";
export { dayWords, firstLanguage, isLanguage, spanWords } from "./date-words.ts";
export type { Face, Glyph, Levels, Shaping, Typesetter } from "./face.ts";
export { type FaceNeeds, faceKeysFor } from "./face-keys.ts";
export {
  type FontFamily,
  type FontKind,
  faceKey,
  familyOf,
  firstWordStyles,
  fontFamilies,
  fontKinds,
  fontPairs,
  offeredFonts,
  partsOf,
  standInFont,
  standInKey,
  type WordStyle,
} from "./fonts.ts";
export { countWords, type LaidWords, layWords } from "./lay-words.ts";
export { capHeight, inkBox, type LetterShape, letterShapes, sharedLetterSize } from "./letters.ts";
export {
  type Alike,
  alikeNames,
  datesIn,
  editDistance,
  type FindHow,
  type Mention,
  mentionsOf,
  type Named,
  namesIn,
} from "./names.ts";
export {
  type Embedding,
  type FontFacts,
  fontType,
  isOwnFont,
  type OwnFace,
  type OwnFont,
  ownFaceOf,
  withFontFile,
} from "./own-fonts.ts";
export type { LetterLook } from "./paragraph.ts";
export { type Bar, glyphMatrix, type Line, type SetGlyph, type Stop } from "./set-line.ts";
export {
  alignments,
  type InkCentring,
  type ListKind,
  largestPt,
  listKinds,
  mostColumns,
  mostLetters,
  mostSpans,
  raisings,
  smallestPt,
  verticals,
  type WordRole,
  wordRoles,
} from "./settings.ts";
export {
  difference,
  type Span,
  type SpanLook,
  spanAt,
  spansAfter,
  spansJoined,
  spansWithin,
  withSpan,
  wordAround,
} from "./spans.ts";
export { thinnestStroke } from "./strokes.ts";
export { mmOfPt } from "./units.ts";
export type { WordsToLay } from "./waiting-lines.ts";
