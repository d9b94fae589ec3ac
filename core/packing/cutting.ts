import type { Part } from "./slicing-sheet.ts";

/** What a sheet is cut into: an item, or a row of parts side by side or one below the other, from the left or the top. */
export type Cutting =
  | { readonly item: number; readonly turned: boolean; readonly w: number; readonly h: number }
  | { readonly across: boolean; readonly parts: readonly Cutting[]; readonly w: number; readonly h: number };

export const cuttingOf = (part: Part): Cutting =>
  part.kids.length === 0
    ? { item: part.item, turned: part.turned, w: part.w, h: part.h }
    : { across: part.across, parts: part.kids.map(cuttingOf), w: part.w, h: part.h };

export interface PlacedItem {
  readonly item: number;
  readonly turned: boolean;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

/** Where everything lies, from the sheet's top left. */
export function placedItems(cutting: Cutting): PlacedItem[] {
  const placed: PlacedItem[] = [];
  const walk = (part: Cutting, x: number, y: number): void => {
    if ("item" in part) {
      placed.push({ ...part, x, y });
      return;
    }
    let [left, top] = [x, y];
    for (const p of part.parts) {
      walk(p, left, top);
      if (part.across) left += p.w;
      else top += p.h;
    }
  };
  walk(cutting, 0, 0);
  return placed;
}
