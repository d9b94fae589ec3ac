import type { Matrix } from "#core/geometry";
import { gathered, lanczosTaps, phases, phaseWeights } from "./lanczos.ts";
import { type Area, gridDensity, laying } from "./pixels.ts";

/** Sixteen bits a channel: red, green and blue, row by row. */
export interface DeepPixels {
  readonly data: Uint16Array<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
}

interface Grid {
  readonly data: Float32Array | Uint16Array;
  readonly width: number;
  readonly height: number;
}

const one = 16_384;
const nearly = 1e-9;

/** What a resampler of eight bits draws, in sixteen: Lanczos 3, a turned picture from a denser grid. Outside of the picture is black. */
export function drawDeep(from: DeepPixels, m: Matrix, area: Area): DeepPixels {
  const straight = Math.abs(m.b) < nearly && Math.abs(m.c) < nearly;
  const exact = straight ? upright(from, m, area, Math.abs(m.a), Math.abs(m.d)) : turned(from, m, area);
  return { data: Uint16Array.from(exact.data, held), width: area.w, height: area.h };
}

const held = (v: number): number => Math.min(65_535, Math.max(0, Math.round(v)));

function upright(from: Grid, m: Pick<Matrix, "a" | "d" | "e" | "f">, area: Area, cutX: number, cutY: number): Grid {
  const wide = lanczosTaps(area.x, area.x + area.w, m.a, m.e, from.width, cutX);
  const high = lanczosTaps(area.y, area.y + area.h, m.d, m.f, from.height, cutY);
  const length = 3 * area.w;
  const slots = Array.from({ length: high.count }, () => ({ of: -1, row: new Float32Array(length) }));
  const data = new Float32Array(length * area.h);
  for (let y = 0; y < area.h; y += 1)
    for (let k = 0; k < high.count; k += 1) {
      const w = high.weights[y * high.count + k]! / one;
      if (w === 0) continue;
      const of = high.first[y]! + k;
      const slot = slots[of % high.count]!;
      if (slot.of !== of) {
        slot.of = of;
        for (let x = 0; x < area.w; x += 1)
          for (let c = 0; c < 3; c += 1) {
            let sum = 0;
            const at = 3 * (of * from.width + wide.first[x]!) + c;
            for (let j = 0; j < wide.count; j += 1) {
              const tap = wide.weights[x * wide.count + j]!;
              if (tap !== 0) sum += tap * from.data[at + 3 * j]!;
            }
            slot.row[3 * x + c] = sum / one;
          }
      }
      for (let i = 0, o = y * length; i < length; i += 1, o += 1) data[o]! += w * slot.row[i]!;
    }
  return { data, width: area.w, height: area.h };
}

function turned(from: Grid, { a, b, c, d, e, f }: Matrix, area: Area): Grid {
  const cut = [Math.hypot(a, b), Math.hypot(c, d)] as const;
  const [sx, sy] = cut.map((s) => (s >= 1 ? 1 : s * gridDensity)) as [number, number];
  const all = { x: 0, y: 0, w: Math.ceil(from.width * sx), h: Math.ceil(from.height * sy) };
  const scaled = sx !== 1 || sy !== 1;
  const grid = scaled
    ? upright(from, { a: sx, d: sy, e: 0, f: 0 }, all, Math.min(1, cut[0]), Math.min(1, cut[1]))
    : from;
  // As in eight bits, where nothing can be brighter than white in between.
  if (grid.data instanceof Float32Array)
    for (let i = 0; i < grid.data.length; i += 1) grid.data[i] = held(grid.data[i]!);
  const table = phaseWeights();
  const det = a * d - b * c;
  const data = new Float32Array(3 * area.w * area.h);
  const within = (v: number, most: number) => Math.min(Math.max(v, 0), most);
  for (let y = 0, o = 0; y < area.h; y += 1)
    for (let x = 0; x < area.w; x += 1, o += 3) {
      const [px, py] = [area.x + x + 0.5 - e, area.y + y + 0.5 - f];
      const u = ((d * px - c * py) / det) * sx - 0.5;
      const v = ((a * py - b * px) / det) * sy - 0.5;
      if (u < -1 || v < -1 || u > grid.width || v > grid.height) continue;
      const [iu, iv] = [Math.floor(u), Math.floor(v)];
      const wu = gathered * Math.round((u - iu) * phases);
      const wv = gathered * Math.round((v - iv) * phases);
      for (let ch = 0; ch < 3; ch += 1) {
        let sum = 0;
        for (let j = 0; j < gathered; j += 1) {
          const row = within(iv - 2 + j, grid.height - 1) * grid.width;
          let s = 0;
          for (let k = 0; k < gathered; k += 1)
            s += table[wu + k]! * grid.data[3 * (row + within(iu - 2 + k, grid.width - 1)) + ch]!;
          sum += table[wv + j]! * s;
        }
        data[o + ch] = sum / (one * one);
      }
    }
  return { data, width: area.w, height: area.h };
}

