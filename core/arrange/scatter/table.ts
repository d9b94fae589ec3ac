import { bitsIn } from "#core/bits";
import { CoverGrid } from "./cover-grid.ts";
import type { ScatterTask } from "./print.ts";

// Looked up once: in a loop of millions of turns that is felt.
const { abs, cos, hypot, max, min, sin } = Math;

/**
 * What scattered prints cost as they lie, kept up to date as one of them changes. Each print has a place, a turn and a height; what is higher lies
 * over what is lower, so that lifting one touches only the pairs that it is in.
 */

/** Points looked at on each print, along its longer and its shorter side; kept as two masks of 30 bits. */
const [alongPoints, acrossPoints] = [10, 6];
const perMask = 30;
const points = alongPoints * acrossPoints;
/** Boxes are grown by so much, to stay on the safe side of what is exact. */
const grownMm = 0.3;

const boxPrice = 9;
const sharePrice = 150;
/** A print that is just under its share costs this much of it at once, and is to be above by the other. */
const [shareStep, shareMargin] = [0.02, 0.03];
const turnPrice = 0.4;
/** Overlapping prints turned as alike as this, in shares of the largest turn, cost; so does one that hardly turns. */
const [alikeWithin, hardlyWithin] = [0.25, 0.3];

const radians = Math.PI / 180;

export class ScatterTable {
  readonly n: number;
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** Degrees. */
  readonly turn: Float64Array;
  readonly height: Float64Array;
  readonly w: Float64Array;
  readonly h: Float64Array;
  private readonly cos: Float64Array;
  private readonly sin: Float64Array;
  private readonly radius: Float64Array;
  /** Of pair (below, above) at below · n + above: which points of the lower one the upper one hides. */
  private readonly low: Int32Array;
  private readonly high: Int32Array;
  /** What the boxes of the lower one that the upper one hides cost. */
  private readonly boxes: Float64Array;
  /** What pairs cost for being turned alike, once a pair. */
  private readonly alike: Float64Array;
  private readonly offLow: Int32Array;
  private readonly offHigh: Int32Array;
  private readonly own: Float64Array;
  private readonly shareCost: Float64Array;
  readonly seen: Float64Array;
  /** What the hidden boxes of each print cost. */
  private readonly hidden: Float64Array;
  private readonly cover: CoverGrid;
  private readonly must: { readonly x: number; readonly y: number; readonly w: number; readonly h: number }[][];
  private readonly task: ScatterTask;
  total = 0;
  // What the last change can be taken back from.
  private readonly was = { print: -1, x: 0, y: 0, turn: 0, height: 0, total: 0, own: 0, offLow: 0, offHigh: 0 };
  /** Pairs that it was in or came into, and what they cost. */
  private readonly touched: Int32Array;
  private touchedCount = 0;
  private readonly wasRows: { low: Int32Array; high: Int32Array; boxes: Float64Array; alike: Float64Array };
  private readonly wasColumns: { low: Int32Array; high: Int32Array; boxes: Float64Array };
  /** Whether a pair overlaps, at i · n + j and j · n + i. */
  private readonly over: Uint8Array;
  private readonly wasShare: Float64Array;
  private readonly wasSeen: Float64Array;

