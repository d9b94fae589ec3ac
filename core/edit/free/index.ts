export { type Alignment, aligned, alignments, madeAs, sharedOut } from "./align.ts";
export { alongEdges, inRowsAndColumns, roundAPoint } from "./copies.ts";
export { boundsOf, type Handle, leastFrameMm, movedBy, resized, straightened, turnedAbout } from "./frames.ts";
export { type Grip, type Pulled, pulled } from "./gesture.ts";
export {
  type Aid,
  aidLines,
  aids,
  clearOfTrim,
  type EqualGaps,
  type SnapLine,
  type SnapTargets,
  snapTargets,
} from "./snapping.ts";
export { areTied, chosenTied, tied, tiedAnew, untied, withTied } from "./tile-sets.ts";
