export { strokeToOwn } from "./fade.ts";
export { ornamentShape } from "./ornament.ts";
export { photoPlace, type SceneLayer, scene, sceneLayers, tileSteps } from "./scene.ts";
export { levelsOf, type Thrown, thrownBy } from "./shadow.ts";
export { ownToPage, softOf } from "./soft.ts";
export {
  type BeginStep,
  type DrawStep,
  maskMatrix,
  type PaperStep,
  type PhotoStep,
  type PlacedMask,
  pictureKey,
  type Scene,
  type SceneFacts,
  type SeenPhoto,
  type ShadeStep,
} from "./steps.ts";
export { ownLine, seenFrame } from "./tile-lines.ts";
export { type Bordered, borderedOf, type WhiteBorder, whiteBorderMm, withoutBorder } from "./white-border.ts";
export { allSeen, neededHeight, roomFitted, sizeFitting, withRoomFitted, withRoomGrown } from "./word-room.ts";
export { laidWords, wordsMatrix, wordsNeeded, wordsOf } from "./words.ts";
