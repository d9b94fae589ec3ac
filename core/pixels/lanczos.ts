/** Which source pixels make each output pixel along one side, and how much of each in 1/16384. `count` is even. */
export interface Taps {
  readonly first: Int32Array;
  readonly weights: Int16Array;
  readonly count: number;
}

const lobes = 3;
const one = 16_384;
/** Of places between two pixels: as fine as eight bits can tell. */
export const phases = 256;
/** Pixels along each side from which one is gathered. */
export const gathered = 2 * lobes;

/** The windowed sinc with three lobes (C. E. Duchon, Lanczos filtering in one and two dimensions, 1979). */
export function lanczos3(x: number): number {
  const p = Math.PI * x;
  if (x === 0) return 1;
  return Math.abs(x) >= lobes ? 0 : (lobes * Math.sin(p) * Math.sin(p / lobes)) / (p * p);
}

/**
 * Output pixel `i` of `from` to `to` looks at `(i + ½ − offset) / scale` in source pixels; a scale below 0 mirrors. Beyond the
 * picture of `length` pixels its rim goes on. `cutoff`: the density that is filtered for, where that is not the scale's.
 */
export function lanczosTaps(
  from: number,
  to: number,
  scale: number,
  offset: number,
  length: number,
  cutoff = Math.abs(scale),
): Taps {
  const shrink = Math.min(1, cutoff);
  const reach = lobes / shrink;
  const count = 2 * Math.ceil(reach + 0.5);
  const first = new Int32Array(to - from);
  const weights = new Int16Array((to - from) * count);
  const exact = new Float64Array(count);
  for (let i = 0; i < to - from; i += 1) {
    const middle = (from + i + 0.5 - offset) / scale;
    const start = Math.ceil(middle - reach - 0.5);
    first[i] = Math.min(Math.max(0, start), Math.max(0, length - count));
    exact.fill(0);
    for (let k = start; k < start + count; k += 1)
      exact[Math.min(Math.max(k, 0), length - 1) - first[i]!]! += lanczos3((k + 0.5 - middle) * shrink);
    setInWhole(weights, i * count, exact);
  }
  return { first, weights, count };
}

/** The weights of a gathered pixel, for each phase one after the other. */
export function phaseWeights(): Int16Array {
  const table = new Int16Array((phases + 1) * gathered);
  for (let p = 0; p <= phases; p += 1) {
    const exact = Float64Array.from({ length: gathered }, (_, k) => lanczos3(k - lobes + 1 - p / phases));
    setInWhole(table, p * gathered, exact);
  }
  return table;
}

/** As whole numbers that sum to `one` exactly, so that an even grey stays what it is. A print has tens of thousands: nothing is allocated here. */
function setInWhole(into: Int16Array, at: number, exact: Float64Array): void {
  let sum = 0;
  for (const w of exact) sum += w;
  let left = one;
  let most = at;
  for (let k = 0; k < exact.length; k += 1) {
    const whole = Math.round((exact[k]! / sum) * one);
    into[at + k] = whole;
    left -= whole;
    if (whole > into[most]!) most = at + k;
  }
  into[most]! += left;
}
