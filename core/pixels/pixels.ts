import type { Matrix } from "#core/geometry";

/** Four bytes a pixel, row by row; opaque, or with its colours multiplied by alpha. */
export interface Pixels {
  readonly data: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  /** Where only some of the rows are at hand: which row the data begins with. What rests on others cannot be drawn. */
  readonly top?: number;
}

/** Whole pixels of an output. */
export interface Area {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/**
 * Draws parts of a scaled picture. Each output pixel rests on nothing but its own place, so parts meet without a seam. Matrices
 * take source pixels to output pixels.
 */
export interface Resampler {
  /** Upright, also mirrored: `x' = a·x + e, y' = d·y + f`. */
  upright(from: Pixels, m: Pick<Matrix, "a" | "d" | "e" | "f">, area: Area): Pixels;
  /** Through any matrix; outside of the picture nothing is drawn. */
  turned(from: Pixels, m: Matrix, area: Area): Pixels;
}

/** Of the grid that a turned picture is gathered from, beside the output's: less would soften it. */
export const gridDensity = 1.5;

/** Multiplies colours by alpha, in place; false where all is opaque and nothing was changed. */
export function multiplyAlpha({ data }: Pixels): boolean {
  let clear = false;
  for (let i = 3; i < data.length; i += 4) {
    const a = data[i]!;
    if (a === 255) continue;
    clear = true;
    for (let k = i - 3; k < i; k += 1) data[k] = (data[k]! * a + 127) / 255;
  }
  return clear;
}

/** Divides colours by alpha, in place; a filter may have pushed them beyond it. */
export function divideAlpha({ data }: Pixels): void {
  for (let i = 3; i < data.length; i += 4) {
    const a = data[i]!;
    if (a === 255 || a === 0) continue;
    for (let k = i - 3; k < i; k += 1) data[k] = (Math.min(data[k]!, a) * 255) / a;
  }
}

/** The rows of the source, `height` in all, that an area of the output rests on. */
export function sourceRows(m: Matrix, area: Area, height: number): { readonly from: number; readonly to: number } {
  const { a, b, c, d, e, f } = m;
  const det = a * d - b * c;
  const at = [0, 1].flatMap((i) =>
    [0, 1].map((j) => (a * (area.y + i * area.h - f) - b * (area.x + j * area.w - e)) / det),
  );
  const reach = 5 / Math.min(1, Math.hypot(c, d)) + 2;
  const from = Math.min(Math.max(0, Math.floor(Math.min(...at) - reach)), height - 1);
  return { from, to: Math.max(from + 1, Math.min(height, Math.ceil(Math.max(...at) + reach))) };
}

/** How a camera's pixels have to be laid to be seen upright; the matrix takes the stored unit square to the seen one. */
export function laidOut({ data, width, height }: Pixels, m: Turn): Pixels {
  const { w, h, first, right, down } = laying(width, height, m);
  const from = new Uint32Array(data.buffer, data.byteOffset, width * height);
  const to = new Uint32Array(w * h);
  for (let y = 0, i = 0; y < height; y += 1)
    for (let x = 0, o = first + y * down; x < width; x += 1, i += 1, o += right) to[o] = from[i]!;
  return { data: new Uint8ClampedArray(to.buffer), width: w, height: h };
}

type Turn = Pick<Matrix, "a" | "b" | "c" | "d">;

/** Where the first stored pixel comes to lie in the seen picture, and how far a step to the right and one down in the stored one lead. */
export function laying(width: number, height: number, m: Turn) {
  const [w, h] = m.a === 0 ? [height, width] : [width, height];
  const x0 = m.a < 0 || m.c < 0 ? w - 1 : 0;
  const y0 = m.b < 0 || m.d < 0 ? h - 1 : 0;
  return { w, h, first: x0 + y0 * w, right: m.a + m.b * w, down: m.c + m.d * w };
}
