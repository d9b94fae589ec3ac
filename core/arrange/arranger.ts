import type { Size } from "#core/geometry";

/** What an arranger is given. Lengths in mm; reading order is array order. */
export interface ArrangeTask {
  /** Width over height of each photo. */
  readonly aspects: readonly number[];
  readonly room: Size;
  readonly gap: number;
  /** Sides that a person typed; the others are chosen to fit the photos. */
  readonly asked: { readonly rows?: number; readonly columns?: number };
}

export interface PlanCell {
  readonly column: number;
  readonly row: number;
  /** How many columns and rows the cell reaches over. */
  readonly columns: number;
  readonly rows: number;
}

/** Cells on common tracks. `columns` and `rows` are shares of the room left by the gaps, adding up to 1. */
export interface GridPlan {
  readonly columns: readonly number[];
  readonly rows: readonly number[];
  /** In reading order; cell i is for photo i, and cells beyond the last photo stay empty. */
  readonly cells: readonly PlanCell[];
}

/** Same task, same plan. */
export type Arranger = (task: ArrangeTask) => GridPlan;
