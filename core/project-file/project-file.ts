import { z } from "zod";
import type { Project } from "#core/document";
import { firstProjectSchema, fromFirstForm, projectSchema } from "#core/document/schema";
import { noteEventsSchema } from "#core/notes/schema";
import type { Photo } from "#core/photo";
import { namedSpanSchema, photoSchema } from "#core/photo/schema";
import { ok, type Result, refused } from "#core/result";
import { ownFontSchema } from "#core/words/schema";

/** The version that is written. A number is added with a step in `migrations` that leads to it. */
const projectFileVersion = 2;

const shape = z
  .object({
    format: z.literal("tessip-project"),
    version: z.literal(projectFileVersion),
    project: projectSchema,
    /** Of every photo on a page: what is known of it. The original is the file of that name under `originals/`. */
    photos: z.array(photoSchema).max(20_000).readonly(),
    events: z.array(namedSpanSchema).max(2000).readonly(),
    /** A person's own fonts that its words are set in; their files lie under `fonts/own`, where their makers allow it. */
    fonts: z.array(ownFontSchema).max(200).readonly().optional(),
    /** What was said of it, and the id by which all copies of this work know each other. */
    notes: z
      .object({ workId: z.string().min(1).max(64), events: noteEventsSchema })
      .readonly()
      .optional(),
  })
  .readonly();
export type ProjectFile = z.infer<typeof shape>;

/** What `docs/project.schema.json` says (JSON Schema, draft 2020-12). */
export const projectJsonSchema = (): object => z.toJSONSchema(shape, { io: "input", unrepresentable: "any" });

export type ProjectFileTrouble = "notAProjectFile" | "newerVersion" | "damagedProject";

/** Entry n brings a file of version n + 1 to version n + 2. Append only. */
const migrations: readonly ((file: Record<string, unknown>) => Record<string, unknown>)[] = [
  (file) => {
    const first = firstProjectSchema.safeParse(file.project);
    // What is no whole project is left as it is, for the check that follows to say where it is not.
    return { ...file, version: 2, ...(first.success ? { project: fromFirstForm(first.data) } : {}) };
  },
];

export function readProjectFile(text: string): Result<ProjectFile, ProjectFileTrouble> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refused("notAProjectFile");
  }
  const head = z.object({ format: z.literal("tessip-project"), version: z.number().int().min(1) }).safeParse(data);
  if (!head.success) return refused("notAProjectFile");
  if (head.data.version > projectFileVersion) return refused("newerVersion", { version: head.data.version });
  const newest = migrations
    .slice(head.data.version - 1)
    .reduce((file, migrate) => migrate(file), data as Record<string, unknown>);
  const read = shape.safeParse(newest);
  if (read.success) return ok(read.data);
  const issue = read.error.issues[0];
  return refused("damagedProject", { where: issue?.path.join(".") ?? "" });
}

export const projectFileOf = (
  project: Project,
  photos: readonly Photo[],
  events: ProjectFile["events"],
  { fonts = [], notes }: Pick<ProjectFile, "fonts" | "notes"> = {},
): ProjectFile => ({
  format: "tessip-project",
  version: projectFileVersion,
  project,
  photos,
  events,
  ...(fonts.length > 0 ? { fonts } : {}),
  ...(notes ? { notes } : {}),
});

/** A photo's original in the archive; the hash names it, so that no path of anybody's is carried along. */
export const originalPath = (photo: Pick<Photo, "hash">): string => `originals/${photo.hash}`;

/** An own font's file in the archive. */
export const ownFontPath = (hash: string): string => `fonts/own/${hash}.ttf`;
