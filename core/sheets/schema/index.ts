export { printSheetsSchema } from "./plan.ts";
