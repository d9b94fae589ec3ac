const passes = 3;

/**
 * An extended box (Gwosdek et al., "Theoretical foundations of Gaussian convolution by extended box filtering", 2011): whole pixels on either side
 * of the middle, and a fraction of one more at each end, so that its passes have exactly the deviation that is asked for at any density.
 */
export function boxOf(sigma: number): { readonly r: number; readonly inner: number; readonly ends: number } {
  const v = (sigma * sigma) / passes;
  const r = Math.floor(0.5 * Math.sqrt(12 * v + 1) - 0.5);
  const a = ((2 * r + 1) * (r * (r + 1) - 3 * v)) / (6 * (v - (r + 1) ** 2));
  const whole = 2 * (a + r) + 1;
  return { r, inner: 1 / whole, ends: a / whole };
}

/** How many pixels away something can still be seen. */
export const blurReach = (sigma: number): number => passes * (boxOf(sigma).r + 1);

/** Blurred in place by deviations in pixels across and down. Beyond its edges it goes on as it is there. */
export function blur(values: Float32Array, w: number, h: number, sigmaX: number, sigmaY: number): void {
  if (sigmaX > 0) blurRows(values, w, h, boxOf(sigmaX));
  if (sigmaY <= 0) return;
  // A column's pixels lie far apart in memory; turned over, they lie beside each other.
  const turned = transposed(values, w, h);
  blurRows(turned, h, w, boxOf(sigmaY));
  values.set(transposed(turned, h, w));
}

function blurRows(values: Float32Array, n: number, rows: number, box: ReturnType<typeof boxOf>): void {
  const side = box.r + 1;
  const line = new Float32Array(n + 2 * side);
  for (let row = 0; row < rows; row += 1) {
    const whole = values.subarray(row * n, (row + 1) * n);
    for (let pass = 0; pass < passes; pass += 1) {
      line.set(whole, side);
      line.fill(whole[0]!, 0, side);
      line.fill(whole[n - 1]!, n + side);
      boxLine(line, whole, box);
    }
  }
}

/** `line` has as many pixels more on each side as the box needs. */
function boxLine(line: Float32Array, out: Float32Array, { r, inner, ends }: ReturnType<typeof boxOf>): void {
  const far = 2 * r + 2;
  let sum = 0;
  for (let i = 1; i < far; i += 1) sum += line[i]!;
  for (let i = 0; i < out.length; i += 1) {
    const next = line[i + far]!;
    out[i] = sum * inner + (line[i]! + next) * ends;
    sum += next - line[i + 1]!;
  }
}

const block = 32;

function transposed(values: Float32Array, w: number, h: number): Float32Array {
  const out = new Float32Array(w * h);
  for (let y0 = 0; y0 < h; y0 += block)
    for (let x0 = 0; x0 < w; x0 += block) {
      const x1 = Math.min(x0 + block, w);
      const y1 = Math.min(y0 + block, h);
      for (let y = y0; y < y1; y += 1) for (let x = x0; x < x1; x += 1) out[x * h + y] = values[y * w + x]!;
    }
  return out;
}
