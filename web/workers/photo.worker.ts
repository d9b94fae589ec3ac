import { findPiles } from "#core/photo";
import { decodeOriginal } from "../pictures/decode-original.ts";
import { previewLongPx } from "../pictures/preview-sizes.ts";
import { drawPreview, encodePreview, readPhoto } from "../pictures/read-photo.ts";
import type { PhotoJobs } from "./jobs.ts";
import { type Handlers, serveJobs } from "./serve.ts";

async function makePreview({ photo, original, size }: PhotoJobs["makePreview"]["in"]): Promise<Blob> {
  const picture = await decodeOriginal(photo, original, previewLongPx[size]);
  try {
    return await encodePreview(await drawPreview(picture, previewLongPx[size]), photo.type);
  } finally {
    picture.close();
  }
}

const piles = async (photos: PhotoJobs["findPiles"]["in"]) => findPiles(photos);

const read: Handlers<PhotoJobs>["readPhoto"] = (input, doing) => readPhoto(input, () => doing.progress(0));

const hear = serveJobs<PhotoJobs>({ readPhoto: read, makePreview, findPiles: piles }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
