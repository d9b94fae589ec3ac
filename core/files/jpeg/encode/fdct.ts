/**
 * The forward cosine transform of 8 × 8 samples (Y. Arai, T. Agui, M. Nakajima, 1988), quantized. Rows are read from a plane
 * whose lines are `stride` apart, columns written to `out` from `at` on. `divide` has to take out the transform's own scale
 * as well. Spelt out, and with nothing stored between that need not be: this runs a million times for a page.
 */
export function codeBlock(
  plane: Float32Array,
  from: number,
  stride: number,
  divide: Float64Array,
  d: Float64Array,
  out: Int16Array,
  at: number,
): void {
  for (let i = 0, p = from; i < 64; i += 8, p += stride) {
    const d0 = plane[p]!;
    const d1 = plane[p + 1]!;
    const d2 = plane[p + 2]!;
    const d3 = plane[p + 3]!;
    const d4 = plane[p + 4]!;
    const d5 = plane[p + 5]!;
    const d6 = plane[p + 6]!;
    const d7 = plane[p + 7]!;
    const t0 = d0 + d7;
    const t7 = d0 - d7;
    const t1 = d1 + d6;
    const t6 = d1 - d6;
    const t2 = d2 + d5;
    const t5 = d2 - d5;
    const t3 = d3 + d4;
    const t4 = d3 - d4;
    const u0 = t0 + t3;
    const u3 = t0 - t3;
    const u1 = t1 + t2;
    const z1 = (t1 - t2 + u3) * Math.SQRT1_2;
    const v0 = t4 + t5;
    const v2 = t6 + t7;
    const z5 = (v0 - v2) * c5;
    const z2 = c2 * v0 + z5;
    const z4 = c4 * v2 + z5;
    const z3 = (t5 + t6) * Math.SQRT1_2;
    d[i] = u0 + u1;
    d[i + 1] = t7 + z3 + z4;
    d[i + 2] = u3 + z1;
    d[i + 3] = t7 - z3 - z2;
    d[i + 4] = u0 - u1;
    d[i + 5] = t7 - z3 + z2;
    d[i + 6] = u3 - z1;
    d[i + 7] = t7 + z3 - z4;
  }
  for (let i = 0; i < 8; i += 1) {
    const d0 = d[i]!;
    const d1 = d[i + 8]!;
    const d2 = d[i + 16]!;
    const d3 = d[i + 24]!;
    const d4 = d[i + 32]!;
    const d5 = d[i + 40]!;
    const d6 = d[i + 48]!;
    const d7 = d[i + 56]!;
    const t0 = d0 + d7;
    const t7 = d0 - d7;
    const t1 = d1 + d6;
    const t6 = d1 - d6;
    const t2 = d2 + d5;
    const t5 = d2 - d5;
    const t3 = d3 + d4;
    const t4 = d3 - d4;
    const u0 = t0 + t3;
    const u3 = t0 - t3;
    const u1 = t1 + t2;
    const z1 = (t1 - t2 + u3) * Math.SQRT1_2;
    const v0 = t4 + t5;
    const v2 = t6 + t7;
    const z5 = (v0 - v2) * c5;
    const z2 = c2 * v0 + z5;
    const z4 = c4 * v2 + z5;
    const z3 = (t5 + t6) * Math.SQRT1_2;
    const o = at + i;
    out[o] = (((u0 + u1) * divide[i]! + lift) | 0) - whole;
    out[o + 8] = (((t7 + z3 + z4) * divide[i + 8]! + lift) | 0) - whole;
    out[o + 16] = (((u3 + z1) * divide[i + 16]! + lift) | 0) - whole;
    out[o + 24] = (((t7 - z3 - z2) * divide[i + 24]! + lift) | 0) - whole;
    out[o + 32] = (((u0 - u1) * divide[i + 32]! + lift) | 0) - whole;
    out[o + 40] = (((t7 - z3 + z2) * divide[i + 40]! + lift) | 0) - whole;
    out[o + 48] = (((u3 - z1) * divide[i + 48]! + lift) | 0) - whole;
    out[o + 56] = (((t7 + z3 - z4) * divide[i + 56]! + lift) | 0) - whole;
  }
}

const c5 = 0.382683433;
const c2 = 0.5411961;
const c4 = 1.306562965;
/** Adding so much keeps a sum positive, and cutting off its fraction then rounds. */
const whole = 16_384;
const lift = whole + 0.5;

const aan = [1, 1.387039845, 1.306562965, 1.175875602, 1, 0.785694958, 0.5411961, 0.275899379];

/** What each transformed sample is to be multiplied by, quantized and rid of the transform's own scale. */
export const divisors = (quant: Uint8Array): Float64Array =>
  Float64Array.from(quant, (q, i) => 1 / (q * aan[i >> 3]! * aan[i & 7]! * 8));
