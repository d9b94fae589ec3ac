import { type Page, type Project, photoIdOf } from "#core/document";
import { fileName } from "#core/lab";
import type { Photo } from "#core/photo";
import type { Store } from "../../../storage/store.ts";
import type { PrintOrder } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";

const ownNamePattern = "{project}-{page}";

export const sendFileName = (project: Project, page: Page): string =>
  fileName(project.lab?.file.name ?? ownNamePattern, {
    project: project.name,
    size: project.format.name,
    page: project.pages.indexOf(page) + 1,
    pages: project.pages.length,
  });

/** Every photo on the page with its original; a missing one stops the file, since it would leave a hole in print. */
export async function gatherOriginals(
  page: Page,
  byId: ReadonlyMap<string, Photo>,
  store: Pick<Store, "original">,
): Promise<PrintOrder["photos"]> {
  const ids = new Set(page.tiles.flatMap((t) => photoIdOf(t) ?? []));
  const found: { photo: Photo; original: Blob }[] = [];
  for (const id of ids) {
    const photo = byId.get(id);
    const original = await store.original(id);
    if (!photo || !original) throw new WorkerError("photoUnreadable", photo?.name ?? id);
    found.push({ photo, original });
  }
  return found;
}
