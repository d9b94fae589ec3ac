import type { Photo } from "#core/photo";
import type { OpenedProject, Store } from "./store.ts";

/** Where a browser refuses to keep anything: one can work and export, but it is gone with the tab. */
export function openMemoryStore(): Store {
  const photos = new Map<string, Photo>();
  const blobs = new Map<string, Blob>();
  const projects = new Map<string, OpenedProject>();
  return {
    lasting: false,
    photos: async () => ({ photos: [...photos.values()], damaged: 0 }),
    addPhoto: async ({ photo, original, small }) => {
      const known = [...photos.values()].find((p) => p.hash === photo.hash);
      if (known) return { added: false, photo: known };
      photos.set(photo.id, photo);
      blobs.set(photo.id, original).set(`${photo.id}/small`, small);
      return { added: true, photo };
    },
    original: async (id) => blobs.get(id),
    preview: async (id, size) => blobs.get(`${id}/${size}`),
    keepPreview: async (id, size, preview) => void blobs.set(`${id}/${size}`, preview),
    projects: async () => ({ cards: [...projects.values()].reverse(), damaged: 0 }),
    openProject: async (id) => projects.get(id),
    saveProject: async (save) => void projects.set(save.project.id, save),
    removeProject: async (id) => void projects.delete(id),
  };
}
