import { printFiles } from "#core/document";
import { printPixels } from "#core/lab";
import type { ProjectRule } from "../rule.ts";

/** Bytes a pixel at full quality, as photos of leaves and water take them. */
const bytesAPixel = 0.55;

/** The first file that is likely to be larger than the lab takes. */
export const largestFile: ProjectRule<{
  readonly code: "fileTooLarge";
  readonly estimatedMb: number;
  readonly mostMb: number;
}> = {
  looksAt: "project",
  find: (project, { photos }) => {
    const mostMb = project.lab?.file.mostMb;
    if (mostMb === undefined) return [];
    const takenAt = new Map(photos.map((p) => [p.id, p.takenAt]));
    for (const { format, pageIds } of printFiles(project, (id) => takenAt.get(id))) {
      const px = printPixels(format);
      const estimatedMb = (px.widthPx * px.heightPx * bytesAPixel) / 1e6;
      if (estimatedMb <= mostMb) continue;
      const spots = pageIds.map((pageId) => ({ pageId, tileIds: [] }));
      return [{ code: "fileTooLarge", severity: "doubt", estimatedMb, mostMb, spots, fixes: [] }];
    }
    return [];
  },
  fixes: {},
};
