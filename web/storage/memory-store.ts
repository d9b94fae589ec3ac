import type { LabCard } from "#core/lab";
import type { NamedSpan, Photo } from "#core/photo";
import type { Template } from "#core/templates";
import type { OpenedProject, SentOrder, Snapshot, Store } from "./store.ts";

/** Where a browser refuses to keep anything: one can work and export, but it is gone with the tab. */
export function openMemoryStore(): Store {
  const photos = new Map<string, Photo>();
  const blobs = new Map<string, Blob>();
  let spans: readonly NamedSpan[] = [];
  const templates = new Map<string, Template>();
  const orders = new Map<string, SentOrder>();
  const labs = new Map<string, LabCard>();
  let favourites: readonly string[] = [];
  const projects = new Map<string, OpenedProject>();
  const snapshots = new Map<string, Snapshot>();
  return {
    lasting: false,
    photos: async () => ({ photos: [...photos.values()], damaged: 0 }),
    addPhoto: async ({ photo, original, small }) => {
      const known = [...photos.values()].find((p) => p.hash === photo.hash);
      if (known && !known.removed) return { added: false, photo: known };
      if (known) {
        const back = { ...known, removed: false };
        photos.set(back.id, back);
        return { added: true, photo: back };
      }
      photos.set(photo.id, photo);
      blobs.set(photo.id, original).set(`${photo.id}/small`, small);
      return { added: true, photo };
    },
    putPhotos: async (list) => {
      for (const p of list) photos.set(p.id, p);
    },
    replacePhoto: async ({ photo, original, small }) => {
      photos.set(photo.id, photo);
      blobs.set(photo.id, original).set(`${photo.id}/small`, small).delete(`${photo.id}/large`);
    },
    forgetPhotos: async (ids) => {
      for (const id of ids) for (const key of [id, `${id}/small`, `${id}/large`]) blobs.delete(key);
      for (const id of ids) photos.delete(id);
    },
    spans: async () => spans,
    keepSpans: async (kept) => {
      spans = kept;
    },
    waiting: async () => [],
    keepWaiting: async () => {},
    templates: async () => [...templates.values()],
    putTemplates: async (list) => {
      for (const t of list) templates.set(t.id, t);
    },
    removeTemplate: async (id) => void templates.delete(id),
    favourites: async () => favourites,
    keepFavourites: async (ids) => {
      favourites = ids;
    },
    orders: async (projectId) =>
      [...orders.values()].filter((o) => o.projectId === projectId).sort((a, b) => (a.at < b.at ? 1 : -1)),
    putOrder: async (order) => void orders.set(order.id, order),
    removeOrder: async (id) => void orders.delete(id),
    labs: async () => [...labs.values()],
    putLab: async (card) => void labs.set(card.id, card),
    removeLab: async (id) => void labs.delete(id),
    original: async (id) => blobs.get(id),
    originals: async () => [...photos.keys()].filter((id) => blobs.has(id)),
    preview: async (id, size) => blobs.get(`${id}/${size}`),
    previews: async (wanted) => wanted.map((w) => blobs.get(`${w.photoId}/${w.size}`)),
    keepPreview: async (id, size, preview) => void blobs.set(`${id}/${size}`, preview),
    projects: async () => ({
      cards: [...projects.values()].reverse().map((p) => ({ ...p, pageCount: p.project.pages.length })),
      damaged: 0,
    }),
    openProject: async (id) => projects.get(id),
    saveProject: async (save) => void projects.set(save.project.id, save),
    removeProject: async (id) => {
      projects.delete(id);
      for (const s of snapshots.values()) if (s.projectId === id) snapshots.delete(s.id);
    },
    snapshots: async (id) => [...snapshots.values()].filter((s) => s.projectId === id).reverse(),
    keepSnapshot: async (snapshot) => void snapshots.set(snapshot.id, snapshot),
    removeSnapshot: async (id) => void snapshots.delete(id),
  };
}
