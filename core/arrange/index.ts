export type { Arranger, ArrangeTask, GridPlan, PlanCell } from "./arranger.ts";
export { exactFit, type FitTask } from "./exact-fit.ts";
export { grid, meanCrop } from "./grid.ts";
export { type SeamStretch, seamStretches } from "./seams.ts";
export { cropOf } from "./spans.ts";
export { gridRects, tracksWithSeamAt, widestGap } from "./tracks.ts";
export {
  isLeaf,
  leavesOf,
  looseRects,
  type TreeLeaf,
  type TreeNode,
  type TreeSplit,
  treeBoxes,
  treeRects,
} from "./tree.ts";
