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

/** A font in one weight and slope. Shaping is the font's own business: kerning, ligatures, marks. */
export interface Face {
  readonly key: string;
  /** Above the baseline, and below it; both positive, in em. */
  readonly ascent: number;
  readonly descent: number;
  shape(text: string): readonly Glyph[];
  /** Whether it has a letter of its own for this code point. */
  covers(codePoint: number): boolean;
  /** In em, y down, from the baseline's start. */
  outline(file: number, glyph: number): PathData;
}

/** What setting words needs from outside: faces that are loaded, and where lines may break (UAX #14). */
export interface Typesetter {
  /** Undefined while it is being fetched. */
  face(key: string): Face | undefined;
  /** Offsets after which a line may end; `must` where it has to. The end of the text is one of them. */
  breaks(text: string): readonly { readonly at: number; readonly must: boolean }[];
}
