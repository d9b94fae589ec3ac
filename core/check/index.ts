export { checkPage, checkProject, pageAt, worstFirst } from "./check.ts";
export type { Ground, PageAt, PageFacts, ProjectFacts } from "./facts.ts";
export {
  type Edge,
  type Finding,
  type FindingCode,
  type FindingOf,
  type FixCode,
  type LabPart,
  labParts,
  type Risk,
  type Severity,
  type Spot,
  severities,
} from "./finding.ts";
export { type FixFacts, fixed } from "./fix.ts";
export { wordsOn } from "./page-rules/words.ts";
export { type PlacedSharpness, sharpnessOn } from "./placed-sharpness.ts";
