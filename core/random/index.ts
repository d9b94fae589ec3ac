export { seededChance } from "./seeded.ts";
