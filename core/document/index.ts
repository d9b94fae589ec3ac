export { applyChange, type Change, invertChange } from "./change.ts";
export { mostPages } from "./changes/page-list.ts";
export type { ChangeTrouble } from "./changes/trouble.ts";
export { checkLook, leastTileMm } from "./check-look.ts";
export { barePage, copyPage } from "./copy-page.ts";
export { type Flowed, type FlowTask, fillEmpty, flowPhotos } from "./flow-photos.ts";
export { framingOf, unframed } from "./framing.ts";
export {
  commit,
  type Edited,
  type Gesture,
  type History,
  nextRedo,
  nextUndo,
  noHistory,
  redo,
  type Step,
  type StepCode,
  type StepName,
  stepSchema,
  undo,
} from "./history.ts";
export { type Laid, layPhotos, newTile } from "./lay-photos.ts";
export { layTree, withTree } from "./lay-tree.ts";
export { newProject, newStyle } from "./new-project.ts";
export {
  type Arrangement,
  type Border,
  emptyTiles,
  type Filling,
  type Frame,
  findTile,
  frameRect,
  type Grid,
  type Look,
  lookSchema,
  mapTiles,
  mostTiles,
  type Outline,
  type Page,
  partSchema,
  photoIdOf,
  type Tile,
  type Tree,
  type View,
} from "./page.ts";
export { findPage, type Project, projectSchema, withPage } from "./project.ts";
export {
  areTogether,
  canSolveAgain,
  solvedAgain,
  withLead,
  withLocked,
  withOrder,
  withTogether,
} from "./solve-again.ts";
export { rectsOf, roomFor, solvePage } from "./solve-page.ts";
export {
  seamsOfPage,
  treeOfPage,
  withPageMirrored,
  withReleased,
  withSeamMoved,
  withSlippedIn,
  withTakenAway,
  withTileHalved,
  withTileMoved,
  withTileShape,
} from "./tree-page.ts";
export { waysOfPage } from "./ways-of-page.ts";
