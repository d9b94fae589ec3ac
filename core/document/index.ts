export { applyChange, type Change, invertChange } from "./change.ts";
export type { ChangeTrouble } from "./changes/trouble.ts";
export { checkLook, leastTileMm } from "./check-look.ts";
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
export { fillEmpty, type Laid, type LayTask, layPhotos } from "./lay-photos.ts";
export { newProject, newStyle } from "./new-project.ts";
export {
  type Border,
  emptyTiles,
  type Filling,
  type Frame,
  findTile,
  frameRect,
  type Grid,
  type Look,
  mapTiles,
  type Outline,
  type Page,
  photoIdOf,
  type Tile,
  type View,
} from "./page.ts";
export { findPage, type Project, projectSchema, withPage } from "./project.ts";
export { roomFor, solvePage } from "./solve-page.ts";
