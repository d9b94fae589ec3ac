import {
  backTo,
  copyPage,
  formatOf,
  inAnotherSize,
  type Look,
  type Loss,
  onLargerSheets,
  type Page,
  type Project,
  refitted,
} from "#core/document";
import type { LabCard, PageFormat } from "#core/lab";
import { emptied } from "#core/project-file";
import type { Snapshot } from "../../../storage/store.ts";
import type { Services } from "../../services.ts";
import { aspectsIn } from "../library/aspects.ts";
import type { ProjectSession } from "./project-session.ts";

/** What is done with a work as a whole. */

type Deps = Pick<Services, "store" | "library" | "newId" | "now">;

/** Keeps a work as a new one of its own; its history begins here. */
export async function saveAsNew(services: Deps, project: Project, name: string): Promise<string> {
  const at = services.now();
  const own: Project = { ...project, id: services.newId(), name, createdAt: at };
  await services.store.saveProject({ project: own, steps: [], done: 0, savedAt: at, sent: undefined });
  return own.id;
}

/** The same pages with their places bare. */
export const keepAsBeginning = (services: Deps, project: Project, name: string): Promise<string> =>
  saveAsNew(services, emptied(project), name);

/** A copy of a page from elsewhere, solved again where this project has another size or style. */
export function adopted(
  services: Pick<Deps, "library" | "newId">,
  project: Project,
  page: Page,
  from: { readonly format: PageFormat; readonly style: Look },
): Page {
  const copy = copyPage(page, services.newId);
  const to = { format: formatOf({ ...project, pages: [copy] }, copy), style: project.style };
  const { widthMm, heightMm } = from.format;
  const sameSize = to.format.widthMm === widthMm && to.format.heightMm === heightMm;
  if (sameSize && JSON.stringify(from.style) === JSON.stringify(to.style)) return copy;
  return refitted(copy, from, to, aspectsIn(services)).page;
}

/** Pages of another work behind these, solved again for this one's size. Says how many came. */
export function combine(services: Deps, session: ProjectSession, other: Project): number {
  const { project } = session.state.getState();
  const pages = other.pages.map((p) =>
    adopted(services, project, p, { format: formatOf(other, p), style: other.style }),
  );
  const at = project.pages.length;
  const done = session.commit({ code: "combined", count: pages.length }, [
    { type: "insertPages", pages: pages.map((page, i) => ({ page, at: at + i })) },
  ]);
  return done.ok ? pages.length : 0;
}

/** Every page solved again for another lab or size, as one step; what could not be kept comes back. */
export function changeSize(
  services: Deps,
  session: ProjectSession,
  to: { readonly lab: LabCard | null; readonly format: PageFormat },
  how: "anew" | "larger",
): readonly Loss[] {
  const { project } = session.state.getState();
  const made =
    how === "larger"
      ? { project: onLargerSheets(project, to), losses: [] }
      : inAnotherSize(project, to, { aspectOf: aspectsIn(services), newId: services.newId });
  const { lab, format, pages, book, style } = made.project;
  session.commit(
    { code: "changedSize", count: pages.length },
    [
      { type: "setProject", lab, format, book, style },
      { type: "replaceAll", pages },
    ],
    { byProgram: true },
  );
  return made.losses;
}

export function keepSnapshot(services: Deps, session: ProjectSession, name: string): Promise<void> {
  const { project } = session.state.getState();
  return services.store.keepSnapshot({
    id: services.newId(),
    projectId: project.id,
    name,
    at: services.now(),
    project,
  });
}

/** The work as it was, as one step that can be undone. */
export function goBackTo(session: ProjectSession, { project }: Snapshot): void {
  session.commit({ code: "wentBack", count: 1 }, backTo(project));
}
