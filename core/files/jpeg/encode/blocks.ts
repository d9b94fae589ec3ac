import { codeBlock, divisors } from "./fdct.ts";

/** One of the three components, with how its samples lie to those of the picture. */
export interface Component {
  /** 1 for luma, 2 and 3 for the two of chroma. */
  readonly id: number;
  /** Samples to one of the picture's smallest unit, across and down. */
  readonly h: number;
  readonly v: number;
  readonly quant: Uint8Array;
  readonly table: 0 | 1;
}

/** The coefficients of one row of units: for each component its blocks, left to right and top to bottom, 64 each, row by row. */
export type UnitRow = readonly Int16Array[];

/**
 * Turns rows of RGBA into quantized coefficients. What lies beyond the right edge and below the last row repeats what is
 * nearest, so that no edge shows there. With `h` and `v` of 2 four samples of chroma become one.
 */
export class BlockMaker {
  readonly unitPx: number;
  readonly unitsAcross: number;
  readonly #width: number;
  readonly #components: readonly Component[];
  readonly #planes: readonly Float32Array[];
  readonly #divisors: readonly Float64Array[];
  readonly #stride: number;
  readonly #block = new Float64Array(64);

  constructor(width: number, components: readonly Component[]) {
    this.#width = width;
    this.#components = components;
    this.unitPx = 8 * components[0]!.h;
    this.unitsAcross = Math.ceil(width / this.unitPx);
    this.#stride = this.unitsAcross * this.unitPx;
    this.#planes = components.map(() => new Float32Array(this.#stride * this.unitPx));
    this.#divisors = components.map((c) => divisors(c.quant));
  }

  /** `rows` lines of RGBA from the start of `rgba`, at most a unit high. */
  row(rgba: Uint8ClampedArray | Uint8Array, from: number, rows: number): UnitRow {
    this.#toPlanes(rgba, from, rows);
    return this.#components.map((c, i) => {
      const subsampled = c.h < this.#components[0]!.h;
      if (subsampled) this.#halve(this.#planes[i]!);
      const across = this.unitsAcross * c.h;
      const out = new Int16Array(64 * across * c.v);
      for (let by = 0; by < c.v; by += 1)
        codeRow(
          this.#planes[i]!,
          8 * by * this.#stride,
          this.#stride,
          across,
          this.#divisors[i]!,
          this.#block,
          out,
          64 * by * across,
        );
      return out;
    });
  }

  /** JFIF's YCbCr, less 128 so that it lies around nothing. */
  #toPlanes(rgba: Uint8ClampedArray | Uint8Array, from: number, rows: number): void {
    const [y, cb, cr] = this.#planes as [Float32Array, Float32Array, Float32Array];
    const width = this.#width;
    const stride = this.#stride;
    for (let line = 0; line < this.unitPx; line += 1) {
      const at = line * stride;
      if (line >= rows) {
        for (const p of this.#planes) p.copyWithin(at, (rows - 1) * stride, rows * stride);
        continue;
      }
      let s = from + 4 * line * width;
      for (let x = 0; x < width; x += 1, s += 4) {
        const r = rgba[s]!;
        const g = rgba[s + 1]!;
        const b = rgba[s + 2]!;
        y[at + x] = 0.299 * r + 0.587 * g + 0.114 * b - 128;
        cb[at + x] = -0.168735892 * r - 0.331264108 * g + 0.5 * b;
        cr[at + x] = 0.5 * r - 0.418687589 * g - 0.081312411 * b;
      }
      for (const p of this.#planes) p.fill(p[at + width - 1]!, at + width, at + stride);
    }
  }

  #halve(plane: Float32Array): void {
    const stride = this.#stride;
    for (let line = 0; line < 8; line += 1)
      for (let x = 0; x < stride / 2; x += 1) {
        const a = 2 * line * stride + 2 * x;
        plane[line * stride + x] = (plane[a]! + plane[a + 1]! + plane[a + stride]! + plane[a + stride + 1]!) / 4;
      }
  }
}

/** A row of blocks, next to each other. A plain function with all it needs at hand: a method takes twice as long. */
function codeRow(
  plane: Float32Array,
  from: number,
  stride: number,
  across: number,
  divide: Float64Array,
  d: Float64Array,
  out: Int16Array,
  at: number,
): void {
  for (let bx = 0; bx < across; bx += 1) codeBlock(plane, from + 8 * bx, stride, divide, d, out, at + 64 * bx);
}