/** As it should be seen; the matrix takes the stored unit square to the seen one. */
export function deepLaidOut({ data, width, height }: DeepPixels, m: Pick<Matrix, "a" | "b" | "c" | "d">): DeepPixels {
  const { w, h, first, right, down } = laying(width, height, m);
  const to = new Uint16Array(data.length);
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0, o = 3 * (first + y * down); x < width; x += 1, i += 3, o += 3 * right) {
      to[o] = data[i]!;
      to[o + 1] = data[i + 1]!;
      to[o + 2] = data[i + 2]!;
    }
  return { data: to, width: w, height: h };
}

/** Without so many pixels at each side. */
export function deepCut({ data, width, height }: DeepPixels, by: number): DeepPixels {
  const [w, h] = [width - 2 * by, height - 2 * by];
  const out = new Uint16Array(3 * w * h);
  for (let y = 0; y < h; y += 1) {
    const from = 3 * ((y + by) * width + by);
    out.set(data.subarray(from, from + 3 * w), 3 * y * w);
  }
  return { data: out, width: w, height: h };
}

/** One step of eight bits in sixteen. */
const deepStep = 257;
/** Rounding of two kinds, and weights in whole numbers, are less than this apart. */
const sameAs = 1.5 * deepStep;

/**
 * Puts the sixteen bits of a photo in place of what was painted in eight, wherever the painted pixel is the photo's: so what lies
 * over the photo stays, and nothing changes by more than one and a half steps. `painted` is of RGBA, `into` of RGB, both `width` wide.
 */
export function refine(
  into: Uint16Array<ArrayBuffer>,
  painted: Uint8ClampedArray,
  width: number,
  photo: DeepPixels,
  at: { readonly x: number; readonly y: number },
): void {
  for (let y = 0; y < photo.height; y += 1)
    for (let x = 0; x < photo.width; x += 1) {
      const p = (at.y + y) * width + at.x + x;
      const i = 3 * (y * photo.width + x);
      const [r, g, b] = [photo.data[i]!, photo.data[i + 1]!, photo.data[i + 2]!];
      if (
        Math.abs(painted[4 * p]! * deepStep - r) > sameAs ||
        Math.abs(painted[4 * p + 1]! * deepStep - g) > sameAs ||
        Math.abs(painted[4 * p + 2]! * deepStep - b) > sameAs
      )
        continue;
      into[3 * p] = r;
      into[3 * p + 1] = g;
      into[3 * p + 2] = b;
    }
}

/** Painted pixels of eight bits, without their alpha, in sixteen. */
export function widened(rgba: Uint8ClampedArray): Uint16Array<ArrayBuffer> {
  const out = new Uint16Array((rgba.length / 4) * 3);
  for (let from = 0, to = 0; from < rgba.length; from += 4, to += 3) {
    out[to] = rgba[from]! * deepStep;
    out[to + 1] = rgba[from + 1]! * deepStep;
    out[to + 2] = rgba[from + 2]! * deepStep;
  }
  return out;
}
