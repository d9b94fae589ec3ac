export { type DrawStep, type FramedOf, type Scene, scene, tileOutline, tileSteps } from "./scene.ts";
