import { lastNumber, type PrintFile, type Project, printFiles } from "#core/document";
import { fileName, printPixels } from "#core/lab";
import type { WorkRule } from "../facts.ts";
import type { Found } from "../finding.ts";

/** Bytes a pixel at full quality, as photos of leaves and water take them. */
const bytesAPixel = 0.55;
/** What every file system takes. */
const mostNameEver = 120;

export const nameOf = (project: Project, file: PrintFile): string =>
  fileName(project.lab?.file.name ?? "{project}-{size}-{page}", {
    project: project.name,
    size: file.format.name,
    page: file.number,
    pages: lastNumber(project),
    pocket: file.pocket,
  });

/** Names that the lab would refuse, and files that are likely to be larger than it takes. */
export const files: WorkRule = (project, { photos }) => {
  const takenAt = new Map(photos.map((p) => [p.id, p.takenAt]));
  const all = printFiles(project, (id) => takenAt.get(id)).map((file) => ({ file, name: nameOf(project, file) }));
  const byName = new Map<string, PrintFile[]>();
  for (const { file, name } of all) byName.set(name, [...(byName.get(name) ?? []), file]);
  const most = project.lab?.file.mostNameLength ?? mostNameEver;
  const found: Found[] = [];
  for (const [name, those] of byName) {
    if (those.length > 1)
      found.push({ code: "nameTwice", weight: "wrong", name, files: those.length, spots: [], mends: [] });
  }
  const long = all.find(({ name }) => name.length > most);
  if (long) found.push({ code: "nameTooLong", weight: "wrong", name: long.name, most, spots: [], mends: [] });
  const mostMb = project.lab?.file.mostMb;
  if (mostMb !== undefined) {
    const large = all
      .map(({ file }) => {
        const px = printPixels(file.format);
        return { file, mb: (px.widthPx * px.heightPx * bytesAPixel) / 1e6 };
      })
      .filter(({ mb }) => mb > mostMb);
    for (const { file, mb } of large.slice(0, 1))
      found.push({
        code: "fileTooLarge",
        weight: "doubt",
        estimatedMb: mb,
        mostMb,
        spots: file.pageIds.map((pageId) => ({ pageId, tileIds: [] })),
        mends: [],
      });
  }
  return found;
};
