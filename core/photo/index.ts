export { findEvents, type NamedSpan, type PhotoEvent } from "./events.ts";
export {
  aspectOf,
  byTimeTaken,
  type Photo,
  type PhotoInput,
  photoShape,
  type Section,
  sections,
  type TimeSource,
} from "./facts.ts";
export { type FaceBox, type Focus, pointOfFaces } from "./focus.ts";
export { interestOf, type Planes } from "./interest.ts";
export { detailOf, type Grey, lookOf } from "./likeness.ts";
export { type Orientation, orientationMatrix, orientationOf, orientedSize, turnsSideways } from "./orientation.ts";
export { findPiles, type Pile, type PileFacts } from "./piles.ts";
export { narrows, noFilter, type PhotoFilter, sift } from "./sieve.ts";
export { mediaType, type PictureKind, sniffPicture } from "./sniff.ts";
export { offsetFromTag, shifted, takenAtFromName, takenAtFromTag, wallClock, wallMs } from "./taken-at.ts";
export { isWholePhoto } from "./whole-photo.ts";
export { writtenByMachine } from "./written-by-machine.ts";
