import type { WordStyle } from "./schema/fonts.ts";
import type { WordRole } from "./settings.ts";

export type { WordStyle } from "./schema/fonts.ts";

/** A font that comes along. `latin` files only: others are told apart by what they cover. */
export interface FontFamily {
  readonly id: string;
  readonly name: string;
  /** What it looks like, for whoever does not know it by name. */
  readonly kind: "book" | "plain" | "slab" | "round" | "hand" | "script" | "typed" | "poster";
  readonly bold: boolean;
  readonly italic: boolean;
}

/** Open fonts (SIL Open Font License 1.1), each of another kind. */
export const fontFamilies: readonly FontFamily[] = [
  { id: "eb-garamond", name: "EB Garamond", kind: "book", bold: true, italic: true },
  { id: "source-sans-3", name: "Source Sans 3", kind: "plain", bold: true, italic: true },
  { id: "zilla-slab", name: "Zilla Slab", kind: "slab", bold: true, italic: true },
  { id: "jost", name: "Jost", kind: "round", bold: true, italic: true },
  { id: "caveat", name: "Caveat", kind: "hand", bold: true, italic: false },
  { id: "dancing-script", name: "Dancing Script", kind: "script", bold: true, italic: false },
  { id: "courier-prime", name: "Courier Prime", kind: "typed", bold: true, italic: true },
  { id: "abril-fatface", name: "Abril Fatface", kind: "poster", bold: false, italic: false },
];

export const familyOf = (id: string): FontFamily | undefined => fontFamilies.find((f) => f.id === id);

const plain: Omit<WordStyle, "font" | "sizePt" | "leading"> = {
  colour: "#22302b",
  bold: false,
  italic: false,
  align: "left",
  vertical: "top",
  insetMm: 0,
  turn: 0,
};

export const firstWordStyles: Readonly<Record<WordRole, WordStyle>> = {
  title: { ...plain, font: "eb-garamond", sizePt: 32, leading: 1.1, align: "centre", vertical: "middle", insetMm: 2 },
  caption: { ...plain, font: "source-sans-3", sizePt: 9, leading: 1.3, vertical: "top", insetMm: 0.5 },
  journal: { ...plain, font: "source-sans-3", sizePt: 11, leading: 1.45, insetMm: 4 },
};

/** Bold and italic only as far as the family has them. */
export function faceKey(style: Pick<WordStyle, "font" | "bold" | "italic">): string {
  const family = familyOf(style.font) ?? fontFamilies[0]!;
  return `${family.id}-${style.bold && family.bold ? 700 : 400}${style.italic && family.italic ? "-italic" : ""}`;
}
