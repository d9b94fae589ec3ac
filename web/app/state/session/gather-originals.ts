import { captionedOn, type PrintFile, photosOfFile } from "#core/document";
import type { Photo } from "#core/photo";
import type { Store } from "../../../storage/store.ts";
import type { PrintOrder } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";

/** Every photo of a file with its original; a missing one stops the file, since it would leave a hole in print. */
export async function gatherOriginals(
  file: PrintFile,
  byId: ReadonlyMap<string, Photo>,
  store: Pick<Store, "original">,
): Promise<PrintOrder["photos"]> {
  const ids = photosOfFile(file);
  const found: { photo: Photo; original: Blob }[] = [];
  for (const id of ids) {
    const photo = byId.get(id);
    const original = await store.original(id);
    if (!photo || !original) throw new WorkerError("photoUnreadable", photo?.name ?? id);
    found.push({ photo, original });
  }
  // Words follow a photo that may lie elsewhere by now; only what is known of it is needed, and nothing stops without it.
  for (const id of new Set(file.parts.flatMap((p) => captionedOn(p.page.page)))) {
    const photo = byId.get(id);
    if (photo && !ids.includes(id)) found.push({ photo, original: new Blob() });
  }
  return found;
}
