import { z } from "zod";
import {
  allTiles,
  backdropWithPhotoIds,
  captionedOn,
  emptiedFilling,
  everyPage,
  freeTiles,
  mapTiles,
  type Page,
  type Project,
  pageWithPhotoIds,
  photosOf,
  withoutPieces,
} from "#core/document";
import { firstProjectSchema, fromFirstForm, projectSchema } from "#core/document/schema";
import type { Photo } from "#core/photo";
import { namedSpanSchema, photoSchema } from "#core/photo/schema";
import { ok, type Result, refused } from "#core/result";
import type { Want } from "#core/sheets";
import type { OwnFont } from "#core/words";
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

/** Every photo that a project shows or prints, cover and backgrounds included. */
export const photoIdsOf = (project: Project): readonly string[] => [
  ...new Set(
    everyPage(project)
      .flatMap((p) => photosOf(p, project.style))
      .concat(project.pages.flatMap(captionedOn))
      .concat((project.sheets?.wants ?? []).flatMap((w) => (w.source.from === "photo" ? [w.source.photoId] : []))),
  ),
];

export const projectFileOf = (
  project: Project,
  photos: readonly Photo[],
  events: ProjectFile["events"],
  fonts: readonly OwnFont[] = [],
): ProjectFile => ({
  format: "tessip-project",
  version: projectFileVersion,
  project,
  photos,
  events,
  ...(fonts.length > 0 ? { fonts } : {}),
});

/** A photo's original in the archive; the hash names it, so that no path of anybody's is carried along. */
export const originalPath = (photo: Pick<Photo, "hash">): string => `originals/${photo.hash}`;

/** An own font's file in the archive. */
export const ownFontPath = (hash: string): string => `fonts/own/${hash}.ttf`;

/** Every font that words of a project are set in, or would be. */
export const fontsUsedBy = (project: Project): readonly string[] => [
  ...new Set([
    ...everyPage(project).flatMap((p) =>
      allTiles(p).flatMap(({ filling }) =>
        filling.kind === "words" ? [filling.style.font, ...(filling.spans ?? []).flatMap((s) => s.font ?? [])] : [],
      ),
    ),
    ...Object.values(project.words).map((w) => w.font),
    ...project.styles.flatMap((s) => Object.values(s.words).map((w) => w.font)),
    ...(project.spine ? [project.spine.style.font] : []),
    ...(project.book ? [project.book.numbers.style.font] : []),
  ]),
];

/** Every mention of a photo under the id that it has in this library. */
export function withPhotoIds(project: Project, idOf: (id: string) => string): Project {
  const want = (w: Want): Want =>
    w.source.from === "photo" ? { ...w, source: { ...w.source, photoId: idOf(w.source.photoId) } } : w;
  return {
    ...project,
    style: { ...project.style, ...backdropWithPhotoIds(project.style, idOf) },
    pages: project.pages.map((p) => pageWithPhotoIds(p, idOf)),
    cover: project.cover && pageWithPhotoIds(project.cover, idOf),
    sheets: project.sheets && { ...project.sheets, wants: project.sheets.wants.map(want) },
  };
}

/** Last year's work to begin this year's from: its pages with their places bare, and no words that spoke of its photos. */
export function emptied(project: Project): Project {
  const page = (p: Page): Page => {
    const bare = mapTiles(p, (t) => {
      const filling = emptiedFilling(t.filling);
      if (filling === t.filling) return t;
      const { lock: _, ...free } = t;
      return { ...free, filling } as typeof t;
    });
    const gone = freeTiles(bare).filter((t) => t.filling.kind === "empty");
    const { backdrop: _, ...rest } = withoutPieces(
      bare,
      gone.map((t) => t.id),
    );
    return { ...rest, paced: false };
  };
  return {
    ...project,
    style: { ...project.style, backdrop: null },
    pages: project.pages.map(page),
    cover: project.cover && page(project.cover),
    sheets: null,
  };
}
