import { z } from "zod";
import { labCardSchema, pageFormatSchema } from "#core/lab";
import { units } from "#core/units";
import { lookSchema, type Page, pageSchema } from "./page.ts";

export const projectSchema = z
  .object({
    schema: z.literal(1),
    id: z.string().min(1).max(64),
    name: z.string().max(120),
    kind: z.literal("collage"),
    /** What this person reads and types lengths in. */
    unit: z.enum(units),
    /** Copied in, so that a lab's later change cannot alter a finished page. Missing for a size of one's own. */
    lab: labCardSchema.nullable(),
    format: pageFormatSchema,
    /** What new pages look like. */
    style: lookSchema,
    pages: z.array(pageSchema).min(1).max(1000).readonly(),
    createdAt: z.string(),
  })
  .readonly();
export type Project = z.infer<typeof projectSchema>;

export const findPage = (project: Project, pageId: string): Page | undefined =>
  project.pages.find((p) => p.id === pageId);

/** Same project back when that page is already in it. */
export function withPage(project: Project, page: Page): Project {
  const i = project.pages.findIndex((p) => p.id === page.id);
  return i < 0 || project.pages[i] === page ? project : { ...project, pages: project.pages.with(i, page) };
}
