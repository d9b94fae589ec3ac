export { ornamentSchema } from "./ornament.ts";
export { paperSchema } from "./paper.ts";
