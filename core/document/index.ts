export { alternativesOf } from "./alternatives-of.ts";
export { inAnotherSize, type Loss, refitted } from "./another-size.ts";
export { tileIdsOf } from "./arrangements/index.ts";
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
  placed,
  rulesOf,
  type Side,
  sideAt,
  sideOf,
  sidesKept,
  spreadsHold,
} from "./book.ts";
export { applyChange, type Change, compacted, invertChange } from "./change.ts";
export { mostPages, type RowChange, rowAfter } from "./changes/page-list.ts";
export type { Patch } from "./changes/patch.ts";
export { backTo } from "./changes/set-project.ts";
export type { TileFields } from "./changes/set-tiles.ts";
export type { ChangeTrouble } from "./changes/trouble.ts";
export { checkLook, withGapThatFits } from "./check-look.ts";
export { copyPage } from "./copy-page.ts";
export { coverChanges, firstCover, isTurnedIn, spineSizePt } from "./cover.ts";
export { drawnTile } from "./drawn-tile.ts";
export { type Flowed, type FlowTask, fillEmpty, flowPhotos } from "./flow-photos.ts";
export { autoFramed, framingOf } from "./framing.ts";
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
export { stillHolds } from "./holds.ts";
export { type Laid, layPhotos, layRows, regrouped } from "./lay-photos.ts";
export { firstTree, layTree, plainTree, withTree } from "./lay-tree.ts";
export { lookKeys, lookOf, noBorder, ownLookFor, saidBy, withLook } from "./look.ts";
export { matchedTo, sharedLines } from "./match-pages.ts";
export { newBook, newPockets, newProject, newStyle, pocketLeaf } from "./new-project.ts";
export { newFreeTile, newGroup, newTile, wholeRoom } from "./new-tile.ts";
export { numberPlaces } from "./number-places.ts";
export {
  type Arrangement,
  allTiles,
  areWords,
  arrangedTiles,
  arrangementOf,
  type Border,
  barePage,
  captionedOn,
  type DrawnLook,
  type Filling,
  type Frame,
  type FreeTile,
  findTile,
  frameRect,
  freeTiles,
  type Grid,
  type Group,
  groupOfTile,
  groupsOf,
  holdsPockets,
  isFree,
  isGroup,
  isLocked,
  type Look,
  mainGroup,
  mapTiles,
  mostTiles,
  type Outline,
  type OwnLook,
  type Page,
  type Piece,
  type PocketArrangement,
  photoIdOf,
  photosOf,
  type Room,
  type Rows,
  type Tile,
  type Tree,
  treeIn,
  type View,
  type Words,
  withFree,
  withFreeAtBack,
  withGroup,
  withoutFree,
  withoutPieces,
} from "./page.ts";
export { lookChange, pageChanges } from "./page-changes.ts";
export { drawnPage, footFor } from "./page-numbers.ts";
export {
  arrangedOn,
  emptyPlaces,
  findPlaced,
  groupAt,
  insideRect,
  isArranged,
  type PlacedGroup,
  type PlacedPage,
  type PlacedTile,
  placeAgain,
  placePage,
  roomRect,
} from "./place-page.ts";
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
  drawsAnything,
  type FilePart,
  fileHolds,
  lastNumber,
  type PrintFile,
  type PrintFileOptions,
  photosDrawnOn,
  photosOfFile,
  printFiles,
} from "./print-files.ts";
export {
  type Accepted,
  type Book,
  everyPage,
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
export { holdsAnything, isBegun, joined, parted } from "./spreads.ts";
export {
  insertBeside,
  onGroup,
  removeTiles,
  seamsOfGroup,
  setTileAspect,
  splitTile,
  treeOfGroup,
  withPageMirrored,
  withReleased,
  withSeamMoved,
  withTileBeside,
  withTileMoved,
  withTrackMoved,
} from "./tree-page.ts";
