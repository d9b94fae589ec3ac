/** Brightness of a small picture, row by row. */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly values: ArrayLike<number>;
}

const lookSize = { width: 9, height: 8 } as const;

/** The mean over each part of an even division; a picture with fewer pixels than parts gives some of them twice. */
function reduced({ width, height, values }: Grey, to: { readonly width: number; readonly height: number }): Grey {
  const edge = (i: number, parts: number, length: number) => Math.floor((i * length) / parts);
  const means = new Float64Array(to.width * to.height);
  for (let j = 0; j < to.height; j += 1)
    for (let i = 0; i < to.width; i += 1) {
      const [left, top] = [edge(i, to.width, width), edge(j, to.height, height)];
      const right = Math.max(left + 1, edge(i + 1, to.width, width));
      const bottom = Math.max(top + 1, edge(j + 1, to.height, height));
      let sum = 0;
      for (let y = top; y < bottom; y += 1) for (let x = left; x < right; x += 1) sum += values[y * width + x]!;
      means[j * to.width + i] = sum / ((right - left) * (bottom - top));
    }
  return { ...to, values: means };
}

/**
 * Difference hash: one bit for each part of 8 × 8 that is brighter than its right neighbour (N. Krawetz, "Kind of like
 * that", 2013). As 16 hex digits.
 */
export function lookOf(picture: Grey): string {
  const grey = reduced(picture, lookSize);
  let hex = "";
  for (let y = 0; y < 8; y += 1) {
    let bits = 0;
    for (let x = 0; x < 8; x += 1) {
      const at = y * 9 + x;
      // A step of one is noise, and would make flat pictures differ by chance.
      bits = bits * 2 + (grey.values[at]! > grey.values[at + 1]! + 1 ? 1 : 0);
    }
    hex += bits.toString(16).padStart(2, "0");
  }
  return hex;
}

/** How much fine detail there is: the variance of the Laplacian (Pech-Pacheco et al., 2000). Sharper is higher. */
export function detailOf({ width, height, values }: Grey): number {
  let [sum, squares, n] = [0, 0, 0];
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const at = y * width + x;
      const v = 4 * values[at]! - values[at - 1]! - values[at + 1]! - values[at - width]! - values[at + width]!;
      sum += v;
      squares += v * v;
      n += 1;
    }
  return n === 0 ? 0 : squares / n - (sum / n) ** 2;
}
