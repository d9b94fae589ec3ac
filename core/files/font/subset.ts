import { joined } from "../joined.ts";
import { viewOf } from "../view-of.ts";
import { FontError, fontTable, fontTables, writtenFont } from "./sfnt.ts";

/** What a PDF needs of a TrueType font (ISO 32000-1, 9.9); names, layout and character maps stay out. */
const kept = ["cvt ", "fpgm", "glyf", "head", "hhea", "hmtx", "loca", "maxp", "prep"];
const mostGlyphs = 65_535;

export interface FontMetrics {
  readonly upem: number;
  readonly ascent: number;
  readonly descent: number;
  readonly box: readonly [number, number, number, number];
  /** Of its upright capitals; the ascent where the font does not tell. */
  readonly capHeight: number;
  /** 100 (thin) to 900 (black); 400 where the font does not tell. */
  readonly weight: number;
  /** In degrees, to the left of upright; negative of a slanted font. */
  readonly slant: number;
  /** In units of the font. */
  advance(glyph: number): number;
}

export function fontMetrics(sfnt: Uint8Array): FontMetrics {
  const tables = fontTables(sfnt);
  const [head, hhea, hmtx] = [fontTable(tables, "head"), fontTable(tables, "hhea"), fontTable(tables, "hmtx")].map(
    viewOf,
  ) as [DataView, DataView, DataView];
  const long = hhea.getUint16(34);
  const at = (o: number) => head.getInt16(o);
  const [os2, post] = [tables.get("OS/2"), tables.get("post")].map((t) => t && viewOf(t));
  return {
    // From version 2 on (OpenType 1.2).
    capHeight: os2 && os2.byteLength >= 90 && os2.getUint16(0) >= 2 ? os2.getInt16(88) : hhea.getInt16(4),
    weight: os2 && os2.byteLength >= 6 ? os2.getUint16(4) : 400,
    slant: post && post.byteLength >= 8 ? post.getInt32(4) / 65_536 : 0,
    upem: head.getUint16(18),
    ascent: hhea.getInt16(4),
    descent: hhea.getInt16(6),
    box: [at(36), at(38), at(40), at(42)],
    advance: (glyph) => hmtx.getUint16(4 * Math.min(glyph, long - 1)),
  };
}

/**
 * A TrueType font with the outlines of these glyphs alone, all under the numbers that they had. What a glyph is put
 * together from comes along.
 */
export function subsetFont(sfnt: Uint8Array, glyphs: Iterable<number>): Uint8Array<ArrayBuffer> {
  const tables = fontTables(sfnt);
  const head = Uint8Array.from(fontTable(tables, "head"));
  const glyf = fontTable(tables, "glyf");
  const count = Math.min(mostGlyphs, viewOf(fontTable(tables, "maxp")).getUint16(4));
  const offsets = offsetsOf(viewOf(fontTable(tables, "loca")), viewOf(head).getInt16(50) === 1, count);
  const wanted = withParts(new Set([0, ...glyphs]), glyf, offsets, count);
  const loca = new Uint8Array(4 * (count + 1));
  const locaView = viewOf(loca);
  const pieces: Uint8Array[] = [];
  let at = 0;
  for (let g = 0; g < count; g += 1) {
    locaView.setUint32(4 * g, at);
    if (!wanted.has(g)) continue;
    const piece = glyf.subarray(offsets[g]!, offsets[g + 1]!);
    const even = new Uint8Array((piece.length + 3) & ~3);
    even.set(piece);
    pieces.push(even);
    at += even.length;
  }
  locaView.setUint32(4 * count, at);
  viewOf(head).setInt16(50, 1);
  const outlines = joined(pieces);
  const changed = new Map<string, Uint8Array>([
    ["head", head],
    ["loca", loca],
    ["glyf", outlines],
  ]);
  return writtenFont(
    kept.flatMap((tag) => {
      const bytes = changed.get(tag) ?? tables.get(tag);
      return bytes ? [{ tag, bytes }] : [];
    }),
  );
}

function offsetsOf(loca: DataView, long: boolean, count: number): number[] {
  const size = long ? 4 : 2;
  if (loca.byteLength < size * (count + 1)) throw new FontError("loca is cut off");
  return Array.from({ length: count + 1 }, (_, i) => (long ? loca.getUint32(4 * i) : 2 * loca.getUint16(2 * i)));
}

const wordArgs = 1;
const oneScale = 8;
const more = 32;
const twoScales = 64;
const twoByTwo = 128;

/** Of composite glyphs their parts as well (OpenType 1.9, glyf). */
function withParts(
  wanted: Set<number>,
  glyf: Uint8Array,
  offsets: readonly number[],
  count: number,
): ReadonlySet<number> {
  const view = viewOf(glyf);
  const queue = [...wanted];
  for (let g = queue.pop(); g !== undefined; g = queue.pop()) {
    if (g >= count) {
      wanted.delete(g);
      continue;
    }
    const [from, to] = [offsets[g]!, offsets[g + 1]!];
    if (to - from < 12 || to > glyf.length || view.getInt16(from) >= 0) continue;
    for (let at = from + 10; at + 4 <= to; ) {
      const flags = view.getUint16(at);
      const part = view.getUint16(at + 2);
      if (!wanted.has(part)) {
        wanted.add(part);
        queue.push(part);
      }
      if (!(flags & more)) break;
      at += 4 + (flags & wordArgs ? 4 : 2);
      at += flags & oneScale ? 2 : flags & twoScales ? 4 : flags & twoByTwo ? 8 : 0;
    }
  }
  return wanted;
}
