import { drawnPage, findPage, isBegun, type Page, type Project, placed } from "#core/document";
import { keyed, restsOn, severities } from "./finding.ts";
import type { PageAt, PageFacts, ProjectFacts } from "./rule.ts";
import { type AnyFound, type Finding, foundInProject, foundOnPage } from "./rules.ts";

/** A page where it stands, with what runs along on it. */
export function pageAt(project: Project, page: Page, takenOf: (photoId: string) => string | undefined): PageAt {
  const drawn = drawnPage(project, page, takenOf);
  return {
    page: drawn,
    format: drawn.format,
    kind: project.kind,
    isCover: project.cover?.id === page.id,
    begun: isBegun(project),
    language: project.language,
    asks: project.lab?.file,
  };
}

/** All that is found on one page by itself. */
export const checkPage = (at: PageAt, facts: PageFacts): readonly Finding[] =>
  foundOnPage(at, facts).map((f) =>
    keyed(
      f,
      restsOn(f, () => at.page),
    ),
  );

/** All that is found by looking at the pages together. */
export const checkProject = (project: Project, facts: ProjectFacts): readonly Finding[] =>
  foundInProject(project, facts).map((f) =>
    keyed(
      f,
      restsOn(f, (id) => {
        const page = findPage(project, id);
        return page && placed(project, page);
      }),
    ),
  );

/** What goes wrong first, then in the order of the pages. */
export function worstFirst<F extends AnyFound>(findings: readonly F[], project: Project): readonly F[] {
  const order = new Map(project.pages.map((p, i) => [p.id, i + 1]));
  const at = (f: F) => order.get(f.spots[0]?.pageId ?? "") ?? 0;
  // Whether a head is one is less sure than anything else that is said.
  const last = ({ severity, code }: F) =>
    severity === "doubt" && (code === "faceAtRisk" || code === "faceCropped" || code === "faceCovered") ? 1 : 0;
  return [...findings].sort(
    (a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity) || last(a) - last(b) || at(a) - at(b),
  );
}
