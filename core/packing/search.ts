import { onCheapestKind } from "./cheapest-kind.ts";
import { freshSheet } from "./fresh-sheet.ts";
import { measures, PlaceFinder } from "./places.ts";
import { fitsSomehow, type PackProblem, slack } from "./problem.ts";
import { SheetCover } from "./sheet-cover.ts";
import { itemsIn, type Part, SlicedSheet } from "./slicing-sheet.ts";
import { splitsOf } from "./splits.ts";

/** How many costs ago a step has to do no worse than (late acceptance: Burke and Bykov 2017). */
const remembered = 30;
const blink = 0.01;

/** Where there are at least so many items of a size, sheets are known by what sizes they hold. */
const itemsPerSize = 3;
const freshSheets = 200;
const coverEvery = 50;
const coverMoves = 20000;

/** How much is taken out in a step. */
const ruin = { oneSheet: 0.2, twoSheets: 0.24, mostMore: 3, emptier: 0.7, whole: 0.15, up: 0.35, mostParts: 3 };
/** In which order items are put back: by area, by the longer side, by the shorter one, or as it falls. */
const orders = { area: 0.8, long: 0.1, short: 0.07 };
const mostNoise = 0.6;
const withoutNoise = 0.3;

/**
 * Takes items out of some sheets and puts them and what is left over back in another order, aiming at a cost below the best so
 * far: what does not fit under it waits, and its area is what has to come down to nothing (goal-driven ruin and recreate:
 * Gardeyn and Wauters 2022; here on slicing trees whose parts know their room).
 */
export class PackSearch {
  /** The cheapest way so far to cut everything. */
  best: readonly SlicedSheet[] = [];
  bestCost = Number.POSITIVE_INFINITY;
  steps = 0;
  readonly #problem: PackProblem;
  readonly #random: () => number;
  readonly #finder: PlaceFinder;
  readonly #area: Float64Array;
  /** Items of the same size have the same number. */
  readonly #size: Int32Array;
  readonly #sizes: number;
  readonly #failed: Uint8Array;
  readonly #key: Float64Array;
  readonly #unit: number;
  readonly #cover: SheetCover | undefined;
  readonly #past = new Float64Array(remembered);
  #sheets: SlicedSheet[] = [];
  #own: boolean[] = [];
  #waiting: number[] = [];
  #missing = 0;
  #spent = 0;
  #gathering = false;
  #seenMore = false;
  #gathered: number | undefined;

