export { contained, containedRect } from "./contain.ts";
export {
  coveringSize,
  dragged,
  type Framing,
  firstFraming,
  mostZoom,
  photoMatrix,
  printedSize,
  settled,
  turnParts,
  withinHalf,
  zoomed,
} from "./cover.ts";
export { framingShowing } from "./crop.ts";
export { firstFramingFor, type PhotoShape } from "./first-framing.ts";
export { framingUnder, type Hold, heldAt, heldBy, heldWithout, levelled } from "./hold.ts";
export { leanOf, pinched } from "./pinch.ts";
export { firstFramingIn, framedThrough, hiddenByShape, type ShapeHolds } from "./shape-framing.ts";
export { effectivePpi, type Sharpness, sharpnessOf } from "./sharpness.ts";
export { type SliceFrame, sliceFraming } from "./slice.ts";
export { stayed } from "./stay.ts";
