export { spansSchema, wordStyleSchema } from "./fonts.ts";
