export { colourSchema } from "./colour.ts";
