export { spansSchema, wordStyleSchema } from "./fonts.ts";
export { ownFontSchema } from "./own-fonts.ts";
