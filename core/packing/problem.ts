/** A size of sheet that can be had. Lengths in any one unit, the same for all. */
export interface SheetKind {
  readonly width: number;
  readonly height: number;
  /** What one costs, in any one currency; more than nothing. */
  readonly cost: number;
}

/** Rectangles to be cut out of sheets. What has to lie between them is in all sizes already. */
export interface PackProblem {
  readonly kinds: readonly SheetKind[];
  /** Width and height of each item, by its number. */
  readonly w: Float64Array;
  readonly h: Float64Array;
  /** 1 where an item may be turned a quarter. */
  readonly turns: Uint8Array;
  /** Items of one group are kept on one sheet where that costs nothing; below nothing where an item has none. */
  readonly group: Int32Array;
  readonly count: number;
}

/** Lengths that differ by less are the same: a tenth of a micrometre, where they are in mm. */
export const slack = 1e-7;

export const fits = (w: number, h: number, { width, height }: SheetKind): boolean =>
  w <= width + slack && h <= height + slack;

/** Whether an item fits on a sheet of its own, as it is or turned. */
export const fitsSomehow = ({ w, h, turns }: PackProblem, item: number, kind: SheetKind): boolean =>
  fits(w[item]!, h[item]!, kind) || (turns[item] === 1 && fits(h[item]!, w[item]!, kind));
