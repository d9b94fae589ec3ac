import { type PackProblem, slack } from "./problem.ts";
import { itemPart, itemsIn, type Part, rowOf, SlicedSheet } from "./slicing-sheet.ts";

/** Many more are rarely of use, and each is compared with every other. */
const mostPatterns = 600;
const remembered = 40;

interface Pattern {
  readonly sheet: SlicedSheet;
  /** How many items of each size are on it. */
  readonly counts: Int16Array;
  readonly cost: number;
}

/**
 * Where many items share few sizes, a sheet is known by how many of each size it holds. All good sheets that a search has seen are
 * kept here, and now and then as many of them are looked for as cover every size at less than the best cost: a set cover over the
 * columns seen so far, by local search.
 */
export class SheetCover {
  readonly #problem: PackProblem;
  readonly #random: () => number;
  readonly #size: Int32Array;
  readonly #wanted: Int16Array;
  readonly #area: Float64Array;
  readonly #patterns: Pattern[] = [];
  readonly #known = new Set<string>();
  readonly #past = new Float64Array(remembered);

  /** `size`: the number of each item's size, of `sizes`. */
  constructor(problem: PackProblem, random: () => number, size: Int32Array, sizes: number) {
    this.#problem = problem;
    this.#random = random;
    this.#size = size;
    this.#wanted = new Int16Array(sizes);
    this.#area = new Float64Array(sizes);
    for (let i = 0; i < problem.count; i += 1) {
      this.#wanted[size[i]!]! += 1;
      this.#area[size[i]!] = problem.w[i]! * problem.h[i]!;
    }
  }

  /** Remembers a sheet, unless another of its kind holds all that it holds. */
  see(sheet: SlicedSheet): void {
    const parts: Part[] = [];
    itemsIn(sheet.root!, parts);
    const counts = new Int16Array(this.#wanted.length);
    for (const { item } of parts) counts[this.#size[item]!]! += 1;
    const name = `${sheet.kind} ${counts}`;
    if (this.#known.has(name)) return;
    this.#known.add(name);
    const holdsAll = (a: Pattern, b: Int16Array) => a.sheet.kind === sheet.kind && b.every((n, t) => n <= a.counts[t]!);
    if (this.#patterns.some((p) => holdsAll(p, counts))) return;
    for (let i = this.#patterns.length - 1; i >= 0; i -= 1) {
      const p = this.#patterns[i]!;
      if (p.sheet.kind === sheet.kind && p.counts.every((n, t) => n <= counts[t]!)) this.#patterns.splice(i, 1);
    }
    if (this.#patterns.length >= mostPatterns) this.#patterns.splice(this.#emptiest(), 1);
    this.#patterns.push({ sheet, counts, cost: this.#problem.kinds[sheet.kind]!.cost });
  }

  #emptiest(): number {
    let at = 0;
    for (let i = 1; i < this.#patterns.length; i += 1)
      if (share(this.#patterns[i]!.sheet) < share(this.#patterns[at]!.sheet)) at = i;
    return at;
  }

  /** Sheets that hold every item and together cost less than `below`, if some are found in so many moves. */
  find(below: number, moves: number): SlicedSheet[] | undefined {
    const patterns = this.#patterns;
    if (patterns.length === 0) return undefined;
    const random = this.#random;
    const any = () => patterns[Math.floor(random() * patterns.length)]!;
    const held = new Int16Array(this.#wanted.length);
    const chosen: Pattern[] = [];
    let spent = 0;
    for (let misses = 0; misses < 8; ) {
      const p = this.#mostMissing(held, below - spent);
      if (!p) {
        misses = 8;
        continue;
      }
      chosen.push(p);
      spent += p.cost;
      add(held, p.counts, 1);
    }
    if (chosen.length === 0) return undefined;
    let missing = this.#missing(held);
    this.#past.fill(missing);
    for (let move = 0; move < moves && missing > slack; move += 1) {
      const at = Math.floor(random() * chosen.length);
      const [out, into] = [chosen[at]!, any()];
      if (out === into || spent - out.cost + into.cost >= below - slack) continue;
      let next = 0;
      for (let t = 0; t < held.length; t += 1) {
        const short = this.#wanted[t]! - (held[t]! - out.counts[t]! + into.counts[t]!);
        if (short > 0) next += short * this.#area[t]!;
      }
      const slot = move % remembered;
      if (next <= missing || next <= this.#past[slot]!) {
        add(held, out.counts, -1);
        add(held, into.counts, 1);
        spent += into.cost - out.cost;
        chosen[at] = into;
        missing = next;
      }
      this.#past[slot] = missing;
    }
    return missing > slack ? undefined : this.#sheetsOf(chosen);
  }

  /** Of a few at random, the one that holds most of what is still missing for its cost. */
  #mostMissing(held: Int16Array, under: number): Pattern | undefined {
    let best: Pattern | undefined;
    let most = 0;
    for (let i = 0; i < 24; i += 1) {
      const p = this.#patterns[Math.floor(this.#random() * this.#patterns.length)]!;
      if (p.cost >= under - slack) continue;
      let area = 1e-9;
      for (let t = 0; t < held.length; t += 1)
        area += Math.max(0, Math.min(p.counts[t]!, this.#wanted[t]! - held[t]!)) * this.#area[t]!;
      if (area / p.cost <= most) continue;
      most = area / p.cost;
      best = p;
    }
    return best;
  }

  #missing(held: Int16Array): number {
    let area = 0;
    for (let t = 0; t < held.length; t += 1) area += Math.max(0, this.#wanted[t]! - held[t]!) * this.#area[t]!;
    return area;
  }

  /** The sheets with the items themselves on them; places for which no item is left stay bare. */
  #sheetsOf(chosen: readonly Pattern[]): SlicedSheet[] {
    const left: number[][] = Array.from(this.#wanted, () => []);
    for (let i = this.#problem.count - 1; i >= 0; i -= 1) left[this.#size[i]!]!.push(i);
    const made: SlicedSheet[] = [];
    for (const { sheet } of chosen) {
      const copy = new SlicedSheet(sheet.kind, sheet.width, sheet.height);
      copy.root = this.#filled(sheet.root!, left);
      if (!copy.root) continue;
      copy.settle();
      made.push(copy);
    }
    return made;
  }

  #filled(part: Part, left: readonly number[][]): Part | null {
    if (part.kids.length === 0) {
      const item = left[this.#size[part.item]!]!.pop();
      if (item === undefined) return null;
      const { w, h } = this.#problem;
      const turned = w[item] !== part.w || h[item] !== part.h;
      return itemPart(item, part.w, part.h, turned);
    }
    const kids = part.kids.flatMap((k) => this.#filled(k, left) ?? []);
    if (kids.length < 2) return kids[0] ?? null;
    return rowOf(
      part.across,
      kids.flatMap((k) => (k.kids.length > 0 && k.across === part.across ? k.kids : [k])),
    );
  }
}

const share = (s: SlicedSheet): number => s.area / (s.width * s.height);

function add(to: Int16Array, counts: Int16Array, times: number): void {
  for (let t = 0; t < to.length; t += 1) to[t]! += times * counts[t]!;
}
