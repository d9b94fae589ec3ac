/// <reference path="./opentype.d.ts" />
import { readFileSync } from "node:fs";
import opentype from "opentype.js";
import { fontTables, writtenFont } from "#core/files";
import { sfntOf } from "./woff.ts";

/** Fonts as people have them, made from those that come along under names of their own. */

export interface FontSays {
  readonly family: string;
  readonly bold?: boolean;
  readonly italic?: boolean;
  /** OS/2 fsType. */
  readonly fsType?: number;
}

export const packedFont = (family = "caveat", style = "400-normal"): Uint8Array =>
  new Uint8Array(readFileSync(`node_modules/@fontsource/${family}/files/${family}-latin-${style}.woff`));

function nameTable(family: string): Uint8Array {
  const text = Buffer.from(family, "utf16le").swap16();
  const head = Buffer.alloc(18);
  const fields = [0, 1, 18, 3, 1, 0x409, 1, text.length, 0];
  for (const [i, v] of fields.entries()) head.writeUInt16BE(v, 2 * i);
  return new Uint8Array(Buffer.concat([head, text]));
}

/** A font with TrueType outlines that says this of itself. */
export async function trueTypeFont({ family, bold, italic, fsType = 0 }: FontSays, from = packedFont()) {
  const tables = fontTables(await sfntOf(from));
  const os2 = Uint8Array.from(tables.get("OS/2")!);
  const view = new DataView(os2.buffer);
  view.setUint16(8, fsType);
  view.setUint16(62, (bold ? 0x20 : 0) | (italic ? 1 : 0) | (bold || italic ? 0 : 0x40));
  tables.set("OS/2", os2).set("name", nameTable(family));
  return writtenFont([...tables].map(([tag, bytes]) => ({ tag, bytes })));
}

/** The same letters with PostScript outlines (CFF), as most OTF files have them. */
export async function postScriptFont(family: string, from = packedFont()): Promise<Uint8Array<ArrayBuffer>> {
  const sfnt = await sfntOf(from);
  const font = opentype.parse(sfnt.buffer);
  const glyphs = Array.from({ length: font.glyphs.length }, (_, i) => font.glyphs.get(i));
  const { unitsPerEm, ascender, descender } = font;
  const made = new opentype.Font({ familyName: family, styleName: "Regular", unitsPerEm, ascender, descender, glyphs });
  return new Uint8Array(made.toArrayBuffer());
}
