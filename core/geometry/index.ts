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
  inset,
  insetSides,
  type Point,
  type Rect,
  rectAround,
  type Sides,
  type Size,
} from "./rect.ts";
export { flattened, insetRings, type Ring, ringsHold, traceRings } from "./rings.ts";
