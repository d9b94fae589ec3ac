export { type LayTask, pacedPages, shapeOf } from "./paced-pages.ts";
export { type PacePage, type PacePhoto, type PaceTask, pacePlan, type Slot, wantedPages, weightOf } from "./plan.ts";
export { isHeld, type PaceRow, pacePhotos, paceRow, withFilled } from "./slots.ts";
