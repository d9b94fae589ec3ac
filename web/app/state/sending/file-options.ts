import type { PrintFile, PrintFileOptions, Project } from "#core/document";
import { lastNumber } from "#core/document";
import { fileNames } from "#core/lab";
import { inLatin } from "../../../text/in-latin.ts";
import type { PictureOptions } from "../../../workers/jobs.ts";
import { isPictureFormat, type PictureFormat, pictureFormats } from "../../../workers/picture-formats.ts";

/** Files that are no pictures. */
const otherEndings = { pdf: "pdf", svg: "svg", ora: "ora" } as const;
export type FileKind = PictureFormat | keyof typeof otherEndings;
export const fileKinds = [...Object.keys(pictureFormats), ...Object.keys(otherEndings)] as readonly FileKind[];

export const endingOf = (kind: FileKind): string =>
  isPictureFormat(kind) ? pictureFormats[kind].ending : otherEndings[kind];

/** What a person asks of the files, from what the lab wants on. */
export interface FileOptions extends Required<Omit<PrintFileOptions, "longSidePx">> {
  /** For a screen. */
  readonly longSidePx: number | undefined;
  readonly kind: FileKind;
  readonly picture: Omit<PictureOptions, "kind">;
  /** Of a PDF. */
  readonly marks: boolean;
  readonly small: boolean;
  readonly lossless: boolean;
  /** Of a file in layers: whether captions may go along as their names. */
  readonly named: boolean;
}

const ownQuality = 0.95;

/** As the lab wants it; the best that every lab takes where there is none. */
export function labFileOptions(project: Project): FileOptions {
  const file = project.lab?.file;
  return {
    kind: file?.kind ?? "jpeg",
    holds: "lab",
    withoutBleed: false,
    marks: false,
    small: false,
    lossless: false,
    longSidePx: undefined,
    named: false,
    picture: {
      colour: file?.colour ?? "srgb",
      quality: file?.quality ?? ownQuality,
      chroma: "444",
      progressive: false,
      packing: file?.packing ?? "none",
      bits: file?.bits ?? 8,
      sharpenFor: undefined,
    },
  };
}

const ownNamePattern = "{project}-{page}";

/** A name for each of the files that are made together, in their order. */
export const sendFileNames = (project: Project, files: readonly PrintFile[], kind: FileKind): readonly string[] =>
  fileNames(
    project.lab?.file.name ?? ownNamePattern,
    files.map((file) => ({
      project: inLatin(project.name),
      size: inLatin(file.format.name),
      page: file.number,
      pages: lastNumber(project),
      pocket: file.pocket,
    })),
    endingOf(kind),
    project.lab?.file.mostNameLength,
  );
