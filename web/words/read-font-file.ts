import { FontError, fontSources, type NamedFont, readFontFacts, viewOf } from "#core/files";
import { harfbuzzFace } from "./harfbuzz-face.ts";
import { sfntOf, WoffError } from "./woff.ts";

export type FontTrouble = "fontTooLarge" | "notAFont" | "damagedFont";

/** A file that is no font one could write with. */
export class FontFileError extends Error {
  override readonly name = "FontFileError";
  readonly code: FontTrouble;
  constructor(code: FontTrouble, message = "") {
    super(message);
    this.code = code;
  }
}

/** The largest fonts, which hold Chinese, Japanese and Korean together, are smaller. */
export const mostFontBytes = 30_000_000;

const woff = 0x774f4646;
const woff2 = 0x774f4632;
const sfnts = [0x00010000, 0x4f54544f, 0x74727565, 0x74746366];

export interface ReadFont extends NamedFont {
  readonly sfnt: Uint8Array<ArrayBuffer>;
}

/**
 * The fonts in a file: TrueType, OpenType, a collection of such, WOFF 1.0 or 2.0. Each is taken apart and shaped with once, so
 * that what comes in can be written with. Rejects with a FontFileError.
 */
export async function readFontFile(file: Blob): Promise<readonly ReadFont[]> {
  if (file.size > mostFontBytes) throw new FontFileError("fontTooLarge");
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (bytes.length < 44) throw new FontFileError("notAFont");
  const kind = viewOf(bytes).getUint32(0);
  if (kind !== woff && kind !== woff2 && !sfnts.includes(kind)) throw new FontFileError("notAFont");
  try {
    const sfnt = kind === woff ? await sfntOf(bytes) : kind === woff2 ? await fromWoff2(bytes) : bytes;
    return fontSources(sfnt).map(tried);
  } catch (e) {
    if (e instanceof FontFileError) throw e;
    // Whatever stumbles over it: a table, HarfBuzz, an array's end.
    const known = e instanceof FontError || e instanceof WoffError || e instanceof RangeError;
    throw new FontFileError("damagedFont", known ? e.message : String(e));
  }
}

async function fromWoff2(bytes: Uint8Array): Promise<Uint8Array<ArrayBuffer>> {
  // What it says it unpacks to (W3C, WOFF File Format 2.0): a small file must not fill the memory.
  if (viewOf(bytes).getUint32(16) > mostFontBytes) throw new FontFileError("fontTooLarge");
  const { default: decompress } = await import("woff2-encoder/decompress");
  return Uint8Array.from(await decompress(bytes));
}

function tried(sfnt: Uint8Array<ArrayBuffer>): ReadFont {
  const facts = readFontFacts(sfnt);
  const face = harfbuzzFace(facts.family, [sfnt]);
  const letters = ["n", "o", "א", "ا", "н", "ν", "の", "中", "가", "क", "1"].filter((l) =>
    face.covers(l.codePointAt(0)!),
  );
  const drawn = letters.flatMap((l) => face.shape(l)).some((g) => face.outline(g.file, g.id).length > 0);
  if (!drawn || !(face.ascent > 0)) throw new FontFileError("damagedFont", "no letter that can be drawn");
  return { ...facts, sfnt };
}
