import { findPiles } from "#core/photo";
import { decodeOriginal } from "../pictures/decode-original.ts";
import { previewLongPx } from "../pictures/preview-sizes.ts";
import { drawPreview, encodePreview, readPhoto } from "../pictures/read-photo.ts";
import type { PhotoJobs } from "./jobs.ts";
import { serveJobs } from "./serve.ts";

async function makeLarge({ photo, original }: PhotoJobs["makeLarge"]["in"]): Promise<Blob> {
  const picture = await decodeOriginal(photo, original, previewLongPx.large);
  try {
    return await encodePreview(await drawPreview(picture, previewLongPx.large), photo.type);
  } finally {
    picture.close();
  }
}

const piles = async (photos: PhotoJobs["findPiles"]["in"]) => findPiles(photos);

const hear = serveJobs<PhotoJobs>({ readPhoto, makeLarge, findPiles: piles }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
