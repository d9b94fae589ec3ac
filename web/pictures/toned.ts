import { type Tone, toneTables } from "#core/tone";
import { openToner } from "./loops.ts";

/** A picture in another tone, as large as it is. */
export function tonedCanvas(picture: ImageBitmap, tone: Tone): OffscreenCanvas {
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const ctx = canvas.getContext("2d", { willReadFrequently: true })!;
  ctx.drawImage(picture, 0, 0);
  const pixels = ctx.getImageData(0, 0, canvas.width, canvas.height);
  openToner()(pixels.data, toneTables(tone));
  ctx.putImageData(pixels, 0, 0);
  return canvas;
}
