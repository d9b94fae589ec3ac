import { slack } from "./problem.ts";
import { itemPart, type Part, rowOf, type SlicedSheet } from "./slicing-sheet.ts";

/** How an item joins a part: at the end of its row, beside it, below it, or along the first few parts of its row. */
type Way = "end" | "beside" | "below" | "along";

/** What makes one place better than another; which is best differs by what is packed, so a search uses all of them in turn. */
export const measures = ["least left over", "snug", "level"] as const;
export type Measure = (typeof measures)[number];

/**
 * Looks for the best place for one item at a time. Kept as one object with plain fields, since a search asks hundreds of
 * thousands of times a second.
 */
export class PlaceFinder {
  measure: Measure = measures[0];
  /** The share of places that are passed over, so that the same choice is not made every time (blinks: Christiaens and Vanden Berghe 2020). */
  blink = 0;
  /** The best place so far: none while `sheet` is null. */
  sheet: SlicedSheet | null = null;
  score = Number.POSITIVE_INFINITY;
  #part: Part | null = null;
  #way: Way = "end";
  #turned = false;
  #count = 0;
  /** Whether any place was seen, passed over or not. */
  #seen = false;
  readonly #random: () => number;

  constructor(random: () => number) {
    this.#random = random;
  }

  begin(): void {
    this.sheet = null;
    this.#part = null;
    this.score = Number.POSITIVE_INFINITY;
  }

  /** Looks through a sheet that has something on it; false where the item finds no room in it at all. */
  look(sheet: SlicedSheet, w: number, h: number, turns: boolean): boolean {
    const root = sheet.root!;
    this.#seen = false;
    if (w <= sheet.width + slack && h <= sheet.height + slack) this.#scan(sheet, root, w, h, false);
    if (turns && h <= sheet.width + slack && w <= sheet.height + slack) this.#scan(sheet, root, h, w, true);
    return this.#seen;
  }

  /** Takes a bare sheet, where no better place was found; either way where both fit. */
  takeBare(sheet: SlicedSheet, w: number, h: number, turns: boolean): void {
    const straight = w <= sheet.width + slack && h <= sheet.height + slack;
    const turned = turns && h <= sheet.width + slack && w <= sheet.height + slack;
    this.sheet = sheet;
    this.#part = null;
    this.#turned = turned && (!straight || this.#random() < 0.5);
  }

  #scan(sheet: SlicedSheet, part: Part, w: number, h: number, turned: boolean): void {
    const { kids, above } = part;
    const freeW = part.roomW - part.w - w;
    const freeH = part.roomH - part.h - h;
    // Beside a part of a row across is the same as at the end of that row, which is seen there.
    if (kids.length === 0) {
      if (freeH >= -slack && (above === null || above.across))
        this.#offer(sheet, part, "below", turned, freeH, part.w, part.h, part.roomW, w, h, 0);
      if (freeW >= -slack && (above === null || !above.across))
        this.#offer(sheet, part, "beside", turned, freeW, part.h, part.w, part.roomH, h, w, 0);
      return;
    }
    if (part.across) {
      if (freeW >= -slack) this.#offer(sheet, part, "end", turned, freeW, part.h, part.w, part.roomH, h, w, 0);
      if (above === null && freeH >= -slack)
        this.#offer(sheet, part, "below", turned, freeH, part.w, part.h, part.roomW, w, h, 0);
    } else {
      if (freeH >= -slack) this.#offer(sheet, part, "end", turned, freeH, part.w, part.h, part.roomW, w, h, 0);
      if (above === null && freeW >= -slack)
        this.#offer(sheet, part, "beside", turned, freeW, part.h, part.w, part.roomH, h, w, 0);
    }
    if (kids.length > 2) this.#alongSome(sheet, part, w, h, turned);
    const area = w * h - slack;
    for (let i = 0; i < kids.length; i += 1) {
      const kid = kids[i]!;
      const { roomW, roomH } = kid;
      if (roomW + slack >= w && roomH + slack >= h && roomW * roomH - kid.area >= area)
        this.#scan(sheet, kid, w, h, turned);
    }
  }

  /** Over the shortest parts of a row, where they are low enough and together long enough. */
  #alongSome(sheet: SlicedSheet, part: Part, w: number, h: number, turned: boolean): void {
    const { kids, across } = part;
    const free = across ? part.roomW - part.w : part.roomH - part.h;
    const [room, long, deep] = across ? [part.roomH, w, h] : [part.roomW, h, w];
    let along = across ? kids[0]!.w : kids[0]!.h;
    for (let i = 1; i < kids.length - 1; i += 1) {
      const kid = kids[i]!;
      const height = across ? kid.h : kid.w;
      const left = room - height - deep;
      if (left < -slack) return;
      along += across ? kid.w : kid.h;
      if (along + free + slack < long) continue;
      this.#offer(sheet, part, "along", turned, left, along, height, along + free, long, deep, i + 1);
      return;
    }
  }

  /**
   * `left`: what would be left over behind the item; `cross`, `deep`: the part's size along the cut between them and away from
   * it; `room`: the most that both could have along the cut; `long`, `high`: the item's size in the same directions.
   */
  #offer(
    sheet: SlicedSheet,
    part: Part,
    way: Way,
    turned: boolean,
    left: number,
    cross: number,
    deep: number,
    room: number,
    long: number,
    high: number,
    count: number,
  ): void {
    this.#seen = true;
    if (this.blink > 0 && this.#random() < this.blink) return;
    const step = cross > long ? (cross - long) * high : (long - cross) * deep;
    let score: number;
    switch (this.measure) {
      case "least left over":
        score = step + left * room;
        break;
      case "snug":
        score = Math.min(left, room - long);
        break;
      case "level":
        score = step;
    }
    if (score >= this.score) return;
    this.score = score;
    this.sheet = sheet;
    this.#part = part;
    this.#way = way;
    this.#turned = turned;
    this.#count = count;
  }

  /** Makes a copy of the sheet the one that the best place is on. */
  moveTo(copy: SlicedSheet): void {
    const path: number[] = [];
    for (let part = this.#part; part?.above; part = part.above) path.push(part.above.kids.indexOf(part));
    let part = copy.root;
    for (let i = path.length - 1; i >= 0; i -= 1) part = part!.kids[path[i]!]!;
    if (this.#part) this.#part = part;
    this.sheet = copy;
  }

  /** Puts the item where it was found to lie best. */
  put(item: number, w: number, h: number): void {
    const sheet = this.sheet!;
    const made = this.#turned ? itemPart(item, h, w, true) : itemPart(item, w, h, false);
    const part = this.#part;
    if (!part) sheet.root = made;
    else if (this.#way === "end") {
      made.above = part;
      part.kids.push(made);
    } else if (this.#way === "along") {
      const row = rowOf(!part.across, [rowOf(part.across, part.kids.splice(0, this.#count)), made]);
      row.above = part;
      part.kids.push(row);
    } else {
      const { above } = part;
      const row = rowOf(this.#way === "beside", [part, made]);
      row.above = above;
      if (above) above.kids[above.kids.indexOf(part)] = row;
      else sheet.root = row;
    }
    sheet.settle();
  }
}
