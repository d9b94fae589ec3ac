/** Turns the unpacked bytes of a PNG that is not interlaced back into rows of samples (third edition, 9.2), as they come. */
export class PngRows {
  readonly #line: number;
  readonly #pixel: number;
  #above: Uint8Array;
  #held = new Uint8Array(0);

  /** `pixelBytes`: of all channels of a pixel together. */
  constructor(widthPx: number, pixelBytes = 3) {
    this.#pixel = pixelBytes;
    this.#line = pixelBytes * widthPx;
    this.#above = new Uint8Array(this.#line);
  }

  /** Whole rows of what has come so far. Throws a RangeError for a kind of filter that there is not. */
  add(bytes: Uint8Array): Uint8Array<ArrayBuffer> {
    const all = new Uint8Array(this.#held.length + bytes.length);
    all.set(this.#held);
    all.set(bytes, this.#held.length);
    const step = this.#line + 1;
    const count = Math.floor(all.length / step);
    const out = new Uint8Array(count * this.#line);
    for (let y = 0; y < count; y += 1) {
      const row = out.subarray(y * this.#line, (y + 1) * this.#line);
      restore(all[y * step]!, all.subarray(y * step + 1, (y + 1) * step), this.#above, row, this.#pixel);
      this.#above = row;
    }
    this.#held = all.slice(count * step);
    return out;
  }

  /** Bytes of a row that is not whole. */
  get left(): number {
    return this.#held.length;
  }
}

function restore(kind: number, from: Uint8Array, above: Uint8Array, row: Uint8Array, pixel: number): void {
  if (kind > 4) throw new RangeError(`filter ${kind}`);
  for (let i = 0; i < row.length; i += 1) {
    const a = i < pixel ? 0 : row[i - pixel]!;
    const b = above[i]!;
    const c = i < pixel ? 0 : above[i - pixel]!;
    const guess = kind === 0 ? 0 : kind === 1 ? a : kind === 2 ? b : kind === 3 ? (a + b) >> 1 : nearest(a, b, c);
    row[i] = from[i]! + guess;
  }
}

/** Of left, above and above left, the one nearest to what a plane through them would give (9.4). */
export function nearest(a: number, b: number, c: number): number {
  const p = a + b - c;
  const [pa, pb, pc] = [Math.abs(p - a), Math.abs(p - b), Math.abs(p - c)];
  return pa <= pb && pa <= pc ? a : pb <= pc ? b : c;
}
