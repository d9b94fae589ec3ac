import { isOwnFont, ownFaceKey } from "./own-fonts.ts";
import type { WordStyle } from "./schema/fonts.ts";
import type { WordRole } from "./settings.ts";

export type { WordStyle } from "./schema/fonts.ts";

export const fontKinds = ["book", "plain", "slab", "round", "hand", "script", "typed", "poster"] as const;
/** What a font looks like, for whoever does not know it by name. */
export type FontKind = (typeof fontKinds)[number];

/** A font that comes along. */
export interface FontFamily {
  readonly id: string;
  readonly name: string;
  readonly kind: FontKind;
  readonly bold: boolean;
  readonly italic: boolean;
  /** Its files, by the scripts that they hold; a letter is taken from the first that has it. */
  readonly parts?: readonly string[];
  /** It only lends letters to others, and is not offered by itself. */
  readonly lends?: RegExp;
}

const western = ["latin", "latin-ext"];
const bothSlopes = { bold: true, italic: true };

/** Open fonts (SIL Open Font License 1.1), each kind together. */
export const fontFamilies: readonly FontFamily[] = [
  { id: "eb-garamond", name: "EB Garamond", kind: "book", ...bothSlopes },
  { id: "lora", name: "Lora", kind: "book", ...bothSlopes, parts: [...western, "cyrillic"] },
  { id: "libre-baskerville", name: "Libre Baskerville", kind: "book", ...bothSlopes },
  {
    id: "cormorant-garamond",
    name: "Cormorant Garamond",
    kind: "book",
    ...bothSlopes,
    parts: [...western, "cyrillic"],
  },
  { id: "source-sans-3", name: "Source Sans 3", kind: "plain", ...bothSlopes },
  { id: "karla", name: "Karla", kind: "plain", ...bothSlopes },
  { id: "work-sans", name: "Work Sans", kind: "plain", ...bothSlopes },
  {
    id: "noto-sans",
    name: "Noto Sans",
    kind: "plain",
    ...bothSlopes,
    parts: [...western, "greek", "greek-ext", "cyrillic", "cyrillic-ext", "vietnamese", "devanagari"],
  },
  { id: "zilla-slab", name: "Zilla Slab", kind: "slab", ...bothSlopes },
  { id: "bitter", name: "Bitter", kind: "slab", ...bothSlopes, parts: [...western, "cyrillic"] },
  { id: "jost", name: "Jost", kind: "round", ...bothSlopes },
  { id: "caveat", name: "Caveat", kind: "hand", bold: true, italic: false },
  { id: "patrick-hand", name: "Patrick Hand", kind: "hand", bold: false, italic: false },
  { id: "kalam", name: "Kalam", kind: "hand", bold: true, italic: false },
  { id: "shadows-into-light", name: "Shadows Into Light", kind: "hand", bold: false, italic: false },
  { id: "dancing-script", name: "Dancing Script", kind: "script", bold: true, italic: false },
  { id: "great-vibes", name: "Great Vibes", kind: "script", bold: false, italic: false },
  { id: "sacramento", name: "Sacramento", kind: "script", bold: false, italic: false },
  { id: "pacifico", name: "Pacifico", kind: "script", bold: false, italic: false },
  { id: "courier-prime", name: "Courier Prime", kind: "typed", ...bothSlopes },
  { id: "special-elite", name: "Special Elite", kind: "typed", bold: false, italic: false },
  { id: "abril-fatface", name: "Abril Fatface", kind: "poster", bold: false, italic: false },
  { id: "playfair-display", name: "Playfair Display", kind: "poster", ...bothSlopes, parts: [...western, "cyrillic"] },
  { id: "oswald", name: "Oswald", kind: "poster", bold: true, italic: false },
  {
    id: "noto-sans-hebrew",
    name: "Noto Sans Hebrew",
    kind: "plain",
    bold: true,
    italic: false,
    parts: ["hebrew", "latin"],
    lends: /\p{Script=Hebrew}/u,
  },
  {
    id: "noto-naskh-arabic",
    name: "Noto Naskh Arabic",
    kind: "book",
    bold: true,
    italic: false,
    parts: ["arabic", "latin"],
    lends: /\p{Script=Arabic}/u,
  },
  {
    id: "noto-emoji",
    name: "Noto Emoji",
    kind: "plain",
    bold: false,
    italic: false,
    parts: ["emoji"],
    lends: /\p{Extended_Pictographic}|\p{Regional_Indicator}/u,
  },
  {
    id: "noto-sans-symbols-2",
    name: "Noto Sans Symbols 2",
    kind: "plain",
    bold: false,
    italic: false,
    parts: ["symbols"],
    lends: /[\p{S}\p{P}]/u,
  },
];

/** Fonts that stand well together: one for what stands over others, and one for what is read. */
export const fontPairs: readonly { readonly title: string; readonly text: string }[] = [
  { title: "playfair-display", text: "source-sans-3" },
  { title: "cormorant-garamond", text: "karla" },
  { title: "oswald", text: "lora" },
];

export const partsOf = ({ parts = western }: FontFamily): readonly string[] => parts;

/** Those that are offered to write with. */
export const offeredFonts: readonly FontFamily[] = fontFamilies.filter((f) => !f.lends);

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
  heading: { ...plain, font: "eb-garamond", sizePt: 18, leading: 1.15, insetMm: 1 },
  caption: { ...plain, font: "source-sans-3", sizePt: 9, leading: 1.3, vertical: "top", insetMm: 0.5 },
  journal: { ...plain, font: "source-sans-3", sizePt: 11, leading: 1.45, insetMm: 4 },
  small: { ...plain, font: "source-sans-3", sizePt: 7.5, leading: 1.3, insetMm: 0.5 },
};

const keyOf = (family: FontFamily, bold: boolean, italic: boolean): string =>
  `${family.id}-${bold && family.bold ? 700 : 400}${italic && family.italic ? "-italic" : ""}`;

/** What stands in for a font that is not here. */
export const standInFont: FontFamily = fontFamilies[0]!;

/** Bold and italic only as far as the family has them. */
export const faceKey = (style: Pick<WordStyle, "font" | "bold" | "italic">): string =>
  isOwnFont(style.font) ? ownFaceKey(style) : keyOf(familyOf(style.font) ?? standInFont, style.bold, style.italic);

/** The face that stands in for one of an own font, as bold and as slanted. */
export const standInKey = (wanted: string): string => keyOf(standInFont, isBoldKey(wanted), wanted.endsWith("-italic"));

const isBoldKey = (key: string): boolean => /-700(-italic)?$/.test(key);

/** The faces that may lend this letter where a font lacks it, as bold and as slanted as it is, the likeliest first. */
export function fallbackKeys(letter: string, wantedKey: string): readonly string[] {
  const [bold, italic] = [isBoldKey(wantedKey), wantedKey.endsWith("-italic")];
  const lenders = fontFamilies.filter((f) => f.lends?.test(letter) || f.id === "noto-sans");
  const ordered = [...lenders.filter((f) => f.lends), ...lenders.filter((f) => !f.lends)];
  return ordered.map((f) => keyOf(f, bold, italic)).filter((key) => key !== wantedKey);
}
