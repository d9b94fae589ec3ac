import { type Change, findPage, findPlaced, type Project, placed } from "#core/document";
import type { ForEachLabRule } from "#core/lab";
import type { Found, Keyed } from "./finding.ts";
import { blankPage } from "./page-rules/blank-page.ts";
import { shortOfBleed } from "./page-rules/bleed.ts";
import { emptyTile } from "./page-rules/empty-tile.ts";
import { faces } from "./page-rules/faces.ts";
import { nearTheCut } from "./page-rules/near-the-cut.ts";
import { photosWhole } from "./page-rules/photos-whole.ts";
import { sharpness } from "./page-rules/sharpness.ts";
import { smallestType } from "./page-rules/smallest-type.ts";
import { softThings } from "./page-rules/soft-things.ts";
import { uncovered } from "./page-rules/uncovered.ts";
import { unknownDesign } from "./page-rules/unknown-design.ts";
import { whiteBorder } from "./page-rules/white-border.ts";
import { wordsContrast } from "./page-rules/words-contrast.ts";
import { wordsPlace } from "./page-rules/words-place.ts";
import { wordsShown } from "./page-rules/words-shown.ts";
import { wordsThin } from "./page-rules/words-thin.ts";
import { bound, coverMadeElsewhere } from "./project-rules/bound.ts";
import { labChanged } from "./project-rules/lab-changed.ts";
import { largestFile } from "./project-rules/largest-file.ts";
import { leftOut } from "./project-rules/left-out.ts";
import { longestName } from "./project-rules/longest-name.ts";
import { outOfTime } from "./project-rules/out-of-time.ts";
import { repeats } from "./project-rules/repeats.ts";
import type { FixAt, FixFacts, PageAt, PageFacts, ProjectFacts } from "./rule.ts";

/** What looks after each limit that a lab may set; one that is missing does not compile. */
const ofLabRules = {
  mostMb: largestFile,
  mostNameLength: longestName,
  leastTypePt: smallestType,
} satisfies ForEachLabRule<unknown>;

const rules = [
  emptyTile,
  sharpness,
  uncovered,
  shortOfBleed,
  faces,
  wordsShown,
  ofLabRules.leastTypePt,
  wordsPlace,
  wordsContrast,
  wordsThin,
  nearTheCut,
  softThings,
  whiteBorder,
  unknownDesign,
  photosWhole,
  blankPage,
  bound,
  coverMadeElsewhere,
  ofLabRules.mostNameLength,
  ofLabRules.mostMb,
  labChanged,
  leftOut,
  outOfTime,
  repeats,
] as const;

type Rule = (typeof rules)[number];
/** What a click can put right. */
export type FixCode = Rule extends infer R ? (R extends Rule ? keyof R["fixes"] : never) : never;
type Detailed = Rule extends infer R ? (R extends Rule ? ReturnType<R["find"]>[number] : never) : never;
type WithAnyFix<F> = F extends Found ? Omit<F, "fixes"> & { readonly fixes: readonly FixCode[] } : never;

/** What a rule says, of whichever rule. */
export type AnyFound = WithAnyFix<Detailed>;
export type Finding = AnyFound & Keyed;
export type FindingCode = Finding["code"];
export type FindingOf<C extends FindingCode> = Finding extends infer F
  ? F extends Finding
    ? C extends F["code"]
      ? F
      : never
    : never
  : never;

export const foundOnPage = (at: PageAt, facts: PageFacts): readonly AnyFound[] =>
  rules.flatMap((r): readonly AnyFound[] => (r.looksAt === "page" ? r.find(at, facts) : []));

export const foundInProject = (project: Project, facts: ProjectFacts): readonly AnyFound[] =>
  rules.flatMap((r): readonly AnyFound[] => (r.looksAt === "project" ? r.find(project, facts) : []));

/** The changes that put a finding right; none where it cannot be done after all. */
export function fixed(project: Project, finding: Finding, fix: FixCode, facts: FixFacts): readonly Change[] {
  for (const rule of rules) {
    if (!Object.hasOwn(rule.fixes, fix)) continue;
    if (rule.looksAt === "project")
      return (rule.fixes as Readonly<Record<string, (project: Project, facts: FixFacts) => readonly Change[]>>)[fix]!(
        project,
        facts,
      );
    const [spot] = finding.spots;
    const page = spot && findPage(project, spot.pageId);
    if (!page) return [];
    const on = placed(project, page);
    const at: FixAt = { on, tile: findPlaced(on, spot.tileIds[0] ?? ""), spot, facts, asks: project.lab?.file };
    return (rule.fixes as Readonly<Record<string, (at: FixAt) => readonly Change[]>>)[fix]!(at);
  }
  return [];
}
