import { joined } from "../joined.ts";
import { viewOf } from "../view-of.ts";

/** PNG, third edition (W3C, 2023), 11: a file with sixteen bits a channel, still packed. */
export interface DeepPng {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly channels: 1 | 2 | 3 | 4;
  /** zlib streams: the profile, where there is one, and the picture. */
  readonly profile: Uint8Array<ArrayBuffer> | undefined;
  readonly picture: Uint8Array<ArrayBuffer>;
}

const channelsOf: Readonly<Record<number, 1 | 2 | 3 | 4>> = { 0: 1, 2: 3, 4: 2, 6: 4 };
/** Of 1/100000: what stands for the tones of sRGB. */
const usualGamma = 45_455;
const gammaApart = 300;

/** Whether the first bytes are those of a PNG with sixteen bits a channel. */
export const isDeepPng = (head: Uint8Array): boolean =>
  head.length > 28 && head[1] === 0x50 && head[2] === 0x4e && head[3] === 0x47 && head[24] === 16;

/** Undefined for a file of eight bits, an interlaced or damaged one, or one whose tones only a gamma tells. */
export function readDeepPng(bytes: Uint8Array): DeepPng | undefined {
  if (!isDeepPng(bytes) || bytes[28] !== 0) return undefined;
  const view = viewOf(bytes);
  const channels = channelsOf[bytes[25]!];
  if (!channels) return undefined;
  const parts: Uint8Array[] = [];
  let profile: Uint8Array<ArrayBuffer> | undefined;
  for (let at = 8; at + 12 <= bytes.length; ) {
    const length = view.getUint32(at);
    const data = bytes.subarray(at + 8, at + 8 + length);
    const name = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (data.length < length) return undefined;
    if (name === "iCCP") {
      // A name, nought, the way it is packed, then the profile.
      const end = data.indexOf(0);
      if (end >= 0) profile = Uint8Array.from(data.subarray(end + 2));
    }
    if (name === "gAMA" && Math.abs(viewOf(data).getUint32(0) - usualGamma) > gammaApart) return undefined;
    if (name === "IDAT") parts.push(data);
    if (name === "IEND")
      return {
        widthPx: view.getUint32(16),
        heightPx: view.getUint32(20),
        channels,
        profile,
        picture: Uint8Array.from(joined(parts)),
      };
    at += 12 + length;
  }
  return undefined;
}

/** Samples of sixteen bits, high byte first, of so many channels, as red, green and blue; undefined where something shows through. */
export function rgbOfSamples(bytes: Uint8Array, channels: 1 | 2 | 3 | 4): Uint16Array<ArrayBuffer> | undefined {
  const count = Math.floor(bytes.length / (2 * channels));
  const out = new Uint16Array(3 * count);
  const [green, blue] = channels < 3 ? [0, 0] : [1, 2];
  const at = (i: number, c: number) => {
    const o = 2 * (i * channels + c);
    return (bytes[o]! << 8) | bytes[o + 1]!;
  };
  for (let i = 0; i < count; i += 1) {
    if (channels % 2 === 0 && at(i, channels - 1) !== 65_535) return undefined;
    out[3 * i] = at(i, 0);
    out[3 * i + 1] = at(i, green);
    out[3 * i + 2] = at(i, blue);
  }
  return out;
}
