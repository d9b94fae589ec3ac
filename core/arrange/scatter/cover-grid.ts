// Looked up once: in a loop of millions of turns that is felt.
const { abs, ceil, floor, max, min, round, sqrt } = Math;

/** The page as so many cells. */
const cells = 1600;
const fewest = 8;
/** Each layer after the first, as a share of a bare cell for each one under it. */
const layerPrice = 0.25;

/** How many prints lie over each cell of a page, and what bare cells and heaps of prints cost. Lengths in mm. */
export class CoverGrid {
  readonly #layers: Int16Array;
  readonly #columns: number;
  readonly #rows: number;
  readonly #cellW: number;
  readonly #cellH: number;
  readonly #price: number;

  /** The more prints there are, the more of the page they are to cover. */
  constructor(width: number, height: number, prints: number) {
    this.#columns = max(fewest, round(sqrt((cells * width) / height)));
    this.#rows = max(fewest, round(cells / this.#columns));
    this.#cellW = width / this.#columns;
    this.#cellH = height / this.#rows;
    this.#layers = new Int16Array(this.#columns * this.#rows);
    this.#price = ((100 / cells) * prints) / 20;
  }

  /** Of a page with nothing on it. */
  get bareCost(): number {
    return this.#columns * this.#rows * this.#price;
  }

  /** A print around (`cx`, `cy`) laid onto the cells, or taken off them; `c` and `s`: cosine and sine of its turn. Gives by how much all costs more. */
  stamp(cx: number, cy: number, c: number, s: number, halfW: number, halfH: number, by: 1 | -1): number {
    const layers = this.#layers;
    const [cellW, cellH, columns] = [this.#cellW, this.#cellH, this.#columns];
    const ey = halfW * abs(s) + halfH * abs(c);
    const first = max(0, ceil((cy - ey) / cellH - 0.5));
    const last = min(this.#rows - 1, floor((cy + ey) / cellH - 0.5));
    let cost = 0;
    for (let row = first; row <= last; row += 1) {
      const dy = (row + 0.5) * cellH - cy;
      // Where this row crosses the print: |c·dx + s·dy| ≤ halfW and |c·dy − s·dx| ≤ halfH.
      let from = (-halfW - s * dy) / c;
      let to = (halfW - s * dy) / c;
      if (s > 1e-9 || s < -1e-9) {
        const [a, b] = [(c * dy - halfH) / s, (c * dy + halfH) / s];
        from = max(from, min(a, b));
        to = min(to, max(a, b));
      }
      const start = max(0, ceil((cx + from) / cellW - 0.5));
      const end = min(columns - 1, floor((cx + to) / cellW - 0.5));
      for (let at = row * columns + start; at <= row * columns + end; at += 1) {
        const k = layers[at]!;
        if (by === 1) cost += k === 0 ? -1 : k * layerPrice;
        else cost -= k === 1 ? -1 : (k - 1) * layerPrice;
        layers[at] = k + by;
      }
    }
    return cost * this.#price;
  }
}
