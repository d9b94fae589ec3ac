export type { Arranger, ArrangeTask, GridPlan, PlanCell } from "./arranger.ts";
export { grid, meanCrop } from "./grid.ts";
export { cropOf } from "./spans.ts";
export { gridRects, seams, tracksWithSeamAt, widestGap } from "./tracks.ts";