  constructor(problem: PackProblem, random: () => number) {
    const { count, w, h, turns, kinds } = problem;
    this.#problem = problem;
    this.#random = random;
    this.#finder = new PlaceFinder(random);
    this.#area = Float64Array.from({ length: count }, (_, i) => w[i]! * h[i]!);
    this.#key = new Float64Array(count);
    this.#unit = Math.max(...kinds.map((k) => k.width * k.height));
    const numbers = new Map<string, number>();
    this.#size = Int32Array.from({ length: count }, (_, i) => {
      const flip = turns[i] === 1 && w[i]! > h[i]!;
      const name = flip ? `${h[i]} ${w[i]} ${turns[i]}` : `${w[i]} ${h[i]} ${turns[i]}`;
      if (!numbers.has(name)) numbers.set(name, numbers.size);
      return numbers.get(name)!;
    });
    this.#sizes = numbers.size;
    this.#failed = new Uint8Array(this.#sizes);
    if (this.#sizes * itemsPerSize <= count) this.#cover = new SheetCover(problem, random, this.#size, this.#sizes);
    this.#begin();
  }

  /** First fit, from the largest to the smallest in three ways of measuring; the cheapest is where the search sets out. */
  #begin(): void {
    const { count, w, h } = this.#problem;
    const sizes = [
      this.#area,
      Float64Array.from({ length: count }, (_, i) => Math.max(w[i]!, h[i]!)),
      Float64Array.from({ length: count }, (_, i) => Math.min(w[i]!, h[i]!)),
    ];
    for (const [i, size] of [...sizes, ...sizes].entries()) {
      this.#finder.measure = measures[i < sizes.length ? 0 : 1]!;
      this.#take([], []);
      this.#failed.fill(0);
      const items = Array.from({ length: count }, (_, i) => i).sort((a, b) => size[b]! - size[a]!);
      for (const item of items) this.#place(item, true);
      this.#keepIfBest();
    }
    this.#aimLower();
  }

  /** One round of taking out and putting back. True when everything found room at less than before. */
  step(): boolean {
    this.steps += 1;
    const [sheets, waiting, spent] = [this.#sheets, this.#waiting, this.#spent];
    this.#take(sheets.slice(), waiting.slice());
    this.#ruin();
    this.#recreate();
    const missing = this.#areaOf(this.#waiting);
    const slot = this.steps % remembered;
    if (missing <= this.#missing || missing <= this.#past[slot]!) {
      this.#missing = missing;
      this.#seeAll();
    } else {
      this.#sheets = sheets;
      this.#waiting = waiting;
      this.#spent = spent;
    }
    this.#past[slot] = this.#missing;
    if (this.#waiting.length > 0) return this.steps % coverEvery === 0 && this.#coverAll();
    this.#keepIfBest();
    this.#aimLower();
    return true;
  }

  /** Bare sheets filled in any order, for the cover to choose from. */
  #seeMore(cover: SheetCover): void {
    this.#finder.blink = blink;
    const sizes = { of: this.#size, count: this.#sizes };
    for (let round = 0; round < freshSheets; round += 1) {
      const sheet = freshSheet(this.#problem, sizes, this.#finder, this.#random);
      if (sheet.root) cover.see(sheet);
    }
  }

  /** How many sheets more than one each group of items lies on, in the cheapest way so far. */
  get splits(): number {
    return splitsOf(this.#problem, this.best);
  }

  /** One round that costs no more and brings what belongs together onto one sheet. */
  gather(): void {
    this.steps += 1;
    const splits = this.#gathered ?? splitsOf(this.#problem, this.best);
    this.#gathered = splits;
    this.#gathering = true;
    this.#take([...this.best], []);
    this.#ruin();
    this.#recreate();
    this.#gathering = false;
    if (this.#waiting.length > 0) return;
    const now = splitsOf(this.#problem, this.#sheets);
    if (now > splits) return;
    this.best = this.#sheets;
    this.#gathered = now;
    this.bestCost = Math.min(this.bestCost, this.#spent);
  }

  #seeAll(): void {
    if (this.#cover) for (const [at, s] of this.#sheets.entries()) if (this.#own[at]) this.#cover.see(s);
  }

  /** Whether sheets that were seen cover everything at less than the best cost. */
  #coverAll(): boolean {
    if (!this.#cover) return false;
    if (!this.#seenMore) this.#seeMore(this.#cover);
    this.#seenMore = true;
    const sheets = this.#cover.find(this.bestCost, coverMoves);
    if (!sheets) return false;
    this.#take(sheets, []);
    this.#keepIfBest();
    this.#aimLower();
    return true;
  }

  #take(sheets: SlicedSheet[], waiting: number[]): void {
    this.#sheets = sheets;
    this.#own = new Array<boolean>(sheets.length).fill(false);
    this.#waiting = waiting;
    this.#spent = 0;
    for (const s of sheets) this.#spent += this.#problem.kinds[s.kind]!.cost;
  }

  #areaOf(items: readonly number[]): number {
    let area = 0;
    for (const item of items) area += this.#area[item]!;
    return area / this.#unit;
  }

  /** A sheet that may be changed, since it is this step's own. */
  #ownSheet(at: number): SlicedSheet {
    if (!this.#own[at]) {
      this.#sheets[at] = this.#sheets[at]!.copy();
      this.#own[at] = true;
    }
    return this.#sheets[at]!;
  }

  #ruin(): void {
    const random = this.#random;
    const luck = random();
    const many =
      luck < ruin.oneSheet ? 1 : luck < ruin.oneSheet + ruin.twoSheets ? 2 : 3 + Math.floor(random() * ruin.mostMore);
    const parts: Part[] = [];
    for (let round = 0; round < many && this.#sheets.length > 0; round += 1) {
      const at = this.#sheetToRuin();
      parts.length = 0;
      itemsIn(this.#sheets[at]!.root!, parts);
      if (parts.length === 1 || random() < ruin.whole) {
        for (const part of parts) this.#waiting.push(part.item);
        this.#drop(at);
        continue;
      }
      const sheet = this.#ownSheet(at);
      for (let left = 1 + Math.floor(random() * ruin.mostParts); left > 0 && sheet.root; left -= 1) {
        parts.length = 0;
        itemsIn(sheet.root, parts);
        let part = parts[Math.floor(random() * parts.length)]!;
        while (part.above && random() < ruin.up) part = part.above;
        parts.length = 0;
        itemsIn(part, parts);
        for (const { item } of parts) this.#waiting.push(item);
        sheet.takeOut(part);
      }
      if (sheet.root) sheet.settle();
      else this.#drop(at);
    }
  }

  #sheetToRuin(): number {
    const any = () => Math.floor(this.#random() * this.#sheets.length);
    const at = any();
    if (this.#random() >= ruin.emptier) return at;
    const other = any();
    return this.#sheets[other]!.area < this.#sheets[at]!.area ? other : at;
  }

  #drop(at: number): void {
    this.#spent -= this.#problem.kinds[this.#sheets[at]!.kind]!.cost;
    this.#sheets.splice(at, 1);
    this.#own.splice(at, 1);
  }

  #recreate(): void {
    const random = this.#random;
    const { w, h } = this.#problem;
    const by = random();
    const noise = random() < withoutNoise ? 0 : random() * mostNoise;
    const items = this.#waiting;
    for (const item of items) {
      const [a, b] = [w[item]!, h[item]!];
      let size: number;
      if (by < orders.area) size = a * b;
      else if (by < orders.area + orders.long) size = Math.max(a, b);
      else if (by < orders.area + orders.long + orders.short) size = Math.min(a, b);
      else size = random();
      this.#key[item] = size * (1 + noise * (random() - 0.5));
    }
    if (this.#gathering) this.#byGroup(items);
    items.sort((a, b) => this.#key[b]! - this.#key[a]!);
    this.#finder.blink = blink;
    this.#finder.measure = measures[Math.floor(random() * measures.length)]!;
    this.#failed.fill(0);
    this.#waiting = [];
    for (const item of items) {
      const size = this.#size[item]!;
      if (this.#failed[size] || !this.#place(item, false)) {
        this.#failed[size] = 1;
        this.#waiting.push(item);
      }
    }
  }

  /** One group after the other, in any order of groups. */
  #byGroup(items: readonly number[]): void {
    const turn = new Map<number, number>();
    for (const item of items) {
      const group = this.#problem.group[item]!;
      if (!turn.has(group)) turn.set(group, this.#random());
      this.#key[item]! += turn.get(group)! * 1e9;
    }
  }

  #holds(sheet: SlicedSheet, group: number): boolean {
    const parts: Part[] = [];
    itemsIn(sheet.root!, parts);
    return parts.some((p) => this.#problem.group[p.item] === group);
  }

  /** Puts an item where it lies best, or on one more sheet where the cost may still grow by that. */
  #place(item: number, atAnyCost: boolean): boolean {
    const { w, h, turns, group } = this.#problem;
    const [a, b] = [w[item]!, h[item]!];
    const turn = turns[item] === 1 && a !== b;
    const finder = this.#finder;
    const kin = this.#gathering ? group[item]! : -1;
    let found = kin < 0 ? -1 : this.#best(item, turn, (sheet) => this.#holds(sheet, kin));
    if (found < 0) found = this.#best(item, turn);
    if (found >= 0) {
      if (!this.#own[found]) finder.moveTo(this.#ownSheet(found));
      finder.put(item, a, b);
      return true;
    }
    const sheet = this.#another(item, atAnyCost);
    if (!sheet) return false;
    finder.takeBare(sheet, a, b, turn);
    finder.put(item, a, b);
    return true;
  }

  /** The sheet with the best place for an item, among those that may be looked at; below nothing where there is none. */
  #best(item: number, turn: boolean, mayBe?: (sheet: SlicedSheet) => boolean): number {
    const { w, h } = this.#problem;
    const [a, b, area, size] = [w[item]!, h[item]!, this.#area[item]!, this.#size[item]!];
    const finder = this.#finder;
    finder.begin();
    let found = -1;
    for (let at = 0; at < this.#sheets.length; at += 1) {
      const sheet = this.#sheets[at]!;
      if (sheet.width * sheet.height - sheet.area < area - slack || sheet.refused?.[size]) continue;
      if (mayBe && !mayBe(sheet)) continue;
      const before = finder.score;
      if (!finder.look(sheet, a, b, turn)) {
        sheet.refused ??= new Uint8Array(this.#sizes);
        sheet.refused[size] = 1;
      } else if (finder.score < before) found = at;
    }
    return found;
  }

  /** One more sheet, of a kind that the item fits on: mostly one that is cheap for its area. */
  #another(item: number, atAnyCost: boolean): SlicedSheet | undefined {
    const { kinds } = this.#problem;
    let chosen = -1;
    let least = Number.POSITIVE_INFINITY;
    for (const [i, kind] of kinds.entries()) {
      if (!fitsSomehow(this.#problem, item, kind)) continue;
      const limit = this.#gathering ? this.bestCost + slack : this.bestCost - slack;
      if (!atAnyCost && this.#spent + kind.cost >= limit) continue;
      const price =
        (kind.cost / (kind.width * kind.height)) * (atAnyCost || kinds.length === 1 ? 1 : 0.6 + this.#random());
      if (price >= least) continue;
      least = price;
      chosen = i;
    }
    if (chosen < 0) return undefined;
    const kind = kinds[chosen]!;
    const sheet = new SlicedSheet(chosen, kind.width, kind.height);
    this.#sheets.push(sheet);
    this.#own.push(true);
    this.#spent += kind.cost;
    return sheet;
  }

  #keepIfBest(): void {
    const sheets =
      this.#problem.kinds.length === 1 ? this.#sheets : this.#sheets.map((s) => onCheapestKind(this.#problem, s));
    let cost = 0;
    for (const s of sheets) cost += this.#problem.kinds[s.kind]!.cost;
    if (cost >= this.bestCost - slack) return;
    this.best = sheets;
    this.bestCost = cost;
  }

  /** Gives up the emptiest sheets until less is spent than for the best; what was on them waits. */
  #aimLower(): void {
    this.#take([...this.best], []);
    while (this.#sheets.length > 0 && this.#spent >= this.bestCost - slack) {
      let emptiest = 0;
      for (let at = 1; at < this.#sheets.length; at += 1)
        if (freeOf(this.#sheets[at]!) > freeOf(this.#sheets[emptiest]!)) emptiest = at;
      const parts: Part[] = [];
      itemsIn(this.#sheets[emptiest]!.root!, parts);
      for (const { item } of parts) this.#waiting.push(item);
      this.#drop(emptiest);
    }
    this.#missing = this.#areaOf(this.#waiting);
    this.#past.fill(this.#missing);
  }
}

const freeOf = (s: SlicedSheet): number => 1 - s.area / (s.width * s.height);
