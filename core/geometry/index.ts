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
  kappa,
  type PathData,
  type PathSegment,
  type PathSink,
  record,
  replay,
  traceEllipse,
  traceRect,
  traceRoundedRect,
  traceRoundedWithin,
  transformed,
} from "./path.ts";
export {
  allSides,
  centreOf,
  clamp,
  containsPoint,
  enclosing,
  inset,
  insetSides,
  type Point,
  type Rect,
  rectAround,
  type Sides,
  type Size,
} from "./rect.ts";
export { combinedRings, flattened, insetRings, type Ring, ringArea, ringsHold, traceRings } from "./rings.ts";
