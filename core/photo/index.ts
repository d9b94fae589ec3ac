export { aspectOf, byTimeTaken, type Photo, photoSchema } from "./facts.ts";
export { mediaType, type PictureKind, sniffPicture } from "./sniff.ts";
export { takenAtFromExif, wallClock } from "./taken-at.ts";
