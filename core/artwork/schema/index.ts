export { paperSchema } from "./paper.ts";
