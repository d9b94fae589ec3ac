import type { Size } from "#core/geometry";

/** What photos a slicing tree is made for, and on what. Lengths in mm; reading order is array order. */
export interface SlicingTask {
  /** Width over height of each photo. */
  readonly aspects: readonly number[];
  /** How much of the room each photo should have, in any common measure. */
  readonly weights: readonly number[];
  readonly room: Size;
  readonly gap: number;
  /** What a reading order turned round as a whole costs, on the scale of the other prices; half of it is pure chance. */
  readonly orderPrice: number;
  /** Sets of photos that are to be equally large, by their places in the list. */
  readonly equal: readonly (readonly number[])[];
}

export const side = 0;
export const stack = 1;

/**
 * A binary slicing tree in flat arrays, so that a search can try thousands a second. Nodes 0 to n − 1 are leaves, the
 * others parts that hold two nodes side by side or stacked; a chain of parts of one way is one row or column of many.
 *
 * With all aspects multiplied by one factor s, each node obeys `w = s·A·h + P + Q·s`. A leaf has (a, 0, 0). Side by side
 * the three add up, and the gap to P. Stacked, A = 1 / Σ(1/A), P = A·Σ(P/A) and Q = A·(Σ(Q/A) − gap). The room is then
 * filled exactly at s = (W − P) / (A·H + Q), and every photo is cropped by the same 1 − min(s, 1/s).
 */
export class Workbench {
  readonly n: number;
  readonly left: Int32Array;
  readonly right: Int32Array;
  readonly parent: Int32Array;
  readonly way: Int32Array;
  /** Which photo a leaf holds. */
  readonly photo: Int32Array;
  readonly A: Float64Array;
  readonly P: Float64Array;
  readonly Q: Float64Array;
  /** Sizes and places by node, once they are worked out. */
  readonly w: Float64Array;
  readonly h: Float64Array;
  readonly x: Float64Array;
  readonly y: Float64Array;
  // In two blocks, so that a tree is copied by two moves of memory.
  readonly #whole: Int32Array;
  readonly #lines: Float64Array;
  readonly #aspects: Float64Array;
  readonly #gap: number;
  readonly #roomW: number;
  readonly #roomH: number;
  readonly #open: Int32Array;

  constructor(task: SlicingTask) {
    this.n = task.aspects.length;
    const size = 2 * this.n - 1;
    this.#whole = new Int32Array(4 * size + this.n + 1).fill(-1);
    const ints = (k: number) => this.#whole.subarray(k * size, (k + 1) * size);
    [this.left, this.right, this.parent, this.way] = [ints(0), ints(1), ints(2), ints(3)];
    this.photo = this.#whole.subarray(4 * size, 4 * size + this.n);
    for (let i = 0; i < this.n; i += 1) this.photo[i] = i;
    this.root = 0;
    this.#lines = new Float64Array(3 * size);
    const floats = (k: number) => this.#lines.subarray(k * size, (k + 1) * size);
    [this.A, this.P, this.Q] = [floats(0), floats(1), floats(2)];
    this.w = new Float64Array(size);
    this.h = new Float64Array(size);
    this.x = new Float64Array(size);
    this.y = new Float64Array(size);
    this.#aspects = Float64Array.from(task.aspects);
    this.#gap = task.gap;
    this.#roomW = task.room.w;
    this.#roomH = task.room.h;
    this.#open = new Int32Array(size);
  }

  get root(): number {
    return this.#whole[this.#whole.length - 1]!;
  }

  set root(node: number) {
    this.#whole[this.#whole.length - 1] = node;
    this.parent[node] = -1;
  }

  copyFrom(other: Workbench): void {
    this.#whole.set(other.#whole);
    this.#lines.set(other.#lines);
  }

  join(node: number, way: number, left: number, right: number): void {
    this.way[node] = way;
    this.left[node] = left;
    this.right[node] = right;
    this.parent[left] = node;
    this.parent[right] = node;
  }

  /** Works a node's line out from those of what it holds. */
  derive(node: number): void {
    const { A, P, Q, n } = this;
    if (node < n) {
      A[node] = this.#aspects[this.photo[node]!]!;
      P[node] = 0;
      Q[node] = 0;
      return;
    }
    const l = this.left[node]!;
    const r = this.right[node]!;
    const al = A[l]!;
    const ar = A[r]!;
    if (this.way[node] === side) {
      A[node] = al + ar;
      P[node] = P[l]! + P[r]! + this.#gap;
      Q[node] = Q[l]! + Q[r]!;
    } else {
      const a = 1 / (1 / al + 1 / ar);
      A[node] = a;
      P[node] = a * (P[l]! / al + P[r]! / ar);
      Q[node] = a * (Q[l]! / al + Q[r]! / ar - this.#gap);
    }
  }

  /** The same for a node and all that hold it. */
  deriveUp(node: number): void {
    for (let at = node; at >= 0; at = this.parent[at]!) this.derive(at);
  }

  deriveAll(): void {
    const open = this.#open;
    let top = 0;
    let count = 0;
    const order: number[] = [];
    open[top++] = this.root;
    while (top > 0) {
      const node = open[--top]!;
      order.push(node);
      if (node >= this.n) {
        open[top++] = this.left[node]!;
        open[top++] = this.right[node]!;
      }
    }
    for (count = order.length - 1; count >= 0; count -= 1) this.derive(order[count]!);
  }

  /** The common factor at which the room is filled exactly; not above 0 where there is none. */
  factor(): number {
    const r = this.root;
    return (this.#roomW - this.P[r]!) / (this.A[r]! * this.#roomH + this.Q[r]!);
  }

  /** Sizes and places of all nodes at a factor. False where something would have no width or no height. */
  lay(s: number): boolean {
    const { A, P, Q, w, h, x, y, left, right, way, n } = this;
    const gap = this.#gap;
    const open = this.#open;
    const { root } = this;
    w[root] = this.#roomW;
    h[root] = this.#roomH;
    x[root] = 0;
    y[root] = 0;
    let top = 0;
    open[top++] = root;
    while (top > 0) {
      const node = open[--top]!;
      if (node < n) continue;
      const l = left[node]!;
      const r = right[node]!;
      if (way[node] === side) {
        const high = h[node]!;
        const lw = s * A[l]! * high + P[l]! + Q[l]! * s;
        const rw = w[node]! - gap - lw;
        if (!(lw > 0 && rw > 0)) return false;
        w[l] = lw;
        w[r] = rw;
        h[l] = high;
        h[r] = high;
        x[l] = x[node]!;
        x[r] = x[node]! + lw + gap;
        y[l] = y[node]!;
        y[r] = y[node]!;
      } else {
        const wide = w[node]!;
        const lh = (wide - P[l]! - Q[l]! * s) / (s * A[l]!);
        const rh = h[node]! - gap - lh;
        if (!(lh > 0 && rh > 0)) return false;
        h[l] = lh;
        h[r] = rh;
        w[l] = wide;
        w[r] = wide;
        y[l] = y[node]!;
        y[r] = y[node]! + lh + gap;
        x[l] = x[node]!;
        x[r] = x[node]!;
      }
      open[top++] = l;
      open[top++] = r;
    }
    return true;
  }
}
