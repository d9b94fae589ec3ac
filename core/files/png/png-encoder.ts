import { crc32 } from "../crc32.ts";
import { joined } from "../joined.ts";
import { nearest } from "./png-rows.ts";

/** PNG, third edition (W3C, 2023). 8 bits a channel, without alpha: what is printed has none. */

export interface PngOptions {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly profile: Uint8Array;
}

const signature = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const mmPerMetre = 1000;
const mmPerInch = 25.4;

/** Length, name, data and checksum. */
export function pngChunk(name: string, data: Uint8Array): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(12 + data.length);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  for (let i = 0; i < 4; i += 1) out[4 + i] = name.charCodeAt(i);
  out.set(data, 8);
  view.setUint32(8 + data.length, crc32(out.subarray(4, 8 + data.length), 0));
  return out;
}

/** Everything in front of the picture: its size, profile and density. */
export function pngHead({ widthPx, heightPx, ppi, profile }: PngOptions): Uint8Array<ArrayBuffer> {
  const size = new Uint8Array(13);
  const view = new DataView(size.buffer);
  view.setUint32(0, widthPx);
  view.setUint32(4, heightPx);
  size.set([8, 2, 0, 0, 0], 8);
  const perMetre = new Uint8Array(9);
  const density = Math.round((ppi * mmPerMetre) / mmPerInch);
  new DataView(perMetre.buffer).setUint32(0, density);
  new DataView(perMetre.buffer).setUint32(4, density);
  perMetre[8] = 1;
  const named = joined([Uint8Array.from("ICC", (c) => c.charCodeAt(0)), Uint8Array.of(0, 0), zlibStored(profile)]);
  return joined([
    Uint8Array.from(signature),
    pngChunk("IHDR", size),
    pngChunk("iCCP", named),
    pngChunk("pHYs", perMetre),
  ]);
}

export const pngEnd = (): Uint8Array<ArrayBuffer> => pngChunk("IEND", new Uint8Array(0));

/** Rows made ready to be packed: each as its difference from what is left of it, above it, or both, whichever is smallest. */
export class PngFilter {
  readonly #width: number;
  #above: Uint8Array;

  constructor(widthPx: number) {
    this.#width = widthPx;
    this.#above = new Uint8Array(3 * widthPx);
  }

  /** Whole rows of RGBA. */
  rows(rgba: Uint8ClampedArray | Uint8Array): Uint8Array<ArrayBuffer> {
    const line = 3 * this.#width;
    const count = rgba.length / (4 * this.#width);
    const out = new Uint8Array(count * (line + 1));
    let now: Uint8Array = new Uint8Array(line);
    const tries = [new Uint8Array(line), new Uint8Array(line), new Uint8Array(line)] as const;
    for (let y = 0; y < count; y += 1) {
      for (let x = 0, from = 4 * y * this.#width, to = 0; x < this.#width; x += 1, from += 4, to += 3) {
        now[to] = rgba[from]!;
        now[to + 1] = rgba[from + 1]!;
        now[to + 2] = rgba[from + 2]!;
      }
      const sums = filtered(now, this.#above, tries);
      const best = sums[0]! <= sums[1]! ? (sums[0]! <= sums[2]! ? 0 : 2) : sums[1]! <= sums[2]! ? 1 : 2;
      const at = y * (line + 1);
      out[at] = filterTypes[best]!;
      out.set(tries[best]!, at + 1);
      [now, this.#above] = [this.#above, now];
    }
    return out;
  }
}

/** Sub, Up and Paeth (12.2 of the standard). */
const filterTypes = [1, 2, 4] as const;

function filtered(now: Uint8Array, above: Uint8Array, tries: readonly [Uint8Array, Uint8Array, Uint8Array]): number[] {
  const [sub, up, paeth] = tries;
  let [s, u, p] = [0, 0, 0];
  for (let i = 0; i < now.length; i += 1) {
    const v = now[i]!;
    const a = i < 3 ? 0 : now[i - 3]!;
    const b = above[i]!;
    const c = i < 3 ? 0 : above[i - 3]!;
    const ds = (v - a) & 255;
    const du = (v - b) & 255;
    const dp = (v - nearest(a, b, c)) & 255;
    sub[i] = ds;
    up[i] = du;
    paeth[i] = dp;
    s += ds < 128 ? ds : 256 - ds;
    u += du < 128 ? du : 256 - du;
    p += dp < 128 ? dp : 256 - dp;
  }
  return [s, u, p];
}

const mostStored = 0xffff;

/** Bytes as a zlib stream that packs nothing (RFC 1950 and 1951). */
function zlibStored(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
  const parts: Uint8Array[] = [Uint8Array.of(0x78, 0x01)];
  for (let at = 0; at === 0 || at < bytes.length; at += mostStored) {
    const part = bytes.subarray(at, at + mostStored);
    const last = at + mostStored >= bytes.length ? 1 : 0;
    const n = part.length;
    parts.push(Uint8Array.of(last, n & 255, n >> 8, ~n & 255, (~n >> 8) & 255), part);
  }
  let [a, b] = [1, 0];
  for (const v of bytes) {
    a = (a + v) % 65_521;
    b = (b + a) % 65_521;
  }
  parts.push(Uint8Array.of(b >> 8, b & 255, a >> 8, a & 255));
  return joined(parts);
}
