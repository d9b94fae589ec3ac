import { type Cutting, cuttingOf } from "./cutting.ts";
import { measures, PlaceFinder } from "./places.ts";
import { slack } from "./problem.ts";
import { itemPart, itemsIn, type Part, rowOf, SlicedSheet } from "./slicing-sheet.ts";

/** What a hand does to a sheet that was packed. */

export interface OneItem {
  readonly item: number;
  readonly w: number;
  readonly h: number;
  readonly turns: boolean;
}

const partOf = (c: Cutting): Part =>
  "item" in c ? itemPart(c.item, c.w, c.h, c.turned) : rowOf(c.across, c.parts.map(partOf));

function sheetOf(cutting: Cutting | undefined, width: number, height: number): SlicedSheet {
  const sheet = new SlicedSheet(0, width, height);
  sheet.root = cutting ? partOf(cutting) : null;
  sheet.settle();
  return sheet;
}

/** Without one of its items; nothing where that was the only one. */
export function withoutItem(cutting: Cutting, item: number): Cutting | undefined {
  const sheet = sheetOf(cutting, cutting.w, cutting.h);
  const parts: Part[] = [];
  itemsIn(sheet.root!, parts);
  const part = parts.find((p) => p.item === item);
  if (!part) return cutting;
  sheet.takeOut(part);
  sheet.settle();
  return sheet.root ? cuttingOf(sheet.root) : undefined;
}

/** With one item more where it leaves the least over; nothing where there is no room for it as everything lies. */
export function withItem(
  cutting: Cutting | undefined,
  size: { readonly width: number; readonly height: number },
  { item, w, h, turns }: OneItem,
): Cutting | undefined {
  const sheet = sheetOf(cutting, size.width, size.height);
  const finder = new PlaceFinder(() => 1);
  finder.measure = measures[0];
  finder.begin();
  if (sheet.root) finder.look(sheet, w, h, turns && w !== h);
  else if (fitsIn(w, h, size) || (turns && fitsIn(h, w, size))) finder.takeBare(sheet, w, h, turns);
  if (!finder.sheet) return undefined;
  finder.put(item, w, h);
  return cuttingOf(sheet.root!);
}

const fitsIn = (
  w: number,
  h: number,
  { width, height }: { readonly width: number; readonly height: number },
): boolean => w <= width + slack && h <= height + slack;
