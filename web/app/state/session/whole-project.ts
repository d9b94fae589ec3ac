import {
  type Change,
  copyPage,
  formatOf,
  inAnotherSize,
  type Loss,
  type Page,
  type Project,
  refitted,
} from "#core/document";
import type { LabCard, PageFormat } from "#core/lab";
import { aspectOf } from "#core/photo";
import { emptied } from "#core/project-file";
import type { Snapshot } from "../../../storage/store.ts";
import type { Kit } from "../../services.ts";
import type { ProjectSession } from "./project-session.ts";

/** What is done with a work as a whole. */

type Hands = Pick<Kit, "store" | "library" | "newId" | "now">;

const aspects =
  ({ library }: Pick<Kit, "library">) =>
  (photoId: string) => {
    const photo = library.state.getState().byId.get(photoId);
    return photo && aspectOf(photo);
  };

/** Keeps a work as a new one of its own; its history begins here. */
export async function keepAsNew(kit: Hands, project: Project, name: string): Promise<string> {
  const at = kit.now();
  const own: Project = { ...project, id: kit.newId(), name: name.slice(0, 120), createdAt: at };
  await kit.store.saveProject({ project: own, steps: [], done: 0, savedAt: at, sent: undefined });
  return own.id;
}

/** The same pages with their places bare. */
export const keepAsBeginning = (kit: Hands, project: Project, name: string): Promise<string> =>
  keepAsNew(kit, emptied(project), name);

/** Pages of another work behind these, solved again for this one's size. Says how many came. */
export function combine(kit: Hands, session: ProjectSession, other: Project): number {
  const { project } = session.state.getState();
  const pages = other.pages.map((p): Page => {
    const copy = copyPage(p, kit.newId);
    const to = formatOf({ ...project, pages: [copy] }, copy);
    return refitted(copy, formatOf(other, p), to, aspects(kit)).page;
  });
  const at = project.pages.length;
  const done = session.commit({ code: "combined", count: pages.length }, [
    { type: "insertPages", pages: pages.map((page, i) => ({ page, at: at + i })) },
  ]);
  return done.ok ? pages.length : 0;
}

/** Every page solved again for another lab or size, as one step; what could not be kept comes back. */
export function changeSize(
  kit: Hands,
  session: ProjectSession,
  to: { readonly lab: LabCard | null; readonly format: PageFormat },
): readonly Loss[] {
  const { project } = session.state.getState();
  const made = inAnotherSize(project, to, { aspectOf: aspects(kit), newId: kit.newId });
  const { lab, format, pages, book, style } = made.project;
  session.commit({ code: "changedSize", count: pages.length }, [
    { type: "setProject", lab, format, pages, book, style },
  ]);
  return made.losses;
}

export function keepSnapshot(kit: Hands, session: ProjectSession, name: string): Promise<void> {
  const { project } = session.state.getState();
  return kit.store.keepSnapshot({ id: kit.newId(), projectId: project.id, name, at: kit.now(), project });
}

/** The work as it was, as one step that can be undone. */
export function goBackTo(session: ProjectSession, { project }: Snapshot): void {
  const { name, unit, style, book, cover, palette, words, lab, format, pages, sheets, pockets, notes, accepted } =
    project;
  const change: Change = {
    type: "setProject",
    name,
    unit,
    style,
    book,
    cover,
    palette,
    words,
    lab,
    format,
    pages,
    sheets,
    pockets,
    notes,
    accepted,
  };
  session.commit({ code: "wentBack", count: 1 }, [change]);
}
