import type { SlicingTask, Workbench } from "./workbench.ts";

// Looked up once: a global costs more than the sum it is part of.
const { abs, log, max, min } = Math;
const never = Number.POSITIVE_INFINITY;

/** What the search makes small. A crop costs the most; then uneven sizes, a lost reading order, and one far too small. */
export const price = {
  crop: 13,
  /** On top, above what nobody sees. */
  cropBeyond: 50,
  freeCrop: 0.01,
  /** Among many photos there is a tree with less than this for nearly every page. */
  cropSeen: 300,
  seenCrop: 0.0185,
  manyPhotos: 10,
  /** For the photo that falls the furthest short of its share, below this part of it. */
  small: 5,
  leastShare: 0.5,
  /** For a photo that is to lead, by how far it is off. */
  lead: 2.5,
  /** For photos that are to be equally large, by how far each has to be bent for it: nearly what that will crop. */
  unequal: 120,
} as const;

/**
 * What a tree costs; `Infinity` as soon as it is above `bound`, cheapest question first, since a search throws most trees
 * away. Lays the tree's sizes out on the way.
 */
export class Score {
  readonly #wanted: Float64Array;
  readonly #pairs: number;
  readonly #orderPrice: number;
  readonly #equal: SlicingTask["equal"];
  // By photo, for one question at a time.
  readonly #top: Float64Array;
  readonly #high: Float64Array;
  readonly #across: Float64Array;

  constructor(task: SlicingTask) {
    const sum = task.weights.reduce((a, b) => a + b, 0);
    this.#wanted = Float64Array.from(task.weights, (w) => w / sum);
    this.#orderPrice = task.orderPrice;
    this.#equal = task.equal;
    const n = task.aspects.length;
    this.#pairs = (n * (n - 1)) / 2;
    this.#top = new Float64Array(n);
    this.#high = new Float64Array(n);
    this.#across = new Float64Array(n);
  }

  of(tree: Workbench, bound: number): number {
    const s = tree.factor();
    if (!(s > 0)) return never;
    const crop = s < 1 ? 1 - s : 1 - 1 / s;
    let cost = price.crop * crop;
    if (crop > price.freeCrop) cost += price.cropBeyond * (crop - price.freeCrop);
    if (crop > price.seenCrop && tree.n >= price.manyPhotos) cost += price.cropSeen * (crop - price.seenCrop);
    if (cost > bound || !tree.lay(s)) return never;
    cost += this.#uneven(tree);
    if (this.#equal.length > 0) cost += price.unequal * this.#unequal(tree);
    if (cost > bound) return never;
    if (this.#pairs === 0 || this.#orderPrice === 0) return cost;
    // Half of one minus Kendall's tau is the share of pairs that are read the wrong way round.
    const most = ((bound - cost) / this.#orderPrice / 2) * this.#pairs;
    const wrong = this.#misread(tree, most);
    return wrong > most ? never : cost + (this.#orderPrice * 2 * wrong) / this.#pairs;
  }

  #uneven(tree: Workbench): number {
    const { n, w, h, photo } = tree;
    let sum = 0;
    for (let i = 0; i < n; i += 1) sum += w[i]! * h[i]!;
    let apart = 0;
    let least = 1;
    let lead = 0;
    for (let i = 0; i < n; i += 1) {
      const wanted = this.#wanted[photo[i]!]!;
      const share = (w[i]! * h[i]!) / sum / wanted;
      const off = abs(log(share));
      apart += off;
      if (wanted * n > 2) lead += off * off;
      if (share < least) least = share;
    }
    const mean = apart / n;
    const short = least < price.leastShare ? price.leastShare - least : 0;
    return mean * mean + price.small * short * short + price.lead * lead;
  }

  /** How far photos that are to be equally large are from that, as logarithms: the mean over all photos. */
  #unequal(tree: Workbench): number {
    const { n, photo } = tree;
    const area = this.#top;
    for (let leaf = 0; leaf < n; leaf += 1) area[photo[leaf]!] = log(tree.w[leaf]! * tree.h[leaf]!);
    let off = 0;
    for (const set of this.#equal) {
      let mean = 0;
      for (const p of set) mean += area[p]! / set.length;
      for (const p of set) off += abs(area[p]! - mean);
    }
    return off / n;
  }

  /** Pairs whose second is read before the first: those on one line go by their middles across, the others down. */
  #misread(tree: Workbench, most: number): number {
    const { n, photo } = tree;
    const top = this.#top;
    const high = this.#high;
    const across = this.#across;
    for (let leaf = 0; leaf < n; leaf += 1) {
      const p = photo[leaf]!;
      top[p] = tree.y[leaf]!;
      high[p] = tree.h[leaf]!;
      across[p] = tree.x[leaf]! + tree.w[leaf]! / 2;
    }
    let wrong = 0;
    for (let i = 0; i < n; i += 1) {
      const x = across[i]!;
      const y = top[i]!;
      const h = high[i]!;
      const foot = y + h;
      const middle = y + h / 2;
      for (let j = i + 1; j < n; j += 1) {
        const yj = top[j]!;
        const hj = high[j]!;
        const footJ = yj + hj;
        const overlap = min(foot, footJ) - max(y, yj);
        const isFirst = overlap > 0.5 * min(h, hj) ? x <= across[j]! : middle <= yj + hj / 2;
        if (!isFirst) wrong += 1;
      }
      if (wrong > most) return wrong;
    }
    return wrong;
  }
}
