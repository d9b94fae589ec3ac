import { findPiles } from "#core/photo";
import { decodeOriginal } from "../pictures/decode-original.ts";
import { openResampler } from "../pictures/loops.ts";
import { SourcePixels, scaledTo } from "../pictures/paint-photo.ts";
import { previewLongPx } from "../pictures/preview-sizes.ts";
import { encodePreview, previewSize, readPhoto } from "../pictures/read-photo.ts";
import { tonedCanvas } from "../pictures/toned.ts";
import type { PhotoJobs } from "../workers/jobs.ts";
import { type Handlers, serveJobs } from "../workers/serve.ts";

async function makePreview({ photo, original, size }: PhotoJobs["makePreview"]["in"]): Promise<Blob> {
  const picture = await decodeOriginal(photo, original, previewLongPx[size]);
  const fit = previewSize(picture, previewLongPx[size]);
  const source = await SourcePixels.of(picture, "srgb");
  try {
    const small = scaledTo({ source, resampler: openResampler(), colourSpace: "srgb" }, fit.w, fit.h);
    return await encodePreview(small, photo.type);
  } finally {
    source.close();
  }
}

const piles = async (photos: PhotoJobs["findPiles"]["in"]) => findPiles(photos);

const read: Handlers<PhotoJobs>["readPhoto"] = (input, doing) => readPhoto(input, () => doing.progress(0));

async function tonePicture({ picture, tone }: PhotoJobs["tonePicture"]["in"]): Promise<ImageBitmap> {
  const canvas = tonedCanvas(picture, tone);
  picture.close();
  return canvas.transferToImageBitmap();
}

const hear = serveJobs<PhotoJobs>({ readPhoto: read, makePreview, findPiles: piles, tonePicture }, (m) =>
  postMessage(m),
);
addEventListener("message", (e) => void hear(e.data));
