export {
  type Alternative,
  type AlternativeKind,
  type AlternativesTask,
  alternatives,
  apart,
  judged,
  readBefore,
  readingOrder,
  wayKinds,
} from "./alternatives.ts";
export type { Arranger, ArrangeTask, GridPlan, PlanCell } from "./arranger.ts";
export { assigned } from "./assignment.ts";
export { withoutEqual, withSetsApart } from "./equal.ts";
export { exactFit, type FitTask, type OrderPreference, orderPreferences } from "./exact-fit.ts";
export { treeFromRects } from "./from-rects.ts";
export { grid, meanCrop } from "./grid.ts";
export { lineBreaks } from "./line-breaks.ts";
export { type RoughRect, treeFromRough } from "./rough-tree.ts";
export { type Lying, type ScatterPrint, type ScatterTask, scattered } from "./scatter/index.ts";
export { type SeamStretch, seamStretches } from "./seams.ts";
export { hasSet, solveAround } from "./solve-around.ts";
export { cropOf } from "./spans.ts";
export { type SuitTask, suited } from "./suit.ts";
export {
  type Cell,
  canBeCut,
  type TilingPattern,
  type TilingTask,
  tilingCells,
  tilingPatterns,
} from "./tilings/index.ts";
export { fitTogether } from "./together.ts";
export { gridRects, tracksWithSeamAt, widestGap } from "./tracks.ts";
export { looseRects, treeRects, widestTreeGap } from "./tree.ts";
export {
  type Edge,
  inLineWith,
  mirrored,
  released,
  type TreeSeam,
  treeSeams,
  withAtEdge,
  withBeside,
  withHalves,
  without,
  withSeamAt,
} from "./tree-edit.ts";
export { isLeaf, leavesOf, mapLeaves, type TreeLeaf, type TreeNode, type TreeSplit } from "./tree-node.ts";
