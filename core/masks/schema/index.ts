export { mostStrokes, strokeSchema } from "./stroke.ts";
