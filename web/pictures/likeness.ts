import { detailOf, type Grey, lookOf, lookSize, type Photo } from "#core/photo";

/** Fine detail is measured at one common size, so that it can be compared between photos of different cameras. */
const detailPx = 320;

/** What piles go by: a perceptual hash, the mean colour, and how sharp the photo is. */
export function likenessOf(picture: OffscreenCanvas): NonNullable<Photo["likeness"]> {
  const small = pixels(picture, lookSize.width, lookSize.height);
  const k = Math.min(1, detailPx / Math.max(picture.width, picture.height));
  const fine = pixels(picture, Math.max(1, Math.round(picture.width * k)), Math.max(1, Math.round(picture.height * k)));
  return { look: lookOf(greyOf(small)), tint: tintOf(small), detail: Math.round(detailOf(greyOf(fine)) * 100) / 100 };
}

function pixels(picture: OffscreenCanvas, width: number, height: number): ImageData {
  const canvas = new OffscreenCanvas(width, height);
  const ctx = canvas.getContext("2d", { willReadFrequently: true })!;
  ctx.imageSmoothingQuality = "high";
  ctx.drawImage(picture, 0, 0, width, height);
  return ctx.getImageData(0, 0, width, height);
}

/** Rec. 709 luma. */
function greyOf({ width, height, data }: ImageData): Grey {
  const values = new Float32Array(width * height);
  for (let i = 0; i < values.length; i += 1)
    values[i] = 0.2126 * data[4 * i]! + 0.7152 * data[4 * i + 1]! + 0.0722 * data[4 * i + 2]!;
  return { width, height, values };
}

function tintOf({ data }: ImageData): string {
  const sum = [0, 0, 0];
  for (let i = 0; i < data.length; i += 4) for (const c of [0, 1, 2]) sum[c]! += data[i + c]!;
  return sum
    .map((s) =>
      Math.round(s / (data.length / 4))
        .toString(16)
        .padStart(2, "0"),
    )
    .join("");
}
