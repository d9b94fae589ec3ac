export {
  applyTo,
  chain,
  identity,
  inverse,
  type Matrix,
  multiply,
  rotation,
  scaling,
  translation,
} from "./matrix.ts";
export {
  type PathData,
  type PathSegment,
  type PathSink,
  record,
  replay,
  traceRect,
  traceRoundedRect,
  transformed,
} from "./path.ts";
export {
  allSides,
  centreOf,
  clamp,
  containsPoint,
  inset,
  insetSides,
  type Point,
  type Rect,
  rectAround,
  type Sides,
  type Size,
} from "./rect.ts";
