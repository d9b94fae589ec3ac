import { arrangementOf, holdsAnything, holdsPockets } from "#core/document";
import type { Photo } from "#core/photo";
import type { Services } from "../../services.ts";
import type { ProjectState } from "../session/project-session.ts";
import { openPage, type ProjectSession } from "../session/project-session.ts";
import { arrangePhotos } from "./arrange-photos.ts";
import { onFreshPage } from "./page-list.ts";
import { addToPage } from "./place-chosen.ts";

/** Ways in which photos that were chosen elsewhere come onto the pages of a project. */
export const puttings = ["here", "new", "add", "instead"] as const;
export type Putting = (typeof puttings)[number];

/** Those that make sense for the open page, the likeliest first: on a page that holds something, a new one. */
export function puttingsFor(s: ProjectState): readonly Putting[] {
  const page = openPage(s);
  if (holdsPockets(page) || !holdsAnything(page, s.project.style)) return ["here"];
  return arrangementOf(page) ? ["new", "add", "instead"] : ["new", "here"];
}

/** False where a person is asked first. */
export function putPhotos(
  services: Pick<Services, "library" | "newId" | "viewState">,
  session: ProjectSession,
  photos: readonly Photo[],
  how: Putting,
): boolean {
  if (how === "add") addToPage(services, session, photos);
  else {
    if (how === "new" && !onFreshPage(services, session)) return false;
    arrangePhotos(services, session, photos);
  }
  return true;
}
