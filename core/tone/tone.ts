import { linearOfByte, toEncoded, toLinear } from "#core/colour";
import type { Tone } from "./key.ts";

/**
 * Tone: a 3 × 3 matrix on linear light, then a curve for each channel on encoded values. The same for previews, screen and print. Light is that of sRGB
 * (IEC 61966-2-1).
 */

type Three = readonly [number, number, number];

/** What a tone does, ready to be used on pixels. */
export interface ToneTables {
  /**
   * What each byte of red, then of green, then of blue gives to the red, green and blue that come out (and a fourth that is nothing), in steps
   * of 1/1,048,576 of linear light. Whole numbers, so that every way of adding them up comes to the same.
   */
  readonly columns: Int32Array;
  /** For red, green and blue: the byte that comes out, by linear light in steps of 1/65,536. */
  readonly out: readonly [Uint8Array, Uint8Array, Uint8Array];
}

const steps = 65_536;
/** A step is divided into so many, so that three rounded numbers add up to within a step. */
const fine = 16;
/** Three of them still add up within 32 bits; far beyond white. */
const most = 2 ** 29;
/** Of linear light, by ITU-R BT.709. */
const lightOf: Three = [0.2126, 0.7152, 0.0722];
/** Full warmth changes red and blue by so many stops. */
const warmStops = 0.35;
/** Below 1, so that the curve never turns back. */
const reach = 0.9;

/** Curves are read at so many encoded values, and in a straight line between them. */
const knots = 2048;

let encodedOfStep: Float32Array | undefined;
function encodedSteps(): Float32Array {
  if (encodedOfStep) return encodedOfStep;
  const made = new Float32Array(steps + 1);
  for (let i = 0; i <= steps; i += 1) made[i] = toEncoded(i / steps);
  encodedOfStep = made;
  return made;
}

const sumOf = (a: Three, b: Three): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** Row by row: light and balance first, then how colourful it is. */
function matrixOf({ exposure = 0, warmth = 0, balance = [1, 1, 1], saturation = 0, grey }: Tone): readonly number[] {
  const warm: Three = [2 ** (warmStops * warmth), 1, 2 ** (-warmStops * warmth)];
  // A grey stays as light as it was.
  const level = 2 ** exposure / sumOf(warm, lightOf);
  const gain = warm.map((w, c) => w * level * balance[c]!);
  const sum = grey ? grey[0] + grey[1] + grey[2] : 0;
  const weights = grey && sum > 0 ? grey.map((g) => g / sum) : lightOf;
  const k = grey ? 0 : 1 + saturation;
  return [0, 1, 2].flatMap((row) =>
    [0, 1, 2].map((column) => ((row === column ? k : 0) + (1 - k) * weights[column]!) * gain[column]!),
  );
}

/** A channel's curve, from encoded value to encoded value, 0 to 1; it never turns back. */
function curveOf(
  { contrast = 0, dark = 0, light = 0, strength = 1, tint }: Tone,
  channel: number,
): (v: number) => number {
  const gamma = tint ? tintGamma(tint.colour, channel) : 1;
  const amount = tint?.amount ?? 0;
  return (v) => {
    const w = 1 - v;
    let now = v + reach * (dark * v * w * w * w + light * w * v * v * v);
    now += contrast > 0 ? contrast * (now * now * (3 - 2 * now) - now) : contrast * 0.5 * (now - 0.5);
    if (amount > 0) now += amount * (now ** gamma - now);
    return 1 - strength * (1 - now);
  };
}

const channelsOf = (colour: string): Three =>
  [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16) / 255) as unknown as Three;

/** The power by which a grey as light as the colour becomes the colour itself. */
function tintGamma(colour: string, channel: number): number {
  const within = (v: number) => Math.min(0.97, Math.max(0.03, v));
  const rgb = channelsOf(colour);
  const level = toEncoded(sumOf(rgb.map(toLinear) as unknown as Three, lightOf));
  return Math.log(within(rgb[channel]!)) / Math.log(within(level));
}

/** `matrix`: row by row, on linear light. */
function columnsOf(matrix: readonly number[]): Int32Array {
  const columns = new Int32Array(3 * 256 * 4);
  for (let from = 0; from < 3; from += 1)
    for (let v = 0; v < 256; v += 1)
      for (let to = 0; to < 3; to += 1) {
        const half = from === 0 ? fine / 2 : 0;
        const light = matrix[to * 3 + from]! * linearOfByte[v]! * steps * fine;
        columns[(from * 256 + v) * 4 + to] = half + Math.round(Math.max(-most, Math.min(most, light)));
      }
  return columns;
}

const known = new WeakMap<Tone, ToneTables>();

export function toneTables(tone: Tone): ToneTables {
  const before = known.get(tone);
  if (before) return before;
  const encoded = encodedSteps();
  const out = [0, 1, 2].map((channel) => {
    const curve = curveOf(tone, channel);
    const at = new Float32Array(knots + 2);
    for (let i = 0; i < at.length; i += 1) at[i] = 255 * curve(i / knots) + 0.5;
    const bytes = new Uint8ClampedArray(steps + 1);
    for (let i = 0; i <= steps; i += 1) {
      const v = encoded[i]! * knots;
      const k = v | 0;
      bytes[i] = (at[k]! + (v - k) * (at[k + 1]! - at[k]!)) | 0;
    }
    return new Uint8Array(bytes.buffer);
  });
  const made = { columns: columnsOf(matrixOf(tone)), out: out as unknown as ToneTables["out"] };
  known.set(tone, made);
  return made;
}

/** Changes pixels in place: RGBA, a byte each, not premultiplied, at an offset of whole pixels. What they let through stays. */
export type Toner = (px: Uint8ClampedArray | Uint8Array, tables: ToneTables) => void;

/** A `Toner` that runs anywhere. */
export const toneInto: Toner = (px, { columns, out }) => {
  const { max, min } = Math;
  const [red, green, blue] = out;
  // A pixel at a time as one number, red in its lowest byte: twice as fast as byte by byte.
  const pixels = new Uint32Array(px.buffer, px.byteOffset, px.length >> 2);
  for (let i = 0; i < pixels.length; i += 1) {
    const p = pixels[i]!;
    const r = (p & 255) << 2;
    const g = 1024 + ((p >> 6) & 0x3fc);
    const b = 2048 + ((p >> 14) & 0x3fc);
    const x = max(0, min(steps, (columns[r]! + columns[g]! + columns[b]!) >> 4));
    const y = max(0, min(steps, (columns[r + 1]! + columns[g + 1]! + columns[b + 1]!) >> 4));
    const z = max(0, min(steps, (columns[r + 2]! + columns[g + 2]! + columns[b + 2]!) >> 4));
    pixels[i] = (p & 0xff000000) | red[x]! | (green[y]! << 8) | (blue[z]! << 16);
  }
};
