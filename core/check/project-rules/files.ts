import { lastNumber, printFiles } from "#core/document";
import { fileNames, printPixels } from "#core/lab";
import type { ProjectRule } from "../facts.ts";
import type { Found } from "../finding.ts";

/** Bytes a pixel at full quality, as photos of leaves and water take them. */
const bytesAPixel = 0.55;
/** What every file system takes. */
const mostNameEver = 120;
const endings = { jpeg: "jpg", png: "png", tiff: "tif" } as const;

/** Names that the lab would refuse, and files that are likely to be larger than it takes. */
export const files: ProjectRule = (project, { photos }) => {
  const takenAt = new Map(photos.map((p) => [p.id, p.takenAt]));
  const all = printFiles(project, (id) => takenAt.get(id));
  const most = project.lab?.file.mostNameLength ?? mostNameEver;
  const names = fileNames(
    project.lab?.file.name ?? "{project}-{size}-{page}",
    all.map((file) => ({
      project: project.name,
      size: file.format.name,
      page: file.number,
      pages: lastNumber(project),
      pocket: file.pocket,
    })),
    endings[project.lab?.file.kind ?? "jpeg"],
    most,
  );
  const found: Found[] = [];
  // What can be cut of a name has been cut.
  const long = names.find((name) => name.length > most);
  if (long) found.push({ code: "nameTooLong", severity: "wrong", name: long, most, spots: [], fixes: [] });
  const mostMb = project.lab?.file.mostMb;
  if (mostMb !== undefined) {
    const large = all
      .map((file) => {
        const px = printPixels(file.format);
        return { file, mb: (px.widthPx * px.heightPx * bytesAPixel) / 1e6 };
      })
      .filter(({ mb }) => mb > mostMb);
    for (const { file, mb } of large.slice(0, 1))
      found.push({
        code: "fileTooLarge",
        severity: "doubt",
        estimatedMb: mb,
        mostMb,
        spots: file.pageIds.map((pageId) => ({ pageId, tileIds: [] })),
        fixes: [],
      });
  }
  return found;
};