  constructor(task: ScatterTask) {
    this.task = task;
    const { page, prints } = task;
    const n = prints.length;
    this.n = n;
    const floats = () => new Float64Array(n);
    [this.x, this.y, this.turn, this.height] = [floats(), floats(), floats(), floats()];
    this.w = Float64Array.from(prints, (p) => p.w);
    this.h = Float64Array.from(prints, (p) => p.h);
    [this.cos, this.sin, this.own, this.shareCost, this.seen] = [floats(), floats(), floats(), floats(), floats()];
    this.radius = Float64Array.from(prints, (p) => hypot(p.w, p.h) / 2);
    [this.low, this.high] = [new Int32Array(n * n), new Int32Array(n * n)];
    [this.boxes, this.alike] = [new Float64Array(n * n), new Float64Array(n * n)];
    [this.offLow, this.offHigh] = [new Int32Array(n), new Int32Array(n)];
    this.cover = new CoverGrid(page.w, page.h, n);
    this.must = prints.map((p) =>
      p.must.map((b) => ({
        x: b.x + b.w / 2 - p.w / 2,
        y: b.y + b.h / 2 - p.h / 2,
        w: b.w / 2 + grownMm,
        h: b.h / 2 + grownMm,
      })),
    );
    const ints = () => new Int32Array(n);
    this.touched = ints();
    this.hidden = floats();
    this.over = new Uint8Array(n * n);
    this.wasRows = { low: ints(), high: ints(), boxes: floats(), alike: floats() };
    this.wasColumns = { low: ints(), high: ints(), boxes: floats() };
    [this.wasShare, this.wasSeen] = [floats(), floats()];
    this.total = this.cover.bareCost;
  }

  /** Puts a print down for the first time. */
  place(i: number, x: number, y: number, turn: number, height: number): void {
    this.set(i, x, y, turn, height);
    this.total += this.stamp(i, 1);
    this.shareCost[i] = 0;
    this.own[i] = this.ownCost(i);
    this.total += this.own[i]!;
    for (let j = 0; j < i; j += 1) this.pair(i, j);
    for (let j = 0; j <= i; j += 1) this.refreshShare(j, i + 1);
  }

  /** Moves a print, and gives by how much all costs more. `takeBack` undoes the last one. */
  change(i: number, x: number, y: number, turn: number, height: number): number {
    const { was, wasRows, wasColumns, n } = this;
    const before = this.total;
    was.print = i;
    was.x = this.x[i]!;
    was.y = this.y[i]!;
    was.turn = this.turn[i]!;
    was.height = this.height[i]!;
    was.total = before;
    was.own = this.own[i]!;
    was.offLow = this.offLow[i]!;
    was.offHigh = this.offHigh[i]!;
    this.wasShare.set(this.shareCost);
    this.wasSeen.set(this.seen);
    const moved = x !== was.x || y !== was.y || turn !== was.turn;
    if (moved) this.total += this.stamp(i, -1);
    this.set(i, x, y, turn, height);
    if (moved) {
      this.total += this.stamp(i, 1);
      this.own[i] = this.ownCost(i);
      this.total += this.own[i]! - was.own;
    }
    const row = i * n;
    this.touchedCount = 0;
    for (let j = 0; j < n; j += 1) {
      if (j === i || (this.over[row + j] === 0 && !this.near(i, j))) continue;
      const at = j * n + i;
      this.touched[this.touchedCount] = j;
      this.touchedCount += 1;
      wasRows.low[j] = this.low[row + j]!;
      wasRows.high[j] = this.high[row + j]!;
      wasRows.boxes[j] = this.boxes[row + j]!;
      wasRows.alike[j] = this.over[row + j] === 0 ? -1 : this.alike[row + j]!;
      wasColumns.low[j] = this.low[at]!;
      wasColumns.high[j] = this.high[at]!;
      wasColumns.boxes[j] = this.boxes[at]!;
      this.pair(i, j);
      if (this.low[at] !== wasColumns.low[j] || this.high[at] !== wasColumns.high[j]) this.refreshShare(j, n);
    }
    this.refreshShare(i, n);
    return this.total - before;
  }

