export {
  type DrawStep,
  type Scene,
  type SceneFacts,
  type SeenPhoto,
  scene,
  tileOutline,
  tileSteps,
  wordsMatrix,
} from "./scene.ts";
export { laidWords, wordsOf } from "./words.ts";
