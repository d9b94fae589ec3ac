import { decodeOriginal } from "../pictures/decode-original.ts";
import { previewLongPx } from "../pictures/preview-sizes.ts";
import { makePreview, readPhoto } from "../pictures/read-photo.ts";
import type { PhotoJobs } from "./jobs.ts";
import { serveJobs } from "./serve.ts";

async function makeLarge({ photo, original }: PhotoJobs["makeLarge"]["in"]): Promise<Blob> {
  const picture = await decodeOriginal(photo, original, previewLongPx.large);
  try {
    return await makePreview(picture, previewLongPx.large, photo.type);
  } finally {
    picture.close();
  }
}

const hear = serveJobs<PhotoJobs>({ readPhoto, makeLarge }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
