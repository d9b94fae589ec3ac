export {
  type DrawStep,
  type Scene,
  type SceneFacts,
  type SeenPhoto,
  scene,
  seenFrame,
  tileSteps,
  wordsMatrix,
} from "./scene.ts";
export { laidWords, wordsOf } from "./words.ts";