  takeBack(): void {
    const { was, wasRows, wasColumns, n } = this;
    const i = was.print;
    const moved = this.x[i] !== was.x || this.y[i] !== was.y || this.turn[i] !== was.turn;
    if (moved) this.stamp(i, -1);
    this.set(i, was.x, was.y, was.turn, was.height);
    if (moved) this.stamp(i, 1);
    this.own[i] = was.own;
    this.offLow[i] = was.offLow;
    this.offHigh[i] = was.offHigh;
    this.shareCost.set(this.wasShare);
    this.seen.set(this.wasSeen);
    const row = i * n;
    for (let k = 0; k < this.touchedCount; k += 1) {
      const j = this.touched[k]!;
      const at = j * n + i;
      const none = wasRows.alike[j]! < 0;
      this.hidden[i]! += wasRows.boxes[j]! - this.boxes[row + j]!;
      this.hidden[j]! += wasColumns.boxes[j]! - this.boxes[at]!;
      this.over[row + j] = none ? 0 : 1;
      this.over[at] = none ? 0 : 1;
      this.low[row + j] = wasRows.low[j]!;
      this.high[row + j] = wasRows.high[j]!;
      this.boxes[row + j] = wasRows.boxes[j]!;
      this.alike[row + j] = none ? 0 : wasRows.alike[j]!;
      this.low[at] = wasColumns.low[j]!;
      this.high[at] = wasColumns.high[j]!;
      this.boxes[at] = wasColumns.boxes[j]!;
      this.alike[at] = this.alike[row + j]!;
    }
    this.total = was.total;
  }

  /** Whether the print `above` hides anything of the one below it. */
  hides(below: number, above: number): boolean {
    const at = below * this.n + above;
    return this.low[at] !== 0 || this.high[at] !== 0;
  }

  /** Whether something that has to be seen is not. */
  hidesBoxes(): boolean {
    return this.hidden.some((cost, i) => cost > boxPrice / 4 || this.own[i]! > boxPrice / 4);
  }

  /** Whether too little of a print is seen, or something of it that has to be. */
  inTrouble(i: number): boolean {
    return this.seen[i]! < this.task.share || this.hidden[i]! > boxPrice / 4 || this.own[i]! > boxPrice / 4;
  }

  near(i: number, j: number): boolean {
    const [dx, dy] = [this.x[i]! - this.x[j]!, this.y[i]! - this.y[j]!];
    const reach = this.radius[i]! + this.radius[j]!;
    return dx * dx + dy * dy < reach * reach;
  }

  private stamp(i: number, by: 1 | -1): number {
    return this.cover.stamp(this.x[i]!, this.y[i]!, this.cos[i]!, this.sin[i]!, this.w[i]! / 2, this.h[i]! / 2, by);
  }

  private set(i: number, x: number, y: number, turn: number, height: number): void {
    this.x[i] = x;
    this.y[i] = y;
    if (this.turn[i] !== turn || this.cos[i] === 0) {
      this.turn[i] = turn;
      this.cos[i] = cos(turn * radians);
      this.sin[i] = sin(turn * radians);
    }
    this.height[i] = height;
  }

  /** A print's own costs: what of it lies beyond the page, and that it hardly turns. */
  private ownCost(i: number): number {
    const { page, safeMm, maxTurn } = this.task;
    const [cx, cy, c, s] = [this.x[i]!, this.y[i]!, this.cos[i]!, this.sin[i]!];
    let cost = 0;
    for (const b of this.must[i]!) {
      const [x, y] = [cx + c * b.x - s * b.y, cy + s * b.x + c * b.y];
      const ex = b.w * abs(c) + b.h * abs(s);
      const ey = b.w * abs(s) + b.h * abs(c);
      const deep = max(safeMm - (x - ex), x + ex - page.w + safeMm, safeMm - (y - ey), y + ey - page.h + safeMm);
      if (deep > 0) cost += boxPrice * (0.5 + deep / min(b.w, b.h));
    }
    const hardly = hardlyWithin * maxTurn;
    const turned = abs(this.turn[i]!);
    if (turned < hardly) cost += turnPrice * (1 - turned / hardly);
    this.offLow[i] = 0;
    this.offHigh[i] = 0;
    const r = this.radius[i]!;
    if (cx < r || cy < r || cx > page.w - r || cy > page.h - r) this.markOff(i);
    return cost;
  }

