import { detailOf, type Grey, lookOf, type Photo } from "#core/photo";

/**
 * What piles go by: a perceptual hash, the mean colour, and how sharp the photo is. From the pixels of its small preview,
 * which is of one size for all photos, so that sharpness can be compared between them.
 */
export function likenessOf(preview: ImageData): NonNullable<Photo["likeness"]> {
  const grey = greyOf(preview);
  return { look: lookOf(grey), tint: tintOf(preview), detail: Math.round(detailOf(grey) * 100) / 100 };
}

/** Rec. 709 luma. */
function greyOf({ width, height, data }: ImageData): Grey {
  const values = new Float32Array(width * height);
  for (let i = 0; i < values.length; i += 1)
    values[i] = 0.2126 * data[4 * i]! + 0.7152 * data[4 * i + 1]! + 0.0722 * data[4 * i + 2]!;
  return { width, height, values };
}

function tintOf({ data }: ImageData): string {
  let [red, green, blue] = [0, 0, 0];
  for (let i = 0; i < data.length; i += 4) {
    red += data[i]!;
    green += data[i + 1]!;
    blue += data[i + 2]!;
  }
  const hex = (sum: number) =>
    Math.round(sum / (data.length / 4))
      .toString(16)
      .padStart(2, "0");
  return hex(red) + hex(green) + hex(blue);
}
