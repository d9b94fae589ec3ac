import { fontMetrics, subsetFont } from "../font/subset.ts";
import { asciiBytes, num, type PdfWriter, type Ref, refTo } from "./pdf-writer.ts";

/** What letters of a font were used, and what each of its glyphs stands for. */
export interface PdfFontUse {
  readonly name: string;
  readonly sfnt: Uint8Array;
  /** Its PostScript outlines, already cut down; TrueType ones are cut down here where nothing is said. */
  readonly cff?: Uint8Array<ArrayBuffer> | undefined;
  /** All of the file goes along, as its maker wants it. */
  readonly whole?: boolean | undefined;
  readonly glyphs: ReadonlySet<number>;
  textOf(glyph: number): string | undefined;
}

const hex = (v: number): string => v.toString(16).toUpperCase().padStart(4, "0");
const utf16 = (text: string): string => Array.from({ length: text.length }, (_, i) => hex(text.charCodeAt(i))).join("");

/** Six letters in front of a name say that it is a part of the font; they follow from which part. */
function tagOf(glyphs: readonly number[]): string {
  let h = 0x811c9dc5;
  for (const g of glyphs) h = Math.imul(h ^ g, 0x01000193) >>> 0;
  return Array.from({ length: 6 }, (_, i) => String.fromCharCode(65 + (Math.floor(h / 26 ** i) % 26))).join("");
}

const perBlock = 100;

/** The letters of a font that are used, under the numbers that they have in it (ISO 32000-1, 9.7), with the way back to text. */
export function writeFont(to: PdfWriter, use: PdfFontUse, ref: Ref): void {
  const glyphs = [...use.glyphs].sort((a, b) => a - b);
  const metrics = fontMetrics(use.sfnt);
  const k = 1000 / metrics.upem;
  const tag = use.whole ? "" : `${tagOf(glyphs)}+`;
  const name = `${tag}${use.name.replace(/[^A-Za-z0-9-]/g, "")}`;
  const { entry, kind } = fontProgram(to, use, glyphs);
  const [x0, y0, x1, y1] = metrics.box;
  const descriptor = to.object(
    [
      `<< /Type /FontDescriptor /FontName /${name} /Flags 4`,
      `/FontBBox [${[x0, y0, x1, y1].map((v) => num(v * k)).join(" ")}]`,
      `/ItalicAngle ${num(metrics.slant)} /Ascent ${num(metrics.ascent * k)} /Descent ${num(metrics.descent * k)}`,
      `/CapHeight ${num(metrics.capHeight * k)} /StemV ${num(stemOf(metrics.weight))} ${entry} >>`,
    ].join(" "),
  );
  const widths = glyphs.map((g) => `${g} [${num(metrics.advance(g) * k)}]`).join(" ");
  const descendant = to.object(
    [
      `<< /Type /Font /Subtype /${kind} /BaseFont /${name}`,
      "/CIDSystemInfo << /Registry (Adobe) /Ordering (Identity) /Supplement 0 >>",
      `/FontDescriptor ${refTo(descriptor)} ${kind === "CIDFontType2" ? "/CIDToGIDMap /Identity " : ""}/W [${widths}] >>`,
    ].join(" "),
  );
  const known = glyphs.flatMap((g) => {
    const text = use.textOf(g);
    return text ? [`<${hex(g)}> <${utf16(text)}>`] : [];
  });
  const blocks: string[] = [];
  for (let i = 0; i < known.length; i += perBlock) {
    const some = known.slice(i, i + perBlock);
    blocks.push(`${some.length} beginbfchar\n${some.join("\n")}\nendbfchar`);
  }
  const toUnicode = to.packed(
    "",
    asciiBytes(
      [
        "/CIDInit /ProcSet findresource begin 12 dict begin begincmap",
        "/CIDSystemInfo << /Registry (Adobe) /Ordering (UCS) /Supplement 0 >> def",
        "/CMapName /Adobe-Identity-UCS def /CMapType 2 def",
        "1 begincodespacerange <0000> <FFFF> endcodespacerange",
        ...blocks,
        "endcmap CMapName currentdict /CMap defineresource pop end end",
      ].join("\n"),
    ),
  );
  to.object(
    `<< /Type /Font /Subtype /Type0 /BaseFont /${name} /Encoding /Identity-H /DescendantFonts [${refTo(descendant)}] /ToUnicode ${refTo(toUnicode)} >>`,
    ref,
  );
}

/** The font's own file in the PDF, and what kind of font it makes (ISO 32000-1, tables 126 and 117). */
function fontProgram(
  to: PdfWriter,
  { sfnt, cff, whole }: PdfFontUse,
  glyphs: readonly number[],
): { readonly entry: string; readonly kind: "CIDFontType0" | "CIDFontType2" } {
  // Numbers of glyphs are taken as they are of outlines that have no numbers of their own.
  if (cff) return { entry: `/FontFile3 ${refTo(to.packed("/Subtype /CIDFontType0C", cff))}`, kind: "CIDFontType0" };
  const program = whole ? Uint8Array.from(sfnt) : subsetFont(sfnt, glyphs);
  return { entry: `/FontFile2 ${refTo(to.packed(`/Length1 ${program.length}`, program))}`, kind: "CIDFontType2" };
}

/** No table of a font tells how thick its stems are. Thin ones are near 40, black ones near 210 thousandths of the size. */
const stemOf = (weight: number): number => 40 + (Math.min(900, Math.max(100, weight)) - 100) * 0.21;