  /** Points of a print that lie beyond the trim. */
  private markOff(i: number): void {
    const { page } = this.task;
    const [cx, cy, c, s] = [this.x[i]!, this.y[i]!, this.cos[i]!, this.sin[i]!];
    const [w, h] = [this.w[i]!, this.h[i]!];
    const [nx, ny] = w >= h ? [alongPoints, acrossPoints] : [acrossPoints, alongPoints];
    let [low, high, bit] = [0, 0, 0];
    for (let k = 0; k < ny; k += 1) {
      const v = ((k + 0.5) / ny - 0.5) * h;
      for (let m = 0; m < nx; m += 1) {
        const u = ((m + 0.5) / nx - 0.5) * w;
        const [x, y] = [cx + c * u - s * v, cy + s * u + c * v];
        if (x < 0 || y < 0 || x > page.w || y > page.h) {
          if (bit < perMask) low |= 1 << bit;
          else high |= 1 << (bit - perMask);
        }
        bit += 1;
      }
    }
    this.offLow[i] = low;
    this.offHigh[i] = high;
  }

  /** Everything that two prints cost together, anew. */
  private pair(i: number, j: number): void {
    const { n } = this;
    const ij = i * n + j;
    const ji = j * n + i;
    const before = this.boxes[ij]! + this.boxes[ji]! + this.alike[ij]!;
    this.hidden[i]! -= this.boxes[ij]!;
    this.hidden[j]! -= this.boxes[ji]!;
    this.low[ij] = 0;
    this.high[ij] = 0;
    this.boxes[ij] = 0;
    this.low[ji] = 0;
    this.high[ji] = 0;
    this.boxes[ji] = 0;
    // Of two as high as each other the one that comes first in the list lies lower, as when they are sorted.
    const [hi, hj] = [this.height[i]!, this.height[j]!];
    const lower = hi < hj || (hi === hj && i < j);
    const below = lower ? i : j;
    const above = lower ? j : i;
    let alike = 0;
    const overlaps = this.near(i, j) && this.overlap(below, above);
    if (overlaps) {
      this.hide(below, above);
      this.boxes[below * n + above] = this.must[below]!.length === 0 ? 0 : this.boxesHidden(below, above);
      const differ = abs(this.turn[i]! - this.turn[j]!);
      const within = alikeWithin * this.task.maxTurn;
      if (differ < within) alike = turnPrice * (2 - differ / within);
    }
    this.hidden[i]! += this.boxes[ij]!;
    this.hidden[j]! += this.boxes[ji]!;
    this.over[ij] = overlaps ? 1 : 0;
    this.over[ji] = overlaps ? 1 : 0;
    this.alike[ij] = alike;
    this.alike[ji] = alike;
    this.total += this.boxes[ij]! + this.boxes[ji]! + alike - before;
  }

  /** Whether two prints lie over each other (separating axes). */
  private overlap(below: number, above: number): boolean {
    const [ca, sa, cb, sb] = [this.cos[above]!, this.sin[above]!, this.cos[below]!, this.sin[below]!];
    const [dx, dy] = [this.x[below]! - this.x[above]!, this.y[below]! - this.y[above]!];
    const [c, s] = [abs(cb * ca + sb * sa), abs(sb * ca - cb * sa)];
    const [aw, ah, bw, bh] = [this.w[above]! / 2, this.h[above]! / 2, this.w[below]! / 2, this.h[below]! / 2];
    return (
      abs(ca * dx + sa * dy) < aw + bw * c + bh * s &&
      abs(ca * dy - sa * dx) < ah + bw * s + bh * c &&
      abs(cb * dx + sb * dy) < bw + aw * c + ah * s &&
      abs(cb * dy - sb * dx) < bh + aw * s + ah * c
    );
  }

