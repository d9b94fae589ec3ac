import { type Tone, toneInto, toneTables } from "#core/tone";

/** A picture in another tone, as large as it is. */
export function tonedCanvas(picture: ImageBitmap, tone: Tone): OffscreenCanvas {
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const ctx = canvas.getContext("2d", { willReadFrequently: true })!;
  ctx.drawImage(picture, 0, 0);
  const pixels = ctx.getImageData(0, 0, canvas.width, canvas.height);
  toneInto(pixels.data, toneTables(tone));
  ctx.putImageData(pixels, 0, 0);
  return canvas;
}
