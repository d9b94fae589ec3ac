/**
 * The forward cosine transform of 8 × 8 samples, in place and scaled (Y. Arai, T. Agui, M. Nakajima, 1988): `divisors`
 * has to take the scale back out.
 */
export function forwardDct(d: Float64Array): void {
  for (let i = 0; i < 64; i += 8) pass(d, i, 1);
  for (let i = 0; i < 8; i += 1) pass(d, i, 8);
}

/** Eight samples that lie `s` apart. Spelt out: this runs a hundred million times for a page. */
function pass(d: Float64Array, i: number, s: number): void {
  const d0 = d[i]!;
  const d1 = d[i + s]!;
  const d2 = d[i + 2 * s]!;
  const d3 = d[i + 3 * s]!;
  const d4 = d[i + 4 * s]!;
  const d5 = d[i + 5 * s]!;
  const d6 = d[i + 6 * s]!;
  const d7 = d[i + 7 * s]!;
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
  const u2 = t1 - t2;
  d[i] = u0 + u1;
  d[i + 4 * s] = u0 - u1;
  const z1 = (u2 + u3) * Math.SQRT1_2;
  d[i + 2 * s] = u3 + z1;
  d[i + 6 * s] = u3 - z1;
  const v0 = t4 + t5;
  const v1 = t5 + t6;
  const v2 = t6 + t7;
  const z5 = (v0 - v2) * 0.382683433;
  const z2 = 0.5411961 * v0 + z5;
  const z4 = 1.306562965 * v2 + z5;
  const z3 = v1 * Math.SQRT1_2;
  const z11 = t7 + z3;
  const z13 = t7 - z3;
  d[i + 5 * s] = z13 + z2;
  d[i + 3 * s] = z13 - z2;
  d[i + s] = z11 + z4;
  d[i + 7 * s] = z11 - z4;
}

const aan = [1, 1.387039845, 1.306562965, 1.175875602, 1, 0.785694958, 0.5411961, 0.275899379];

/** What each transformed sample is to be multiplied by, quantized and rid of the transform's own scale. */
export const divisors = (quant: Uint8Array): Float32Array =>
  Float32Array.from(quant, (q, i) => 1 / (q * aan[i >> 3]! * aan[i & 7]! * 8));
