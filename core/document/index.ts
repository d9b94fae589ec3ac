export { alternativesOf } from "./alternatives-of.ts";
export { inAnotherSize, type Loss, refitted } from "./another-size.ts";
export {
  type CoverPanel,
  type CoverParts,
  coverFormat,
  coverParts,
  firstOnRight,
  formatOf,
  frontAndBack,
  leafFormat,
  type Opening,
  openingOf,
  openingsOf,
  pageCount,
  pagesBefore,
  pagesOf,
  rulesOf,
  type Side,
  sideAt,
  sideOf,
  sidesKept,
  spreadsHold,
} from "./book.ts";
export { applyChange, type Change, compacted, invertChange } from "./change.ts";
export { mostPages, type RowChange, rowAfter } from "./changes/page-list.ts";
export { backTo } from "./changes/set-project.ts";
export type { ChangeTrouble } from "./changes/trouble.ts";
export { checkLook } from "./check-look.ts";
export { copyPage } from "./copy-page.ts";
export { drawnCover, firstCover, followedCover, isTurnedIn, spineSizePt } from "./cover.ts";
export { type Flowed, type FlowTask, fillEmpty, flowPhotos } from "./flow-photos.ts";
export { autoFramed, framingOf } from "./framing.ts";
export { areWords, isFree, withFree, withFreeAtBack, withoutFree } from "./free-tiles.ts";
export {
  commit,
  type Editing,
  type Gesture,
  type History,
  nextRedo,
  nextUndo,
  noHistory,
  redo,
  type Step,
  type StepCode,
  type StepName,
  undo,
} from "./history.ts";
export { type Laid, layPhotos, newTile } from "./lay-photos.ts";
export { layTree, withTree } from "./lay-tree.ts";
export { matchedTo, sharedLines } from "./match-pages.ts";
export { newBook, newPockets, newProject, newStyle, pocketLeaf } from "./new-project.ts";
export { numberPlaces } from "./number-places.ts";
export {
  type Arrangement,
  allTiles,
  type Border,
  barePage,
  captionedOn,
  type DrawnLook,
  emptyTiles,
  type Filling,
  type Frame,
  findTile,
  frameRect,
  type Grid,
  type Look,
  mapTiles,
  mostTiles,
  type Outline,
  type Page,
  type PocketArrangement,
  photoIdOf,
  photosOf,
  type Tile,
  type Tree,
  type View,
  type Words,
} from "./page.ts";
export { drawnPage, footFor } from "./page-numbers.ts";
export {
  patternFromTiles,
  patternSide,
  pocketLines,
  throughPockets,
  withPattern,
} from "./pocket-pages.ts";
export {
  cardAlone,
  cardBleed,
  type FilePart,
  fileHolds,
  lastNumber,
  type PrintFile,
  type PrintFileOptions,
  photosOfFile,
  printFiles,
} from "./print-files.ts";
export {
  type Accepted,
  type Book,
  type Cover,
  findPage,
  type Note,
  type PocketsOf,
  type Project,
  type Spine,
  withPage,
} from "./project.ts";
export {
  areKeptTogether,
  canSolveAgain,
  keepTogether,
  refit,
  withLead,
  withLocked,
  withOrder,
} from "./solve-again.ts";
export { rectsOf, roomRect, solvePage } from "./solve-page.ts";
export { holdsAnything, isBegun, joined, parted } from "./spreads.ts";
export {
  insertBeside,
  removeTiles,
  seamsOfPage,
  setTileAspect,
  splitTile,
  treeOfPage,
  withPageMirrored,
  withReleased,
  withSeamMoved,
  withTileBeside,
  withTileMoved,
} from "./tree-page.ts";
