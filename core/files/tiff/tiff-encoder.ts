/** TIFF 6.0, RGB in strips of whole rows, so that a reader needs to hold no more than one of them. */

export const tiffPackings = ["none", "lzw", "deflate"] as const;
export type TiffPacking = (typeof tiffPackings)[number];

export interface TiffOptions {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly profile: Uint8Array;
  readonly packing: TiffPacking;
  readonly bits: ChannelBits;
}

/** Of each of red, green and blue. */
export type ChannelBits = 8 | 16;

const short = 3;
const long = 4;
const rational = 5;
const undefinedType = 7;
/** Section 14 (LZW) and Technical Note 2 of 2002 (deflate). */
const packingCode = { none: 1, lzw: 5, deflate: 8 } as const;
const horizontal = 2;
/** About as much as the standard recommends for machines that have more than 64 kB. */
const stripBytes = 262_144;

export class TiffSizeError extends RangeError {
  override readonly name = "TiffSizeError";
}

const mostBytes = 0xffff_ffff;

const lineBytes = (widthPx: number, bits: ChannelBits): number => (3 * widthPx * bits) / 8;

export const rowsPerStrip = (widthPx: number, bits: ChannelBits): number =>
  Math.max(1, Math.floor(stripBytes / lineBytes(widthPx, bits)));

/** The size of each strip where nothing is packed. */
export function plainStrips({ widthPx, heightPx, bits }: Pick<TiffOptions, "widthPx" | "heightPx" | "bits">): number[] {
  const rows = rowsPerStrip(widthPx, bits);
  return Array.from(
    { length: Math.ceil(heightPx / rows) },
    (_, i) => lineBytes(widthPx, bits) * Math.min(rows, heightPx - i * rows),
  );
}

/**
 * Everything in front of the first strip; as long whatever the strips' sizes are, so that it can be written again when they are known.
 * Throws a TiffSizeError beyond the 4 GB that offsets reach.
 */
export function tiffHead(
  options: TiffOptions,
  stripSizes: readonly number[] = plainStrips(options),
): Uint8Array<ArrayBuffer> {
  const { widthPx, heightPx, ppi, profile, packing, bits: channelBits } = options;
  const packed = packing !== "none";
  const entries = packed ? 14 : 13;
  const count = stripSizes.length;
  const listed = count > 1 ? 4 * count : 0;
  const directory = 8;
  const bits = directory + 2 + 12 * entries + 4;
  const density = bits + 6 + 2;
  const offsets = density + 16;
  const sizes = offsets + listed;
  const icc = sizes + listed;
  const pixels = icc + profile.length + (profile.length % 2);
  const end = stripSizes.reduce((sum, n) => sum + n, pixels);
  if (end > mostBytes) throw new TiffSizeError(`${widthPx} × ${heightPx} pixels need more than 4 GB`);
  const out = new Uint8Array(pixels);
  const view = new DataView(out.buffer);
  out.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, directory, true);
  view.setUint16(directory, entries, true);
  let at = directory + 2;
  const entry = (tag: number, type: number, n: number, value: number) => {
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, n, true);
    if (type === short && n === 1) view.setUint16(at + 8, value, true);
    else view.setUint32(at + 8, value, true);
    at += 12;
  };
  entry(256, long, 1, widthPx);
  entry(257, long, 1, heightPx);
  entry(258, short, 3, bits);
  entry(259, short, 1, packingCode[packing]);
  entry(262, short, 1, 2);
  entry(273, long, count, count > 1 ? offsets : pixels);
  entry(277, short, 1, 3);
  entry(278, long, 1, rowsPerStrip(widthPx, channelBits));
  entry(279, long, count, count > 1 ? sizes : (stripSizes[0] ?? 0));
  entry(282, rational, 1, density);
  entry(283, rational, 1, density + 8);
  entry(296, short, 1, 2);
  if (packed) entry(317, short, 1, horizontal);
  entry(34_675, undefinedType, profile.length, icc);
  for (let i = 0; i < 3; i += 1) view.setUint16(bits + 2 * i, channelBits, true);
  for (const where of [density, density + 8]) {
    view.setUint32(where, Math.round(ppi * 100), true);
    view.setUint32(where + 4, 100, true);
  }
  if (count > 1)
    for (let i = 0, from = pixels; i < count; i += 1) {
      view.setUint32(offsets + 4 * i, from, true);
      view.setUint32(sizes + 4 * i, stripSizes[i]!, true);
      from += stripSizes[i]!;
    }
  out.set(profile, icc);
  return out;
}

/** Rows of RGBA without their alpha. */
export function rgbOf(rgba: Uint8ClampedArray | Uint8Array): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array((rgba.length / 4) * 3);
  for (let from = 0, to = 0; from < rgba.length; from += 4, to += 3) {
    out[to] = rgba[from]!;
    out[to + 1] = rgba[from + 1]!;
    out[to + 2] = rgba[from + 2]!;
  }
  return out;
}

type Samples = Uint8Array<ArrayBuffer> | Uint16Array<ArrayBuffer>;

/** Each sample as its difference from the one left of it (section 14), in place; rows of RGB. */
export function differenced<S extends Samples>(rgb: S, widthPx: number): S {
  const line = 3 * widthPx;
  for (let row = 0; row < rgb.length; row += line)
    for (let i = row + line - 1; i >= row + 3; i -= 1) rgb[i] = rgb[i]! - rgb[i - 3]!;
  return rgb;
}

/** The way back. */
export function summed<S extends Samples>(rgb: S, widthPx: number): S {
  const line = 3 * widthPx;
  for (let row = 0; row < rgb.length; row += line)
    for (let i = row + 3; i < row + line; i += 1) rgb[i] = rgb[i]! + rgb[i - 3]!;
  return rgb;
}

/** Samples of sixteen bits as they stand in the file, low byte first. */
export function littleEndian(samples: Uint16Array): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(2 * samples.length);
  for (let i = 0, at = 0; i < samples.length; i += 1, at += 2) {
    out[at] = samples[i]!;
    out[at + 1] = samples[i]! >> 8;
  }
  return out;
}

/** The way back. */
export function samplesOf(bytes: Uint8Array): Uint16Array<ArrayBuffer> {
  const out = new Uint16Array(bytes.length >> 1);
  for (let i = 0, at = 0; i < out.length; i += 1, at += 2) out[i] = bytes[at]! | (bytes[at + 1]! << 8);
  return out;
}
