import { slack } from "./problem.ts";

/**
 * A part of a sheet: one item, or parts that lie in a row. Straight cuts from edge to edge take a row apart, so whatever is
 * kept like this can be cut. Only what each part needs is kept, and the most that it could have while all others keep what
 * they need; where things lie follows from that. So whether one more item finds room beside a part is a comparison.
 */
export class Part {
  /** What it needs. */
  w = 0;
  h = 0;
  /** The most that it could have. */
  roomW = 0;
  roomH = 0;
  /** Of the items in it. */
  area = 0;
  above: Part | null = null;
  kids: Part[];
  /** Of an item; less than nothing of a row. */
  readonly item: number;
  /** Whether its parts lie side by side; else one below the other. */
  readonly across: boolean;
  readonly turned: boolean;

  constructor(item: number, across: boolean, turned: boolean, kids: Part[]) {
    this.item = item;
    this.across = across;
    this.turned = turned;
    this.kids = kids;
  }
}

const none: Part[] = [];

export function itemPart(item: number, w: number, h: number, turned: boolean): Part {
  const part = new Part(item, false, turned, none);
  part.w = w;
  part.h = h;
  part.area = w * h;
  return part;
}

export function rowOf(across: boolean, kids: Part[]): Part {
  const row = new Part(-1, across, false, kids);
  for (const kid of kids) kid.above = row;
  return row;
}

/** One sheet with what is to be cut out of it. Sheets that a search keeps are never changed, only copies of them. */
export class SlicedSheet {
  /** Of its kind, by number. */
  readonly kind: number;
  readonly width: number;
  readonly height: number;
  root: Part | null = null;
  /** Of the items on it. */
  area = 0;
  /** Sizes of items for which there is no room, by their number; 1 where that is known. */
  refused: Uint8Array | null = null;

  constructor(kind: number, width: number, height: number) {
    this.kind = kind;
    this.width = width;
    this.height = height;
  }

  copy(): SlicedSheet {
    const made = new SlicedSheet(this.kind, this.width, this.height);
    made.area = this.area;
    made.root = this.root && copyOf(this.root, null);
    return made;
  }

  /** After its parts were changed. */
  settle(): void {
    this.refused = null;
    this.area = 0;
    if (!this.root) return;
    measure(this.root);
    giveRoom(this.root, this.width, this.height);
    this.area = this.root.area;
  }

  /** Takes a part out; the sheet has to be settled afterwards. */
  takeOut(part: Part): void {
    const row = part.above;
    if (!row) {
      this.root = null;
      return;
    }
    row.kids.splice(row.kids.indexOf(part), 1);
    if (row.kids.length > 1) return;
    // What is left of the row stands for it; a row within a row of the same direction is one row.
    const last = row.kids[0]!;
    const above = row.above;
    if (!above) {
      this.root = last;
      last.above = null;
      return;
    }
    const at = above.kids.indexOf(row);
    if (last.kids.length > 0 && last.across === above.across) {
      above.kids.splice(at, 1, ...last.kids);
      for (const kid of last.kids) kid.above = above;
    } else {
      above.kids[at] = last;
      last.above = above;
    }
  }
}

function copyOf(part: Part, above: Part | null): Part {
  const made = new Part(part.item, part.across, part.turned, none);
  made.w = part.w;
  made.h = part.h;
  made.roomW = part.roomW;
  made.roomH = part.roomH;
  made.area = part.area;
  made.above = above;
  const { length } = part.kids;
  if (length > 0) {
    const kids = new Array<Part>(length);
    for (let i = 0; i < length; i += 1) kids[i] = copyOf(part.kids[i]!, made);
    made.kids = kids;
  }
  return made;
}

/** Needs and areas from the items up; the parts of a row from the shortest to the longest across it. */
function measure(part: Part): void {
  const { kids, across } = part;
  if (kids.length === 0) return;
  let along = 0;
  let area = 0;
  for (let i = 0; i < kids.length; i += 1) {
    const kid = kids[i]!;
    measure(kid);
    area += kid.area;
    along += across ? kid.w : kid.h;
    const size = across ? kid.h : kid.w;
    let j = i - 1;
    for (; j >= 0 && (across ? kids[j]!.h : kids[j]!.w) > size; j -= 1) kids[j + 1] = kids[j]!;
    kids[j + 1] = kid;
  }
  const longest = kids[kids.length - 1]!;
  part.area = area;
  part.w = across ? along : longest.w;
  part.h = across ? longest.h : along;
}

function giveRoom(part: Part, w: number, h: number): void {
  part.roomW = w;
  part.roomH = h;
  const { kids, across } = part;
  const free = across ? w - part.w : h - part.h;
  for (let i = 0; i < kids.length; i += 1) {
    const kid = kids[i]!;
    if (across) giveRoom(kid, kid.w + free, h);
    else giveRoom(kid, w, kid.h + free);
  }
}

export function itemsIn(part: Part, into: Part[]): void {
  if (part.kids.length === 0) into.push(part);
  else for (let i = 0; i < part.kids.length; i += 1) itemsIn(part.kids[i]!, into);
}

/** Whether a part as it is, or turned a quarter with all that is in it, fits into a size. */
export const partFits = (part: Part, width: number, height: number): "as it is" | "turned" | undefined =>
  part.w <= width + slack && part.h <= height + slack
    ? "as it is"
    : part.h <= width + slack && part.w <= height + slack
      ? "turned"
      : undefined;

/** The same row of parts, lying the other way. */
export function turnedPart(part: Part): Part {
  if (part.kids.length === 0) return itemPart(part.item, part.h, part.w, !part.turned);
  return rowOf(!part.across, part.kids.map(turnedPart));
}
