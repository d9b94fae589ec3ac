export type { Lying, ScatterPrint, ScatterTask } from "./print.ts";
export { scattered } from "./scatter.ts";
