export { type SceneLayer, scene, sceneLayers, seenFrame, tileSteps, wordsMatrix } from "./scene.ts";
export type { DrawStep, Scene, SceneFacts, SeenPhoto } from "./steps.ts";
export { laidWords, wordsOf } from "./words.ts";
