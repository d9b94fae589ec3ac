export { type SceneLayer, scene, sceneLayers, seenFrame, tileSteps, wordsMatrix } from "./scene.ts";
export { type DrawStep, type PhotoStep, pictureKey, type Scene, type SceneFacts, type SeenPhoto } from "./steps.ts";
export { laidWords, wordsOf } from "./words.ts";
