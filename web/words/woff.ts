import { viewOf } from "#core/files";

/** A font file that is not what it says. */
export class WoffError extends Error {
  override readonly name = "WoffError";
}

const mostBytes = 20_000_000;

/**
 * WOFF 1.0 (W3C, 2012) to the sfnt inside it: each table is stored as it is or compressed with zlib. HarfBuzz reads sfnt
 * only, and takes a WOFF for a font without any letter.
 */
export async function sfntOf(woff: Uint8Array): Promise<Uint8Array<ArrayBuffer>> {
  const view = viewOf(woff);
  if (woff.length < 44 || view.getUint32(0) !== 0x774f4646) throw new WoffError("no WOFF signature");
  const tables = view.getUint16(12);
  const size = view.getUint32(16);
  if (size > mostBytes || 44 + 20 * tables > woff.length) throw new WoffError(`${tables} tables in ${size} bytes`);
  const out = new Uint8Array(size);
  const to = viewOf(out);
  const log = Math.floor(Math.log2(tables));
  to.setUint32(0, view.getUint32(4));
  to.setUint16(4, tables);
  to.setUint16(6, 16 << log);
  to.setUint16(8, log);
  to.setUint16(10, tables * 16 - (16 << log));
  let at = 12 + 16 * tables;
  for (let i = 0; i < tables; i += 1) {
    const entry = 44 + 20 * i;
    const [offset, packed, length] = [4, 8, 12].map((o) => view.getUint32(entry + o)) as [number, number, number];
    if (offset + packed > woff.length || at + length > size) throw new WoffError(`table ${i} lies outside`);
    const bytes = woff.slice(offset, offset + packed);
    const table = packed < length ? await inflated(bytes, length) : bytes;
    out.set(table, at);
    to.setUint32(12 + 16 * i, view.getUint32(entry));
    to.setUint32(16 + 16 * i, view.getUint32(entry + 16));
    to.setUint32(20 + 16 * i, at);
    to.setUint32(24 + 16 * i, length);
    at += (length + 3) & ~3;
  }
  return out;
}

async function inflated(bytes: Uint8Array<ArrayBuffer>, length: number): Promise<Uint8Array> {
  const stream = new Blob([bytes]).stream().pipeThrough(new DecompressionStream("deflate"));
  const table = new Uint8Array(await new Response(stream).arrayBuffer());
  if (table.length !== length) throw new WoffError(`said ${length} bytes and held ${table.length}`);
  return table;
}
