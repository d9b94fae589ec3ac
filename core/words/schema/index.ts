export { wordStyleSchema } from "./fonts.ts";
