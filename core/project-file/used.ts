import {
  allTiles,
  backdropWithPhotoIds,
  captionedOn,
  everyPage,
  type Project,
  pageWithPhotoIds,
  photosOf,
} from "#core/document";
import type { Want } from "#core/sheets";

/** Every photo that a project shows or prints, cover and backgrounds included. */
export const photoIdsOf = (project: Project): readonly string[] => [
  ...new Set(
    everyPage(project)
      .flatMap((p) => photosOf(p, project.style))
      .concat(project.pages.flatMap(captionedOn))
      .concat((project.sheets?.wants ?? []).flatMap((w) => (w.source.from === "photo" ? [w.source.photoId] : []))),
  ),
];

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
