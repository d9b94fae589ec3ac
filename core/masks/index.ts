export { blur } from "./blur.ts";
export { blurReachMm, type Mask, type MaskPart, type MaskPixels, maskOf, maskPixels, smootherstep } from "./mask.ts";
export { type Stroke, strokesLeaveAt, strokeUnits } from "./strokes.ts";
