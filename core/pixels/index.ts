export { type DeepPixels, deepCut, deepLaidOut, drawDeep, refine, widened } from "./deep.ts";
export { loopsWasm } from "./loops-wasm.ts";
export {
  type Area,
  divideAlpha,
  laidOut,
  multiplyAlpha,
  type Pixels,
  type Resampler,
  sourceRows,
} from "./pixels.ts";
export { plainResampler } from "./plain-resampler.ts";
export { type LoopMemory, type Loops, QuickResampler } from "./quick-resampler.ts";
export { type PaperKind, paperKinds, type Sharpening, sharpen, sharpeningFor, sharpeningReach } from "./sharpen.ts";
