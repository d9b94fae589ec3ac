export { fingerprint } from "./fingerprint.ts";
export { seededRandom } from "./seeded.ts";