  /** Which points of the lower print the upper one hides. */
  private hide(below: number, above: number): void {
    // The lower print's points as the upper one sees them along its own sides.
    const [ca, sa, cb, sb] = [this.cos[above]!, this.sin[above]!, this.cos[below]!, this.sin[below]!];
    const [dx, dy] = [this.x[below]! - this.x[above]!, this.y[below]! - this.y[above]!];
    const [ox, oy] = [ca * dx + sa * dy, ca * dy - sa * dx];
    const [c, s] = [cb * ca + sb * sa, sb * ca - cb * sa];
    const [w, h] = [this.w[below]!, this.h[below]!];
    const [halfW, halfH] = [this.w[above]! / 2, this.h[above]! / 2];
    const wide = w >= h;
    const nx = wide ? alongPoints : acrossPoints;
    const ny = wide ? acrossPoints : alongPoints;
    const [stepX, stepY] = [w / nx, h / ny];
    let low = 0;
    let high = 0;
    let bit = 0;
    for (let k = 0; k < ny; k += 1) {
      const v = (k + 0.5) * stepY - h / 2;
      let px = ox - s * v + c * (stepX / 2 - w / 2);
      let py = oy + c * v + s * (stepX / 2 - w / 2);
      const [addX, addY] = [c * stepX, s * stepX];
      for (let m = 0; m < nx; m += 1) {
        if (px < halfW && px > -halfW && py < halfH && py > -halfH) {
          if (bit < perMask) low |= 1 << bit;
          else high |= 1 << (bit - perMask);
        }
        bit += 1;
        px += addX;
        py += addY;
      }
    }
    this.low[below * this.n + above] = low;
    this.high[below * this.n + above] = high;
  }

  /** What the boxes of the lower print cost that the upper one reaches into: by how deep, along the shallowest way out (separating axes). */
  private boxesHidden(below: number, above: number): number {
    const [ca, sa, cb, sb] = [this.cos[above]!, this.sin[above]!, this.cos[below]!, this.sin[below]!];
    const [halfW, halfH] = [this.w[above]! / 2, this.h[above]! / 2];
    const [c, s] = [abs(cb * ca + sb * sa), abs(sb * ca - cb * sa)];
    let cost = 0;
    for (const b of this.must[below]!) {
      const dx = this.x[below]! + cb * b.x - sb * b.y - this.x[above]!;
      const dy = this.y[below]! + sb * b.x + cb * b.y - this.y[above]!;
      const byAboveX = halfW + b.w * c + b.h * s - abs(ca * dx + sa * dy);
      if (byAboveX <= 0) continue;
      const byAboveY = halfH + b.w * s + b.h * c - abs(ca * dy - sa * dx);
      if (byAboveY <= 0) continue;
      const byBoxX = b.w + halfW * c + halfH * s - abs(cb * dx + sb * dy);
      if (byBoxX <= 0) continue;
      const byBoxY = b.h + halfW * s + halfH * c - abs(cb * dy - sb * dx);
      if (byBoxY <= 0) continue;
      const deep = min(byAboveX, byAboveY, byBoxX, byBoxY);
      cost += boxPrice * (0.5 + deep / min(b.w, b.h));
    }
    return cost;
  }

  /** How much of a print is seen, and what it costs that it is too little. */
  private refreshShare(i: number, count: number): void {
    let low = this.offLow[i]!;
    let high = this.offHigh[i]!;
    const row = i * this.n;
    for (let at = row; at < row + count; at += 1) {
      low |= this.low[at]!;
      high |= this.high[at]!;
    }
    const seen = 1 - (bitsIn(low) + bitsIn(high)) / points;
    const missing = this.task.share + shareMargin - seen;
    const cost = missing > 0 ? sharePrice * (shareStep + missing) : 0;
    this.total += cost - this.shareCost[i]!;
    this.shareCost[i] = cost;
    this.seen[i] = seen;
  }
}
