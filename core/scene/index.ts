export { type AspectOf, type DrawStep, type Scene, scene, tileOutline, tileSteps } from "./scene.ts";
