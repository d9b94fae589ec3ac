export { bitsIn } from "./bits-in.ts";
