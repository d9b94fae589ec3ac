import { lastNumber, printFiles } from "#core/document";
import { fileNames } from "#core/lab";
import type { ProjectRule } from "../rule.ts";

/** What every file system takes. */
const mostNameEver = 120;
const endings = { jpeg: "jpg", png: "png", tiff: "tif" } as const;

/** A file name that the lab would refuse. What can be cut of a name has been cut. */
export const longestName: ProjectRule<{ readonly code: "nameTooLong"; readonly name: string; readonly most: number }> =
  {
    looksAt: "project",
    find: (project, { photos }) => {
      const takenAt = new Map(photos.map((p) => [p.id, p.takenAt]));
      const most = project.lab?.file.mostNameLength ?? mostNameEver;
      const names = fileNames(
        project.lab?.file.name ?? "{project}-{size}-{page}",
        printFiles(project, (id) => takenAt.get(id)).map((file) => ({
          project: project.name,
          size: file.format.name,
          page: file.number,
          pages: lastNumber(project),
          pocket: file.pocket,
        })),
        endings[project.lab?.file.kind ?? "jpeg"],
        most,
      );
      const name = names.find((n) => n.length > most);
      return name === undefined ? [] : [{ code: "nameTooLong", severity: "wrong", name, most, spots: [], fixes: [] }];
    },
    fixes: {},
  };
