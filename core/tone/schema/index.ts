export { toneSchema } from "./tone.ts";
