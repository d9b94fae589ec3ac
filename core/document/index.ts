export { forTiles, tileIdsOf } from "./arrangements/index.ts";
export { alternativesOf } from "./arranging/alternatives-of.ts";
export { areEqual, costOfEqual, withEqual } from "./arranging/equal-tiles.ts";
export { type Flowed, type FlowTask, fillEmpty, flowPhotos } from "./arranging/flow-photos.ts";
export { type Laid, layPhotos, layRows, regrouped } from "./arranging/lay-photos.ts";
export { type TilingSettings, tiledGroup } from "./arranging/lay-tiling.ts";
export { firstTree, layTree, plainTree, withTree } from "./arranging/lay-tree.ts";
export { matchedTo, sharedLines } from "./arranging/match-pages.ts";
export {
  patternFromTiles,
  patternSide,
  pocketLines,
  throughPockets,
  withPattern,
} from "./arranging/pocket-pages.ts";
export {
  areKeptTogether,
  canSolveAgain,
  keepTogether,
  refit,
  withLead,
  withLocked,
  withOrder,
} from "./arranging/solve-again.ts";
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
} from "./arranging/tree-page.ts";
export { applyChange, type Change, compacted, invertChange } from "./changes/change.ts";
export { contentsOf, contentsText, type Entry } from "./changes/contents-follow.ts";
export {
  commit,
  type Editing,
  type Follower,
  type Gesture,
  type History,
  noHistory,
  pageOfStep,
  redo,
  type Step,
  type StepCode,
  type StepName,
  travelled,
  undo,
} from "./changes/history.ts";
export { stillHolds } from "./changes/holds.ts";
export { mostPages, type RowChange, rowAfter } from "./changes/kinds/page-list.ts";
export type { Patch } from "./changes/kinds/patch.ts";
export { backTo } from "./changes/kinds/set-project.ts";
export type { TileFields } from "./changes/kinds/set-tiles.ts";
export type { ChangeTrouble } from "./changes/kinds/trouble.ts";
export { nextRedo, nextUndo } from "./changes/next-steps.ts";
export { lookChange, pageChanges } from "./changes/page-changes.ts";
export { type Box, storiesOf } from "./changes/story-follows.ts";
export { wordsStay } from "./changes/words-stay.ts";
export { autoFramed, emptiedFilling, inheritsDress, movedElsewhere, withOtherPhotoIds } from "./fillings/index.ts";
export { type DrawnTile, piecesAsDrawn } from "./page/as-drawn.ts";
export { checkGroupGap, checkLook, withGapThatFits } from "./page/check-look.ts";
export { copiedPieces, copyPage } from "./page/copy-page.ts";
export { drawnTile } from "./page/drawn-tile.ts";
export { framingOf } from "./page/framing.ts";
export { type Dress, dressOf, lookKeys, lookOf, noDress, ownLookFor, saidBy, withLook } from "./page/look.ts";
export { newFreeTile, newGroup, newTile, wholeRoom } from "./page/new-tile.ts";
export { liesOn } from "./page/on-tile.ts";
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
  keepsFilling,
  type Light,
  type Look,
  mainGroup,
  mapTiles,
  mostTiles,
  type Outline,
  type OwnLook,
  type Page,
  type Piece,
  type PocketArrangement,
  type Print,
  photoIdOf,
  photosOf,
  type Room,
  type Rows,
  type Scatter,
  type Shadow,
  type Soft,
  type Tile,
  type Tiling,
  type Tree,
  treeIn,
  type View,
  type Waits,
  type Words,
  waitsForPhoto,
  withFree,
  withFreeAtBack,
  withFreeAtFront,
  withGroup,
  withLock,
  withoutFree,
  withoutPieces,
} from "./page/page.ts";
export { type PageNote, pageAttribute, pageNoteIn, pageNoteOf, pagesAsDrawn } from "./page/page-note.ts";
export { backdropWithPhotoIds, pageWithPhotoIds } from "./page/photo-ids.ts";
export { pictureRect } from "./page/picture-rect.ts";
export {
  arrangedOn,
  boxAround,
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
  showsPart,
} from "./page/place-page.ts";
export { firstLight, noBorder, noShadow, noSoft } from "./page/plain-dress.ts";
export { tileLine } from "./page/tile-line.ts";
export { tileOfShape } from "./page/tile-of-shape.ts";
export { inAnotherSize, isLarger, type Loss, onLargerSheets, refitted } from "./project/another-size.ts";
export {
  type CoverPanel,
  type CoverParts,
  coverFormat,
  coverParts,
  firstOnRight,
  formatOf,
  frontAndBack,
  hasFacingPages,
  leafFormat,
  type Opening,
  openingOf,
  openingsOf,
  pageCount,
  pagesBefore,
  pagesOf,
  placed,
  printSize,
  rulesOf,
  type Side,
  sideAt,
  sideOf,
  sidesKept,
  spreadsHold,
} from "./project/book.ts";
export { coverChanges, firstCover, isTurnedIn, spineSizePt } from "./project/cover.ts";
export { mostNameLength } from "./project/name.ts";
export { newBook, newPockets, newPrints, newProject, newStyle, pocketLeaf } from "./project/new-project.ts";
export { numberPlaces } from "./project/number-places.ts";
export { drawnPage, footFor } from "./project/page-numbers.ts";
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
} from "./project/print-files.ts";
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
} from "./project/project.ts";
export { holdsAnything, isBegun, joined, parted } from "./project/spreads.ts";
