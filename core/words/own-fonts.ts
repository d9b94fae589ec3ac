import type { WordStyle } from "./schema/fonts.ts";

/** Whether a font's maker lets it go into files: yes, only as a whole, or not at all (OpenType 1.9, OS/2 fsType). */
export type Embedding = "free" | "whole" | "never";

/** One file of a font of a person's own. */
export interface OwnFace {
  readonly bold: boolean;
  readonly italic: boolean;
  /** Of the file as it is kept (SHA-256, hex). */
  readonly hash: string;
  readonly sizeBytes: number;
  readonly embedding: Embedding;
}

/** A font that a person brought in: up to four files that go by one name. */
export interface OwnFont {
  readonly id: string;
  readonly name: string;
  readonly faces: readonly OwnFace[];
  /** No longer offered; works that use it still do. */
  readonly hidden?: boolean | undefined;
}

/** What a font's file says of itself. */
export interface FontFacts extends OwnFace {
  readonly family: string;
}

/** Of an own font as it is kept (RFC 8081). */
export const fontType = "font/sfnt";

const ownMark = "own-";
const idLetters = 16;

/** Own fonts are known by their ids alone, whether or not they are at hand. */
export const isOwnFont = (font: string): boolean => font.startsWith(ownMark);

const faceName = ({ bold, italic }: Pick<OwnFace, "bold" | "italic">): string =>
  `${bold ? 700 : 400}${italic ? "-italic" : ""}`;

/** As bold and as slanted as it was asked for, whatever its files are. */
export const ownFaceKey = ({ font, bold, italic }: Pick<WordStyle, "font" | "bold" | "italic">): string =>
  `${font}-${faceName({ bold, italic })}`;

/** The font of a key that `ownFaceKey` made, and its file that comes nearest. */
export function ownFaceOf(
  fonts: readonly OwnFont[],
  key: string,
): { readonly font: OwnFont; readonly face: OwnFace } | undefined {
  const asked = /^(.*)-(400|700)(-italic)?$/.exec(key);
  const font = asked && fonts.find((f) => f.id === asked[1]);
  if (!font) return undefined;
  const [bold, italic] = [asked[2] === "700", asked[3] !== undefined];
  // A missing slant shows more than a missing weight.
  const off = (f: OwnFace) => (f.italic === italic ? 0 : 2) + (f.bold === bold ? 0 : 1);
  const [face] = [...font.faces].sort((a, b) => off(a) - off(b));
  return face && { font, face };
}

/** The font of that name with one file more, or a new one; a file of a weight and slope that is there takes its place. */
export function withFontFile(fonts: readonly OwnFont[], { family, ...face }: FontFacts): OwnFont {
  const known = fonts.find((f) => f.name === family) ?? {
    id: `${ownMark}${face.hash.slice(0, idLetters)}`,
    name: family,
    faces: [],
  };
  const others = known.faces.filter((f) => f.bold !== face.bold || f.italic !== face.italic);
  const { hidden: _, ...shown } = known;
  return { ...shown, faces: [...others, face].sort((a, b) => (faceName(a) < faceName(b) ? -1 : 1)) };
}
