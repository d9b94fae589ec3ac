import type { Page } from "../page/page.ts";
import type { Project } from "../schema/project.ts";

export type { Accepted, Book, Note, PocketsOf, Project, Spine } from "../schema/project.ts";

/** All pages, the cover first. */
export const everyPage = ({ cover, pages }: Project): readonly Page[] => (cover ? [cover, ...pages] : pages);

export const findPage = (project: Project, pageId: string): Page | undefined =>
  project.pages.find((p) => p.id === pageId) ?? (project.cover?.id === pageId ? project.cover : undefined);

/** Same project back when that page is already in it. */
export function withPage(project: Project, page: Page): Project {
  if (project.cover?.id === page.id) return project.cover === page ? project : { ...project, cover: page };
  const i = project.pages.findIndex((p) => p.id === page.id);
  return i < 0 || project.pages[i] === page ? project : { ...project, pages: project.pages.with(i, page) };
}
