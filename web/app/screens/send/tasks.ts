import type { PrintFile, Project } from "#core/document";
import type { Photo } from "#core/photo";
import { formatSize } from "#core/units";
import type { Store } from "../../../storage/store.ts";
import { fileTitle } from "../../../text/in-latin.ts";
import { send as words } from "../../../text/index.ts";
import type { PictureFormat } from "../../../workers/picture-formats.ts";
import type { Services } from "../../services.ts";
import { type FileOptions, sendFileNames } from "../../state/sending/file-options.ts";
import type { SendTask } from "../../state/sending/sender.ts";
import { gatherOriginals } from "../../state/session/gather-originals.ts";

interface Deps {
  readonly store: Pick<Store, "original">;
  readonly printing: Services["printing"];
  readonly byId: ReadonlyMap<string, Photo>;
  readonly fonts: Pick<Services["fonts"], "own">;
}

/** What is to be made: a picture file of each, or all of them in one PDF, the cover in one of its own. */
export function tasksFor(
  files: readonly PrintFile[],
  project: Project,
  fileOptions: FileOptions,
  deps: Deps,
): readonly SendTask[] {
  const { kind } = fileOptions;
  if (kind === "svg" || kind === "ora") return pageTasks(files, project, kind, fileOptions.named, deps);
  if (kind !== "pdf") return pictureTasks(files, project, kind, fileOptions.picture, deps);
  const covers = fileOptions.small ? [] : files.filter((f) => f.number === "cover");
  const pages = files.filter((f) => !covers.includes(f));
  return [
    ...(covers.length > 0 ? [pdfTask(pdfName(project, true), covers, project, fileOptions, deps)] : []),
    ...(pages.length > 0 ? [pdfTask(pdfName(project, false), pages, project, fileOptions, deps)] : []),
  ];
}

const pdfName = ({ name }: Project, cover: boolean): string => `${fileTitle(name)}${cover ? "-cover" : ""}.pdf`;

/** What the file is called that a page or card goes into. */
export function nameOfFile(
  project: Project,
  files: readonly PrintFile[],
  { kind, small }: FileOptions,
  at: number,
): string {
  if (kind === "pdf") return pdfName(project, !small && files[at]?.number === "cover");
  return sendFileNames(project, files, kind)[at] ?? "";
}

/** A page each, in a form to go on with elsewhere. */
const pageTasks = (
  files: readonly PrintFile[],
  project: Project,
  kind: "svg" | "ora",
  named: boolean,
  { store, printing, byId, fonts }: Deps,
): readonly SendTask[] => {
  const names = sendFileNames(project, files, kind);
  return files.map((file, i) => ({
    key: keyOf(file),
    name: names[i]!,
    make: async ({ keepAs, signal, onProgress }) => {
      const photos = await gatherOriginals(file, byId, store);
      const order = { title: project.name, file, photos, ownFonts: fonts.own(), keepAs, named };
      const made = await printing.run(kind === "svg" ? "printSvg" : "printOra", order, { signal, onProgress });
      return made.file;
    },
  }));
};

const pdfTask = (
  name: string,
  files: readonly PrintFile[],
  project: Project,
  { marks, small, lossless }: FileOptions,
  { store, printing, byId, fonts }: Deps,
): SendTask => ({
  key: name,
  name,
  make: async ({ keepAs, signal, onProgress }) => {
    const each = await Promise.all(files.map((file) => gatherOriginals(file, byId, store)));
    const photos = [...new Map(each.flat().map((p) => [p.photo.id, p])).values()];
    const made = await printing.run(
      "printPdf",
      {
        title: project.name,
        files,
        photos,
        ownFonts: fonts.own(),
        marks,
        slugs: marks ? files.map((file) => slugOf(project, file)) : [],
        small,
        lossless,
        flattened: !small && (project.lab?.file.flattened ?? false),
        blackAlone: !small && project.lab?.file.press !== undefined,
        keepAs,
      },
      { signal, onProgress },
    );
    return made.file;
  },
});

const pictureTasks = (
  files: readonly PrintFile[],
  project: Project,
  kind: PictureFormat,
  picture: FileOptions["picture"],
  { store, printing, byId, fonts }: Deps,
): readonly SendTask[] => {
  const names = sendFileNames(project, files, kind);
  return files.map((file, i) => ({
    key: keyOf(file),
    name: names[i]!,
    make: async ({ keepAs, signal, onProgress }) => {
      const photos = await gatherOriginals(file, byId, store);
      const made = await printing.run(
        "printPicture",
        { file, options: { kind, ...picture }, photos, ownFonts: fonts.own(), keepAs },
        { signal, onProgress },
      );
      return made.file;
    },
  }));
};

const slugOf = (project: Project, { number, format }: PrintFile): string => {
  const size = formatSize(format.widthMm, format.heightMm, project.unit, format.ppi);
  return words.slug(project.name, number, size);
};

/** Which part of the work it is, whatever its file is called. */
const keyOf = ({ number, pocket }: PrintFile): string => `part-${number}${pocket === undefined ? "" : `-${pocket}`}`;

export const zipNameOf = (project: Project): string => `${fileTitle(project.name)}.zip`;
