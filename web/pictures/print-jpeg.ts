import { allTiles, type Page } from "#core/document";
import { dressJpeg, readJpegFacts, srgbProfile } from "#core/files";
import { chain, type Matrix, scaling, translation } from "#core/geometry";
import { bleedBox, printPixels } from "#core/lab";
import { framedBy } from "#core/photo";
import { type SceneFacts, scene } from "#core/scene";
import { faceKey } from "#core/words";
import { paintStep, setMatrix } from "../painters/canvas.ts";
import { FontShelf } from "../words/font-shelf.ts";
import { fontUrls } from "../words/font-urls.ts";
import type { PrintedFile, PrintOrder } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import type { Decoded } from "./decode.ts";
import { decodeOriginal } from "./decode-original.ts";

export class PrintError extends Error {
  readonly code: "photoUnreadable" | "tooLargeHere" | "fileWrong" | "fontMissing";
  constructor(code: PrintError["code"], message: string) {
    super(message);
    this.code = code;
  }
}

const fonts = new FontShelf(fontUrls);

/** The fonts of all words on a page; without one of them the file would lack its words. */
const facesOn = (page: Page): string[] => [
  ...new Set(allTiles(page).flatMap((t) => (t.filling.kind === "words" ? faceKey(t.filling.style) : []))),
];

/** Shares of the whole, as measured: nearly all time goes into decoding and drawing. */
const paintingShare = 0.85;

/** The page as the lab wants it: exact pixels, density and profile set, and read back before it is handed out. */
export async function printJpeg(order: PrintOrder, doing: Doing): Promise<PrintedFile> {
  const { format, parts } = order.file;
  const { widthPx, heightPx } = printPixels(format);
  const byId = new Map(order.photos.map((p) => [p.photo.id, p]));
  const keys = [...new Set(parts.flatMap((p) => facesOn(p.page)))];
  const faces = await Promise.all(keys.map((key) => fonts.load(key)));
  if (faces.includes(undefined)) throw new PrintError("fontMissing", keys.join(", "));
  const sceneFacts: SceneFacts = {
    photo: (id) => {
      const known = byId.get(id);
      return known && framedBy(known.photo);
    },
    setter: fonts,
  };
  const canvas = new OffscreenCanvas(widthPx, heightPx);
  const ctx = canvas.getContext("2d", { alpha: false });
  if (!ctx) throw new PrintError("tooLargeHere", `${widthPx} × ${heightPx}`);
  ctx.imageSmoothingQuality = "high";
  const box = bleedBox(format);
  // The box meets the file's edges exactly, although its size in pixels was rounded.
  const toPixels = chain(scaling(widthPx / box.w, heightPx / box.h), translation(-box.x, -box.y));
  ctx.fillStyle = "#ffffff";
  ctx.fillRect(0, 0, widthPx, heightPx);
  const drawings = parts.map((part) => ({ ...part, steps: scene(part.page, part.format, sceneFacts).steps }));
  const all = drawings.reduce((sum, d) => sum + d.steps.length, 0);
  let done = 0;
  for (const { steps, dx, dy, clip } of drawings) {
    ctx.save();
    setMatrix(ctx, toPixels);
    ctx.beginPath();
    ctx.rect(clip.x, clip.y, clip.w, clip.h);
    ctx.clip();
    ctx.translate(dx, dy);
    for (const step of steps) {
      doing.signal.throwIfAborted();
      if (step.draw === "photo") {
        // One photo at a time, so that memory does not grow with the page.
        const picture = await pictureFor(byId.get(step.photoId)!, longSidePx(step.matrix, toPixels));
        paintStep(ctx, step, { picture: picture.image });
        picture.close();
      } else paintStep(ctx, step, step.draw === "words" ? { face: fonts.face(step.face) } : {});
      done += 1;
      doing.progress((paintingShare * done) / all);
    }
    ctx.restore();
  }
  // Beyond what a browser can hold, a canvas stays blank and says nothing; ours never is transparent at the corner.
  if (ctx.getImageData(widthPx - 1, heightPx - 1, 1, 1).data[3] !== 255)
    throw new PrintError("tooLargeHere", `${widthPx} × ${heightPx}`);
  doing.signal.throwIfAborted();
  const encoded = await canvas.convertToBlob({ type: "image/jpeg", quality: order.quality });
  doing.signal.throwIfAborted();
  const dressed = dressJpeg(new Uint8Array(await encoded.arrayBuffer()), { ppi: format.ppi, profile: srgbProfile() });
  const facts = readJpegFacts(dressed);
  if (facts.widthPx !== widthPx || facts.heightPx !== heightPx || facts.ppi !== Math.round(format.ppi))
    throw new PrintError("fileWrong", JSON.stringify(facts));
  doing.progress(1);
  return {
    file: new Blob([dressed as Uint8Array<ArrayBuffer>], { type: "image/jpeg" }),
    widthPx,
    heightPx,
    ppi: facts.ppi,
    profileBytes: facts.profileBytes,
  };
}

/** How many pixels of the file the photo's longer side will take up. */
function longSidePx(photoToMm: Matrix, mmToPixels: Matrix): number {
  const across = Math.hypot(photoToMm.a * mmToPixels.a, photoToMm.b * mmToPixels.d);
  const down = Math.hypot(photoToMm.c * mmToPixels.a, photoToMm.d * mmToPixels.d);
  return Math.max(across, down);
}

async function pictureFor(from: PrintOrder["photos"][number], longPx: number): Promise<Decoded> {
  try {
    return await decodeOriginal(from.photo, from.original, longPx);
  } catch (e) {
    throw new PrintError("photoUnreadable", `${from.photo.name}: ${String(e)}`);
  }
}
