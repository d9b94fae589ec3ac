import type { PathData } from "#core/geometry";

/** One shaped letter or part of one. Lengths in em: shares of the font size. */
export interface Glyph {
  /** A face may be split over several files; ids count within one. */
  readonly file: number;
  readonly id: number;
  /** Where in the text (UTF-16) the letter that it stands for begins. */
  readonly cluster: number;
  readonly advance: number;
  readonly dx: number;
  readonly dy: number;
}

export interface Shaping {
  /** Read from right to left; glyphs still come from left to right. By the letters themselves where nothing is said. */
  readonly rtl?: boolean;
  /** No letters are joined for looks, since room is put between them. */
  readonly apart?: boolean;
}

/** A font in one weight and slope. Shaping is the font's own business: kerning, ligatures, marks. */
export interface Face {
  readonly key: string;
  /** Above the baseline, and below it; both positive, in em. */
  readonly ascent: number;
  readonly descent: number;
  shape(text: string, how?: Shaping): readonly Glyph[];
  /** Whether it has a letter of its own for this code point. */
  covers(codePoint: number): boolean;
  /** The glyph that one of its files has for a letter by itself; shaping may take another form of it. */
  plain?(file: number, codePoint: number): number | undefined;
  /** In em, y down, from the baseline's start. */
  outline(file: number, glyph: number): PathData;
}

/** Embedding levels by the Unicode bidirectional algorithm (UAX #9): odd ones are read from right to left. One for each UTF-16 unit. */
export interface Levels {
  readonly levels: Uint8Array;
  readonly base: number;
}

/** What setting words needs from outside: faces that are loaded, and where lines may break (UAX #14). */
export interface Typesetter {
  /** Undefined while it is being fetched. */
  face(key: string): Face | undefined;
  /** Offsets after which a line may end; `must` where it has to. The end of the text is one of them. */
  breaks(text: string): readonly { readonly at: number; readonly must: boolean }[];
  /** What a font is called, and whether it is here: else another stands in for it. */
  font?(id: string): { readonly name: string; readonly here: boolean };
  /** Of one paragraph; nothing where all of it is read from left to right. */
  levels?(paragraph: string): Levels | undefined;
  /** Where a word of this language (BCP 47) may be divided: nowhere where nothing is known of it, undefined while its rules are being fetched. */
  hyphens?(word: string, language: string): readonly number[] | undefined;
}
