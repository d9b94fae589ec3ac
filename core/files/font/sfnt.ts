import { viewOf } from "../view-of.ts";

/** A font that cannot be taken apart. */
export class FontError extends Error {
  override readonly name = "FontError";
}

export interface FontTable {
  readonly tag: string;
  readonly bytes: Uint8Array;
}

/** The tables of a font (OpenType 1.9, "Organization of an OpenType font"), its directory standing at `at`. */
export function fontTables(sfnt: Uint8Array, at = 0): Map<string, Uint8Array> {
  const view = viewOf(sfnt);
  if (sfnt.length < at + 12) throw new FontError("no font");
  const found = new Map<string, Uint8Array>();
  for (let i = 0; i < view.getUint16(at + 4); i += 1) {
    const entry = at + 12 + 16 * i;
    if (entry + 16 > sfnt.length) throw new FontError("its directory is cut off");
    const tag = String.fromCharCode(...sfnt.subarray(entry, entry + 4));
    const [from, length] = [view.getUint32(entry + 8), view.getUint32(entry + 12)];
    if (from + length > sfnt.length) throw new FontError(`${tag} is cut off`);
    found.set(tag, sfnt.subarray(from, from + length));
  }
  return found;
}

export function fontTable(tables: ReadonlyMap<string, Uint8Array>, tag: string): Uint8Array {
  const table = tables.get(tag);
  if (!table) throw new FontError(`no table ${tag}`);
  return table;
}

const trueType = 0x00010000;

/** A font file of these tables. `flavour`: the first four bytes, which tell what draws its outlines. */
export function writtenFont(tables: readonly FontTable[], flavour = trueType): Uint8Array<ArrayBuffer> {
  const start = 12 + 16 * tables.length;
  const padded = (n: number) => (n + 3) & ~3;
  const out = new Uint8Array(start + tables.reduce((sum, t) => sum + padded(t.bytes.length), 0));
  const view = viewOf(out);
  const log = Math.floor(Math.log2(tables.length));
  view.setUint32(0, flavour);
  view.setUint16(4, tables.length);
  view.setUint16(6, 16 << log);
  view.setUint16(8, log);
  view.setUint16(10, 16 * tables.length - (16 << log));
  let at = start;
  let headAt = 0;
  for (const [i, { tag, bytes }] of tables.entries()) {
    out.set(bytes, at);
    if (tag === "head") view.setUint32(at + 8, 0);
    const entry = 12 + 16 * i;
    for (let k = 0; k < 4; k += 1) out[entry + k] = tag.charCodeAt(k);
    view.setUint32(entry + 4, sumOf(out, at, at + padded(bytes.length)));
    view.setUint32(entry + 8, at);
    view.setUint32(entry + 12, bytes.length);
    if (tag === "head") headAt = at;
    at += padded(bytes.length);
  }
  if (headAt > 0) view.setUint32(headAt + 8, (0xb1b0afba - sumOf(out, 0, out.length)) >>> 0);
  return out;
}

function sumOf(bytes: Uint8Array, from: number, to: number): number {
  const view = viewOf(bytes);
  let sum = 0;
  for (let at = from; at < to; at += 4) sum = (sum + view.getUint32(at)) >>> 0;
  return sum;
}
