export { patternSchema } from "./pattern.ts";
