import { isWholePhoto, type NamedSpan, type Photo } from "#core/photo";
import { namedSpanSchema, photoSchema } from "#core/photo/schema";
import type { Loose } from "../keeper-report.ts";
import { drop, put } from "../save-changes.ts";
import { type NewPhoto, type PhotoStore, type PreviewSize, StoreError } from "../store.ts";
import type { KeptStoreDeps } from "./deps.ts";

const preview = (photoId: string, size: PreviewSize, value?: Blob): Loose => ({
  table: "previews",
  key: `${photoId}/${size}`,
  value,
});

/** Photos with their originals, their previews and their named spans of time. */
export function keptPhotos(deps: KeptStoreDeps): PhotoStore {
  /** Types and hashes of photos, so that an original is found by a photo's id. */
  const typesById = new Map<string, Pick<Photo, "id" | "hash" | "type">>();

  /** A photo that was removed comes back as it was when its file is brought in again. */
  const backAgain = async (hash: string) => {
    const tables = await deps.tables();
    const [known] = await tables.by("photos", "byHash", hash);
    const photo = photoSchema.parse(known);
    if (!photo.removed) return { added: false, photo };
    const { removedAt: _, ...kept } = photo;
    const back: Photo = { ...kept, removed: false };
    await deps.writer.commit([put("photos", back)]);
    return { added: true, photo: back };
  };

  const photoOf = async (photoId: string) => {
    const photo = photoSchema.safeParse(await (await deps.tables()).get("photos", photoId)).data;
    if (photo) typesById.set(photoId, photo);
    return photo;
  };

  return {
    async photos() {
      const photos: Photo[] = [];
      let damaged = 0;
      for (const record of await (await deps.tables()).all("photos")) {
        const photo = isWholePhoto(record) ? record : photoSchema.safeParse(record).data;
        if (photo) photos.push(photo);
        else damaged += 1;
      }
      for (const p of photos) typesById.set(p.id, p);
      return { photos, damaged };
    },

    async addPhoto({ photo, original, small }: NewPhoto) {
      await deps.originals.keep(photo, original);
      try {
        await deps.writer.commit(
          [put("photos", photo)],
          [{ is: "hashUnknown", hash: photo.hash }],
          [preview(photo.id, "small", small)],
        );
      } catch (e) {
        if (e instanceof StoreError && e.code === "alreadyHere") return await backAgain(photo.hash);
        throw e;
      }
      typesById.set(photo.id, photo);
      return { added: true, photo };
    },

    async putPhotos(photos: readonly Photo[]) {
      await deps.writer.commit(photos.map((p) => put("photos", p)));
    },

    async replacePhoto({ photo, original, small }: NewPhoto) {
      await deps.originals.keep(photo, original);
      const previews = [preview(photo.id, "small", small), preview(photo.id, "large")];
      await deps.writer.commit([put("photos", photo)], [], previews);
      typesById.set(photo.id, photo);
    },

    async forgetPhotos(photoIds: readonly string[]) {
      const tables = await deps.tables();
      const gone = new Set(photoIds);
      const all = (await tables.all("photos")) as readonly Photo[];
      const kept = new Set(all.filter((p) => !gone.has(p.id)).map((p) => p.hash));
      await deps.writer.commit(photoIds.map((id) => drop("photos", id)));
      // The record first: a file without one waits and is swept, a record without a file would be a hole.
      await deps.originals.forget(all.filter((p) => gone.has(p.id) && !kept.has(p.hash)));
      await deps.writer.keepLoose(photoIds.flatMap((id) => [preview(id, "small"), preview(id, "large")]));
    },

    async spans() {
      return (await (await deps.tables()).all("spans")).flatMap((s) => namedSpanSchema.safeParse(s).data ?? []);
    },

    async keepSpans(spans: readonly NamedSpan[]) {
      const before = await (await deps.tables()).keys("spans");
      const now = new Set(spans.map((s) => s.id));
      await deps.writer.commit([
        ...before.filter((id) => !now.has(String(id))).map((id) => drop("spans", id)),
        ...spans.map((s) => put("spans", s)),
      ]);
    },

    async waiting() {
      return ((await (await deps.tables()).get("waiting", "incoming")) ?? []) as readonly string[];
    },

    keepWaiting(names: readonly string[]) {
      return deps.writer.keepLoose([{ table: "waiting", key: "incoming", value: names }]);
    },

    async original(photoId: string) {
      const photo = typesById.get(photoId) ?? (await photoOf(photoId));
      return photo && (await deps.originals.get(photo));
    },

    async originals() {
      const all = (await (await deps.tables()).all("photos")) as readonly Photo[];
      return deps.originals.here(all);
    },

    async preview(photoId: string, size: PreviewSize) {
      return (await (await deps.tables()).get("previews", `${photoId}/${size}`)) as Blob | undefined;
    },

    async previews(wanted: readonly { readonly photoId: string; readonly size: PreviewSize }[]) {
      const keys = wanted.map((w) => `${w.photoId}/${w.size}`);
      return (await (await deps.tables()).many("previews", keys)) as (Blob | undefined)[];
    },

    keepPreview(photoId: string, size: PreviewSize, made: Blob) {
      return deps.writer.keepLoose([preview(photoId, size, made)]);
    },
  };
}
