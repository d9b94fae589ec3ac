import { paletteFrom } from "#core/artwork";
import { photosOf } from "#core/document";
import { style as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, type ProjectSession } from "../session/project-session.ts";

const sidePx = 48;
/** Of more photos, so many from all over the work. */
const mostPhotos = 60;

type From = { readonly page: true } | { readonly work: true } | { readonly photoId: string };

/** A palette out of the colours that photos live by, in place of the one before. */
export async function suggestPalette(
  { store }: Pick<Services, "store">,
  session: ProjectSession,
  from: From,
): Promise<void> {
  const state = session.state.getState();
  const { project } = state;
  const pages = "work" in from ? project.pages : [openPage(state)];
  const ids = "photoId" in from ? [from.photoId] : [...new Set(pages.flatMap((p) => photosOf(p, project.style)))];
  const step = Math.max(1, ids.length / mostPhotos);
  const looked = Array.from({ length: Math.min(ids.length, mostPhotos) }, (_, i) => ids[Math.floor(i * step)]!);
  const palette = paletteFrom(await pixelsOf(store, looked));
  if (palette.length === 0) {
    notices.create({ title: words.noPhotos, type: "info" });
    return;
  }
  session.commit({ code: "changedPalette", count: 1 }, [{ type: "setProject", palette }]);
}

/** All of them small, one below the other. */
async function pixelsOf(store: Services["store"], photoIds: readonly string[]): Promise<Uint8ClampedArray> {
  const previews = await store.previews(photoIds.map((photoId) => ({ photoId, size: "small" as const })));
  const ctx = new OffscreenCanvas(sidePx, sidePx * Math.max(1, photoIds.length)).getContext("2d");
  if (!ctx) return new Uint8ClampedArray();
  for (const [i, blob] of previews.entries()) {
    const bitmap = blob && (await createImageBitmap(blob).catch(() => undefined));
    if (!bitmap) continue;
    ctx.drawImage(bitmap, 0, i * sidePx, sidePx, sidePx);
    bitmap.close();
  }
  return ctx.getImageData(0, 0, ctx.canvas.width, ctx.canvas.height).data;
}
