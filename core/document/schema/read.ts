import type { Project } from "../project/project.ts";
import { fromFirstForm } from "./first-form/migrate.ts";
import { firstPageSchema, firstProjectSchema } from "./first-form/schema.ts";
import { projectSchema } from "./project.ts";
import { pageSchema } from "./whole-page.ts";

/** The form that projects are written in. */
export const projectForm = 2;

export interface ReadProject {
  readonly project: Project;
  /** Whether it was written in an earlier form. */
  readonly migrated: boolean;
}

/** The form that something says it was written in. */
export const formOf = (data: unknown): unknown =>
  typeof data === "object" && data !== null && "schema" in data ? data.schema : undefined;

/** A project in whatever form it was written; nothing where it is none. */
export function readProject(data: unknown): ReadProject | undefined {
  if (formOf(data) !== 1) {
    const read = projectSchema.safeParse(data);
    return read.success ? { project: read.data, migrated: false } : undefined;
  }
  const first = firstProjectSchema.safeParse(data);
  return first.success ? { project: fromFirstForm(first.data), migrated: true } : undefined;
}

/** Whether something is a page as a project of that form has them. */
export const readPage = (data: unknown, form: unknown): boolean =>
  (form === 1 ? firstPageSchema : pageSchema).safeParse(data).success;
