import { areaBound, leastSheets } from "./bounds.ts";
import { type Cutting, cuttingOf } from "./cutting.ts";
import { fitsSomehow, type PackProblem, type SheetKind } from "./problem.ts";
import { PackSearch } from "./search.ts";

export interface PackedSheet {
  /** Which of the kinds that were asked for. */
  readonly kind: number;
  readonly cutting: Cutting;
}

export interface Packed {
  readonly sheets: readonly PackedSheet[];
  readonly cost: number;
  /** Whether no cheaper way can exist. */
  readonly proven: boolean;
}

export interface PackAsk {
  readonly kinds: readonly SheetKind[];
  /** `group`: items with the same one belong together. */
  readonly items: readonly {
    readonly w: number;
    readonly h: number;
    readonly turns: boolean;
    readonly group?: number | undefined;
  }[];
  /** From seededChance: with the same numbers and as many steps, the same sheets come out. */
  readonly random: () => number;
}

/** How many steps lie between two looks at the clock. */
const atOnce = 10;
/** Bounds take about as long as so many steps, and most orders are done before. */
const boundAfter = 60;

/** Cuts rectangles out of sheets at the least cost, better and better the longer it is asked to go on. */
export class Packing {
  readonly #problem: PackProblem;
  readonly #search: PackSearch;
  readonly #grouped: boolean;
  #least: number;
  #boundKnown = false;

  /** Items that fit on no kind of sheet, not even alone, have to be left out before. */
  constructor({ kinds, items, random }: PackAsk) {
    const count = items.length;
    this.#problem = {
      kinds,
      count,
      w: Float64Array.from(items, (i) => i.w),
      h: Float64Array.from(items, (i) => i.h),
      turns: Uint8Array.from(items, (i) => (i.turns ? 1 : 0)),
      group: Int32Array.from(items, (i) => i.group ?? -1),
    };
    for (let i = 0; i < count; i += 1)
      if (!kinds.some((k) => fitsSomehow(this.#problem, i, k))) throw new ItemTooLargeError(i);
    this.#grouped = items.some((i) => i.group !== undefined);
    this.#search = new PackSearch(this.#problem, random);
    this.#least = this.#leastByArea();
  }

  /** What the area costs on the sheet that is cheapest for its area; of one kind, whole sheets. */
  #leastByArea(): number {
    const { kinds, w, h, count } = this.#problem;
    const [only] = kinds;
    if (count === 0) return 0;
    if (kinds.length === 1) return areaBound({ ...this.#problem, ...only! }) * only!.cost;
    let area = 0;
    for (let i = 0; i < count; i += 1) area += w[i]! * h[i]!;
    return Math.max(
      area * Math.min(...kinds.map((k) => k.cost / (k.width * k.height))),
      Math.min(...kinds.map((k) => k.cost)),
    );
  }

  get steps(): number {
    return this.#search.steps;
  }

  get done(): boolean {
    return this.#search.bestCost <= this.#least + 1e-9;
  }

  /** Goes on for so many steps or until `until` says stop. */
  run(steps: number, until: () => boolean = () => false): void {
    const last = this.#search.steps + steps;
    while (!this.done && this.#search.steps < last && !until()) {
      for (let i = 0; i < atOnce && !this.done && this.#search.steps < last; i += 1) this.#search.step();
      if (!this.#boundKnown && this.#search.steps >= boundAfter) this.#bound();
    }
    if (!this.#grouped) return;
    const gathers = this.#search.steps + steps / 2;
    while (this.#search.splits > 0 && this.#search.steps < gathers && !until()) this.#search.gather();
  }

  #bound(): void {
    this.#boundKnown = true;
    const { kinds } = this.#problem;
    const [only] = kinds;
    if (kinds.length > 1 || !only) return;
    const target = Math.round(this.#search.bestCost / only.cost);
    this.#least = Math.max(this.#least, leastSheets({ ...this.#problem, ...only }, target) * only.cost);
  }

  get best(): Packed {
    return {
      sheets: this.#search.best.map((s) => ({ kind: s.kind, cutting: cuttingOf(s.root!) })),
      cost: this.#search.bestCost,
      proven: this.done,
    };
  }
}

/** An item that no sheet can hold. */
export class ItemTooLargeError extends Error {
  constructor(readonly item: number) {
    super(`item ${item} fits on no kind of sheet`);
    this.name = "ItemTooLargeError";
  }
}
