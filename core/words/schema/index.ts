export { mostSpans, spansSchema, wordStyleSchema } from "./fonts.ts";
