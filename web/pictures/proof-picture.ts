import { chain, scaling, translation } from "#core/geometry";
import { photoShape } from "#core/photo";
import { type SceneFacts, scene, wordsNeeded } from "#core/scene";
import { toneKey } from "#core/tone";
import { paintScene } from "../painters/canvas.ts";
import type { ProofPictureOrder } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { printFonts } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";
import { tonedCanvas } from "./toned.ts";

const quality = 0.82;

/** A page as a picture to be read on a screen, out of previews, with a mark across it where one is wanted. */
export async function proofPicture(order: ProofPictureOrder, doing: Doing): Promise<Blob> {
  const { page, box, widthPx, photos, language } = order;
  printFonts.takeOwn(order.ownFonts);
  const byId = new Map(photos.map((p) => [p.photo.id, p]));
  const photo: SceneFacts["photo"] = (id) => {
    const known = byId.get(id);
    return known && photoShape(known.photo);
  };
  await printFonts.loadFor(wordsNeeded(page, { photo, language }), language);
  const drawn = scene(page, { photo, language, setter: printFonts });
  const pictures = new Map<string, ImageBitmap | OffscreenCanvas>();
  const keyOf = (step: { readonly photoId: string; readonly tone?: Parameters<typeof toneKey>[0] | undefined }) =>
    step.tone ? `${step.photoId} ${toneKey(step.tone)}` : step.photoId;
  for (const step of drawn.steps) {
    if (step.draw !== "photo" || pictures.has(keyOf(step))) continue;
    doing.signal.throwIfAborted();
    const preview = byId.get(step.photoId)?.preview;
    if (!preview) throw new PrintError("photoUnreadable", step.photoId);
    const bitmap = await createImageBitmap(preview);
    pictures.set(keyOf(step), step.tone ? tonedCanvas(bitmap, step.tone) : bitmap);
    if (step.tone) bitmap.close();
  }
  const heightPx = Math.max(1, Math.round((widthPx * box.h) / box.w));
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const ctx = canvas.getContext("2d", { alpha: false });
  if (!ctx) throw new PrintError("tooLargeHere", `${widthPx} × ${heightPx}`);
  ctx.fillStyle = "#ffffff";
  ctx.fillRect(0, 0, widthPx, heightPx);
  const toPixels = chain(scaling(widthPx / box.w, heightPx / box.h), translation(-box.x, -box.y));
  const from = {
    picture: (s: Parameters<typeof keyOf>[0]) => pictures.get(keyOf(s)),
    face: (k: string) => printFonts.face(k),
  };
  paintScene(ctx, drawn, toPixels, from, "high");
  if (order.mark !== "") drawMark(ctx, order.mark);
  for (const p of pictures.values()) if (p instanceof ImageBitmap) p.close();
  return canvas.convertToBlob({ type: "image/jpeg", quality });
}

/** Words from corner to corner, again and again, so that nobody takes the picture for the page itself. */
function drawMark(ctx: OffscreenCanvasRenderingContext2D, mark: string): void {
  const { width, height } = ctx.canvas;
  const px = Math.max(18, Math.round(Math.max(width, height) / 22));
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  ctx.font = `600 ${px}px sans-serif`;
  ctx.textAlign = "center";
  ctx.textBaseline = "middle";
  ctx.globalAlpha = 0.34;
  ctx.lineWidth = px / 14;
  const step = ctx.measureText(mark).width + 6 * px;
  ctx.translate(width / 2, height / 2);
  ctx.rotate(-Math.PI / 7);
  const reach = Math.hypot(width, height) / 2;
  for (let y = -Math.ceil(reach / (7 * px)) * 7 * px; y <= reach; y += 7 * px)
    for (let x = -Math.ceil(reach / step) * step; x <= reach; x += step) {
      ctx.strokeStyle = "#1c1c18";
      ctx.strokeText(mark, x, y);
      ctx.fillStyle = "#ffffff";
      ctx.fillText(mark, x, y);
    }
}
