import { everyPage, type PrintFile, type Project, photosOf } from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import { contactSheets, type OfficePaper, paperProof } from "#core/sheet-files";
import { onPaper as words } from "../../../text/index.ts";
import type { Services } from "../../services.ts";
import { gatherOriginals } from "../session/gather-originals.ts";
import { readingViews } from "../session/reading-views.ts";

export interface PaperOptions {
  readonly what: "pages" | "photos";
  readonly which: "project" | "all";
  readonly paper: OfficePaper;
  /** Openings on a sheet, or photos side by side. */
  readonly count: number;
}

interface Doing {
  readonly signal: AbortSignal;
  readonly onProgress: (share: number) => void;
}

type Deps = Pick<Services, "library" | "store" | "fonts" | "printing">;

/** The sheets of office paper that are asked for; none where there is nothing to show. */
export function paperFiles(
  { library }: Pick<Deps, "library">,
  project: Project,
  options: PaperOptions,
): readonly PrintFile[] {
  const { byId, photos } = library.state.getState();
  const on = { project, paper: options.paper, title: project.name, numberOf: words.number };
  if (options.what === "photos") {
    const own = new Set(everyPage(project).flatMap((p) => photosOf(p, project.style)));
    const shown = photos.filter(
      (p) => p.section === "photos" && !p.hidden && (options.which === "all" || own.has(p.id)),
    );
    return contactSheets(shown.map(contactPhoto), options.count, on);
  }
  const views = readingViews(project, (id) => byId.get(id)?.takenAt);
  const openings = views.map((v) => ({
    label: words.opening(v.from, v.to),
    leaves: [v.left, v.right].filter((l) => l !== undefined),
  }));
  return paperProof(openings, options.count, on);
}

const contactPhoto = (photo: Photo, i: number) => ({
  id: photo.id,
  aspect: aspectOf(photo),
  label: words.photo(i + 1, photo.name, photo.stars),
});

export async function paperPdf(deps: Deps, files: readonly PrintFile[], title: string, doing: Doing): Promise<Blob> {
  const { byId } = deps.library.state.getState();
  const photos = new Map<string, { readonly photo: Photo; readonly original: Blob }>();
  for (const file of files)
    for (const found of await gatherOriginals(file, byId, deps.store))
      if (!photos.has(found.photo.id) || found.original.size > 0) photos.set(found.photo.id, found);
  doing.signal.throwIfAborted();
  const order = {
    title,
    files,
    photos: [...photos.values()],
    ownFonts: deps.fonts.own(),
    marks: false,
    slugs: [],
    small: true,
    lossless: false,
    flattened: false,
    blackAlone: false,
  };
  const made = await deps.printing.run("printPdf", order, { signal: doing.signal, onProgress: doing.onProgress });
  return made.file;
}
