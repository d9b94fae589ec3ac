export { aspectOf, byTimeTaken, type Photo, photoSchema } from "./facts.ts";
export { type Orientation, orientationMatrix, orientationOf, orientedSize, turnsSideways } from "./orientation.ts";
export { mediaType, type PictureKind, sniffPicture } from "./sniff.ts";
export { takenAtFromExif, wallClock } from "./taken-at.ts";
