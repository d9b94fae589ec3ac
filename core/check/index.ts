export { checkPage, checkProject, pageAt, worstFirst } from "./check.ts";
export { type Edge, type Risk, type Severity, type Spot, severities } from "./finding.ts";
export { type PlacedSharpness, sharpnessOn } from "./placed-sharpness.ts";
export type { LabPart } from "./project-rules/lab-changed.ts";
export type { FixFacts, Ground, PageAt, PageFacts, ProjectFacts } from "./rule.ts";
export { type Finding, type FindingCode, type FindingOf, type FixCode, fixed } from "./rules.ts";
export { wordsOn } from "./words-on.ts";
