/** TIFF 6.0, baseline RGB: one uncompressed picture whose size is known before it is there, so that rows can follow as they come. */

export interface TiffWish {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly profile: Uint8Array;
}

const short = 3;
const long = 4;
const rational = 5;
const undefinedType = 7;

export class TiffSizeError extends RangeError {
  override readonly name = "TiffSizeError";
}

const mostBytes = 0xffff_ffff;
const entries = 13;

/** Everything in front of the first row. Throws a TiffSizeError beyond the 4 GB that offsets reach. */
export function tiffHead({ widthPx, heightPx, ppi, profile }: TiffWish): Uint8Array<ArrayBuffer> {
  const directory = 8;
  const afterDirectory = directory + 2 + 12 * entries + 4;
  const bits = afterDirectory;
  const density = bits + 6 + 2;
  const icc = density + 16;
  const padding = profile.length % 2;
  const pixels = icc + profile.length + padding;
  const size = 3 * widthPx * heightPx;
  if (pixels + size > mostBytes) throw new TiffSizeError(`${widthPx} × ${heightPx} pixels need more than 4 GB`);
  const out = new Uint8Array(pixels);
  const view = new DataView(out.buffer);
  out.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, directory, true);
  view.setUint16(directory, entries, true);
  let at = directory + 2;
  const entry = (tag: number, type: number, count: number, value: number) => {
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, count, true);
    if (type === short && count === 1) view.setUint16(at + 8, value, true);
    else view.setUint32(at + 8, value, true);
    at += 12;
  };
  entry(256, long, 1, widthPx);
  entry(257, long, 1, heightPx);
  entry(258, short, 3, bits);
  entry(259, short, 1, 1);
  entry(262, short, 1, 2);
  entry(273, long, 1, pixels);
  entry(277, short, 1, 3);
  entry(278, long, 1, heightPx);
  entry(279, long, 1, size);
  entry(282, rational, 1, density);
  entry(283, rational, 1, density + 8);
  entry(296, short, 1, 2);
  entry(34_675, undefinedType, profile.length, icc);
  for (let i = 0; i < 3; i += 1) view.setUint16(bits + 2 * i, 8, true);
  for (const where of [density, density + 8]) {
    view.setUint32(where, Math.round(ppi * 100), true);
    view.setUint32(where + 4, 100, true);
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
