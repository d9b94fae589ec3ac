/** Brightness of a small picture, row by row. */
export interface Grey {
  readonly width: number;
  readonly height: number;
  readonly values: ArrayLike<number>;
}

export const lookSize = { width: 9, height: 8 } as const;

/**
 * Difference hash: one bit for each pixel of 8 × 8 that is brighter than its right neighbour (N. Krawetz, "Kind of like
 * that", 2013). As 16 hex digits. The picture has to be 9 × 8.
 */
export function lookOf(grey: Grey): string {
  if (grey.width !== lookSize.width || grey.height !== lookSize.height)
    throw new RangeError(`a look is taken of 9 × 8 pixels, not of ${grey.width} × ${grey.height}`);
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
