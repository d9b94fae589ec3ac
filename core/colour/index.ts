export { type Colour, contrastOf, luminance, parseColour } from "./colour.ts";
export { dominantColours } from "./dominant.ts";
export { type Lab, linearOfByte, linearOfOklab, oklabOf, toEncoded, toLinear } from "./light.ts";
export { meanColour } from "./mean.ts";
export { type ColourName, type HueName, nameOfColour, type ShadeName } from "./naming.ts";
