export { seededRandom } from "./seeded.ts";
