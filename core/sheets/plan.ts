import type { PrintSheets, SheetPlan, Want } from "./schema/plan.ts";

export type { PieceSource, PrintSheets, SheetAlternatives, SheetPlan, Stock, Want } from "./schema/plan.ts";

export type PlannedSheet = SheetPlan["sheets"][number];

export const noSheets: PrintSheets = {
  wants: [],
  stock: null,
  ways: { spacingMm: 0, together: false, marks: "outside", labels: "beside" },
  printsAt: 1,
  plan: null,
};

/** Every copy of everything that is wanted, one by one. */
export const piecesOf = (wants: readonly Want[]): SheetPlan["pieces"] =>
  wants.flatMap((w) => Array.from({ length: w.count }, (_, copy) => ({ wantId: w.id, copy })));
