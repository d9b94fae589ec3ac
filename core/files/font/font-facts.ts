import { viewOf } from "../view-of.ts";
import { FontError, fontTable, fontTables, writtenFont } from "./sfnt.ts";

/** What draws a font's letters: quadratic outlines, or cubic ones of PostScript. */
export type FontSource = "glyf" | "CFF ";

const collection = 0x74746366;
const mostInCollection = 64;

/** Each font of a file: of a collection all that are in it, each as a file of its own; else the file itself. */
export function fontSources(bytes: Uint8Array<ArrayBuffer>): readonly Uint8Array<ArrayBuffer>[] {
  const view = viewOf(bytes);
  if (bytes.length < 12 || view.getUint32(0) !== collection) return [bytes];
  const count = view.getUint32(8);
  if (count > mostInCollection || 12 + 4 * count > bytes.length) throw new FontError(`a collection of ${count}`);
  return Array.from({ length: count }, (_, i) => {
    const at = view.getUint32(12 + 4 * i);
    const tables = fontTables(bytes, at);
    return writtenFont(
      [...tables].map(([tag, content]) => ({ tag, bytes: content })).sort((a, b) => (a.tag < b.tag ? -1 : 1)),
      view.getUint32(at),
    );
  });
}

export interface NamedFont {
  readonly family: string;
  readonly bold: boolean;
  readonly italic: boolean;
  readonly embedding: "free" | "whole" | "never";
  readonly source: FontSource;
}

/** What a font says of itself (OpenType 1.9: name, OS/2, head). Throws a FontError for what has no outlines, or no name. */
export function readFontFacts(sfnt: Uint8Array): NamedFont {
  const tables = fontTables(sfnt);
  const source = (["glyf", "CFF "] as const).find((tag) => tables.has(tag));
  if (!source) throw new FontError("no outlines");
  for (const tag of ["head", "hhea", "hmtx", "maxp", "cmap"]) fontTable(tables, tag);
  const family = nameIn(fontTable(tables, "name"), familyName);
  if (!family) throw new FontError("no name");
  const head = viewOf(fontTable(tables, "head"));
  if (head.byteLength < 54) throw new FontError("head is cut off");
  const os2 = tables.get("OS/2");
  const style = os2 && os2.length >= 64 ? viewOf(os2) : undefined;
  // fsSelection counts bits otherwise than macStyle.
  const selection = style?.getUint16(62);
  const mac = head.getUint16(44);
  return {
    family,
    bold: selection === undefined ? (mac & 1) !== 0 : (selection & 0x20) !== 0,
    italic: selection === undefined ? (mac & 2) !== 0 : (selection & 1) !== 0,
    embedding: embeddingOf(style?.getUint16(8) ?? 0),
    source,
  };
}

/** The most lenient of the uses that it names counts; pictures of letters alone are none for print. */
function embeddingOf(fsType: number): NamedFont["embedding"] {
  const uses = fsType & 0xf;
  if (uses === 2 || fsType & 0x200) return "never";
  return fsType & 0x100 ? "whole" : "free";
}

const familyName = 1;
const mostLetters = 120;

const utf16Of = (bytes: Uint8Array): string => {
  const view = viewOf(bytes);
  const units = Array.from({ length: Math.min(bytes.length >> 1, 4 * mostLetters) }, (_, i) => view.getUint16(2 * i));
  return String.fromCharCode(...units);
};

/** Old fonts name themselves in the Macintosh's own letters, of which these are the same everywhere. */
const asciiOf = (bytes: Uint8Array): string =>
  String.fromCharCode(...bytes.slice(0, 4 * mostLetters).filter((b) => b >= 0x20 && b < 0x7f));

/** A name of a font in Windows' Unicode records, English before others, else as the Macintosh wrote it. */
function nameIn(table: Uint8Array, wanted: number): string | undefined {
  const view = viewOf(table);
  if (table.length < 6) return undefined;
  const storage = view.getUint16(4);
  const found: { readonly rank: number; readonly text: string }[] = [];
  for (let i = 0; i < view.getUint16(2); i += 1) {
    const at = 6 + 12 * i;
    if (at + 12 > table.length) break;
    const [platform, , language, name, length, offset] = [0, 2, 4, 6, 8, 10].map((o) => view.getUint16(at + o)) as [
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const from = storage + offset;
    if (name !== wanted || from + length > table.length) continue;
    const bytes = table.subarray(from, from + length);
    const text = platform === 1 ? asciiOf(bytes) : utf16Of(bytes);
    // Control characters and marks of direction would upset whatever shows the name.
    const plain = text
      .replace(/[\p{C}]/gu, "")
      .trim()
      .slice(0, mostLetters);
    if (plain) found.push({ rank: platform === 3 ? (language === 0x409 ? 0 : 1) : 2, text: plain });
  }
  return found.sort((a, b) => a.rank - b.rank)[0]?.text;
}
