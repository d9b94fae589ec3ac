export {
  accentColour,
  accentPlaces,
  type Balance,
  centreOfWeight,
  type Lean,
  leanOf,
  type WeightMap,
  weightsOf,
} from "./balance.ts";
export { type Clip, clipOf, freelyPasted, photosIn } from "./clip.ts";
export { type Combining, shapeGrown, shapesCombined, tilesMirrored } from "./combine.ts";
export { dressed, groupGap, wholeGroup } from "./dress-group.ts";
export { type Dragged, type DropMeaning, meaningOfDrop } from "./drop-meaning.ts";
export { type CalmMap, calmOf, fadeAround } from "./fade-around.ts";
export { type Brush, brushedStroke, fadeChange, mostFadeStrokes, strokeToPage } from "./fades.ts";
export { type PocketsFilled, pocketsFilled } from "./fill-pockets.ts";
export { type FinishedFlow, finishedFlow } from "./finished-flow.ts";
export * from "./free/index.ts";
export { drawingOnPage } from "./from-drawing.ts";
export { type LayerPhoto, layersOnPage } from "./from-layers.ts";
export { lookGiven } from "./give-look.ts";
export { type Guide, guideAdded, guideMoved, guideRemoved, guidesCleared, guidesInTracks } from "./guides.ts";
export { keepOff } from "./keep-off.ts";
export { laidFreely, ornamentLaid, shapeLaid } from "./lay-freely.ts";
export { lettersInTiles, withWordOfTiles, wordOfTiles } from "./letters.ts";
export { type Dressed, lookOnEvery, lookOnThese, mirroredLook, numbersShown } from "./looks.ts";
export { furthestMove, letFree, madeExact } from "./made-exact.ts";
export { pageToward, placeOnto } from "./openings-moves.ts";
export { breakable, breakMoved, breakRange, photoIdsOn, photosMoved } from "./page-breaks.ts";
export {
  facingPage,
  openingJoined,
  type PagesMoved,
  pagesEmptied,
  pagesForEach,
  pagesMoved,
  pagesNumbered,
  pagesPutIn,
  placeForNew,
  type RowEdit,
  spreadParted,
} from "./page-row.ts";
export { hiddenSet, type Listed, listedFrontToBack, named, pieceMoved } from "./pieces.ts";
export {
  clearanceOf,
  frontPattern,
  leafPatterned,
  pageToDrawOn,
  placeBehindLeaf,
  pocketsSet,
} from "./pocket-leaves.ts";
export {
  mostCopies,
  type PrintBill,
  printBill,
  printsAdded,
  printsOf,
  printsRemoved,
  printsSet,
} from "./prints.ts";
export { ringChange, ringedWith } from "./ring.ts";
export {
  aroundGroup,
  bareRegions,
  groupMeant,
  lostAtEdges,
  type RoomAxis,
  type RoomSeam,
  roomAdded,
  roomFilled,
  roomSeamMoved,
  roomSeams,
  roomSplit,
  roomsJoined,
} from "./rooms.ts";
export {
  firstScatter,
  gathered,
  type ScatteredPhoto,
  scatteredTiles,
  scatterTask,
  withScattered,
} from "./scatter.ts";
export { boxForMore, storyFlows } from "./story.ts";
export { givenBack, runThrough, throughApart, throughReframed, throughTiles } from "./through.ts";
export { tiled } from "./tilings.ts";
export { inTone, photosBeside, tonesChange, viewsChange } from "./tone.ts";
export {
  type AspectOf,
  allSlippedIn,
  areEvenlyLarge,
  arrangedAs,
  asFirstMade,
  differsFromFirst,
  type Edit,
  fillingLocked,
  grownBy,
  halved,
  inOrder,
  keptTogether,
  ledBy,
  locked,
  madeEqual,
  mirrored,
  seedOf,
  shaped,
  slippedIn,
  solvedFrom,
  takenAway,
  tileMoved,
} from "./tree-edits.ts";
export { tilesUnder } from "./under-point.ts";
export {
  type CaptionPlace,
  captionOf,
  captionPlaces,
  newWords,
  offOthers,
  restyled,
  roomier,
  uncaptioned,
  withCaptions,
  wordsInstead,
} from "./word-edits.ts";
export {
  type PageLight,
  roomsForWords,
  type WordPlace,
  type WordsRoom,
  wordPlaces,
} from "./words-room.ts";
export { type Replaced, replacedIn, type Written, type WrittenAt, writtenIn } from "./written.ts";
