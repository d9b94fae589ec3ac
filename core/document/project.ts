import type { Page } from "./page.ts";
import type { Project } from "./schema/project.ts";

export type { Accepted, Book, Note, PocketsOf, Project, Spine } from "./schema/project.ts";

export type Cover = NonNullable<Project["cover"]>;

export const findPage = (project: Project, pageId: string): Page | undefined =>
  project.pages.find((p) => p.id === pageId) ?? (project.cover?.page.id === pageId ? project.cover.page : undefined);

/** Same project back when that page is already in it. */
export function withPage(project: Project, page: Page): Project {
  if (project.cover?.page.id === page.id)
    return project.cover.page === page ? project : { ...project, cover: { ...project.cover, page } };
  const i = project.pages.findIndex((p) => p.id === page.id);
  return i < 0 || project.pages[i] === page ? project : { ...project, pages: project.pages.with(i, page) };
}
