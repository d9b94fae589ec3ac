import { drawnPage, findPage, isBegun, type Page, type Project, placed } from "#core/document";
import type { PageAt, PageFacts, PageRule, ProjectFacts, ProjectRule } from "./facts.ts";
import { type Finding, type Found, keyed, restsOn, severities } from "./finding.ts";
import { blankPage } from "./page-rules/blank-page.ts";
import { shortOfBleed } from "./page-rules/bleed.ts";
import { emptyTile } from "./page-rules/empty-tile.ts";
import { faces } from "./page-rules/faces.ts";
import { nearTheCut } from "./page-rules/near-the-cut.ts";
import { photosWhole } from "./page-rules/photos-whole.ts";
import { sharpness } from "./page-rules/sharpness.ts";
import { uncovered } from "./page-rules/uncovered.ts";
import { words } from "./page-rules/words.ts";
import { bound, coverMadeElsewhere } from "./project-rules/bound.ts";
import { files } from "./project-rules/files.ts";
import { labChanged } from "./project-rules/lab-changed.ts";
import { leftOut } from "./project-rules/left-out.ts";
import { outOfTime } from "./project-rules/out-of-time.ts";
import { repeats } from "./project-rules/repeats.ts";

const pageRules: readonly PageRule[] = [
  emptyTile,
  sharpness,
  uncovered,
  shortOfBleed,
  faces,
  words,
  nearTheCut,
  photosWhole,
  blankPage,
];
const projectRules: readonly ProjectRule[] = [
  bound,
  coverMadeElsewhere,
  files,
  labChanged,
  leftOut,
  outOfTime,
  repeats,
];

/** A page where it stands, with what runs along on it. */
export function pageAt(project: Project, page: Page, takenOf: (photoId: string) => string | undefined): PageAt {
  const drawn = drawnPage(project, page, takenOf);
  return {
    page: drawn,
    format: drawn.format,
    kind: project.kind,
    isCover: project.cover?.id === page.id,
    begun: isBegun(project),
  };
}

/** All that is found on one page by itself. */
export const checkPage = (at: PageAt, facts: PageFacts): readonly Finding[] =>
  pageRules
    .flatMap((rule) => rule(at, facts))
    .map((f) =>
      keyed(
        f,
        restsOn(f, () => at.page),
      ),
    );

/** All that is found by looking at the pages together. */
export const checkProject = (project: Project, facts: ProjectFacts): readonly Finding[] =>
  projectRules
    .flatMap((rule) => rule(project, facts))
    .map((f) =>
      keyed(
        f,
        restsOn(f, (id) => {
          const page = findPage(project, id);
          return page && placed(project, page);
        }),
      ),
    );

/** What goes wrong first, then in the order of the pages. */
export function worstFirst<F extends Found>(findings: readonly F[], project: Project): readonly F[] {
  const order = new Map(project.pages.map((p, i) => [p.id, i + 1]));
  const at = (f: F) => order.get(f.spots[0]?.pageId ?? "") ?? 0;
  // Whether a head is one is less sure than anything else that is said.
  const last = ({ severity, code }: F) =>
    severity === "doubt" && (code === "faceAtRisk" || code === "faceCropped") ? 1 : 0;
  return [...findings].sort(
    (a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity) || last(a) - last(b) || at(a) - at(b),
  );
}
