export { type Colour, contrastOf, luminance, parseColour } from "./colour.ts";
export { dominantColours } from "./dominant.ts";
