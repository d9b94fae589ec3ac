export { checkPage, checkWork, pageAt, worstFirst } from "./check.ts";
export type { Ground, PageAt, PageFacts, WorkFacts } from "./facts.ts";
export {
  type Edge,
  type Finding,
  type FindingCode,
  type FindingOf,
  type LabPart,
  labParts,
  type MendCode,
  mendCodes,
  type Peril,
  type Spot,
  type Weight,
  weights,
} from "./finding.ts";
export { type MendFacts, mended } from "./fix.ts";
export { wordsOn } from "./page-rules/words.ts";
export { type PlacedSharpness, sharpnessOn } from "./placed-sharpness.ts";
