import { linearOfByte, oklabOf } from "#core/colour";
import { type Repeat, repeatOf } from "#core/photo";

/** More would take seconds and tell no more. */
const longPx = 256;

/** How the pattern of a paper comes again, out of a preview of it. */
export async function findRepeat(preview: Blob): Promise<Repeat | undefined> {
  const bitmap = await createImageBitmap(preview);
  try {
    const k = Math.min(1, longPx / Math.max(bitmap.width, bitmap.height));
    const [w, h] = [Math.round(bitmap.width * k), Math.round(bitmap.height * k)];
    // Of so little nothing comes again.
    if (Math.min(w, h) < 16) return undefined;
    const ctx = new OffscreenCanvas(w, h).getContext("2d", { willReadFrequently: true })!;
    ctx.imageSmoothingQuality = "high";
    ctx.drawImage(bitmap, 0, 0, w, h);
    const { data } = ctx.getImageData(0, 0, w, h);
    const light = Float32Array.from({ length: w * h }, (_, i) => {
      const at = (c: number) => linearOfByte[data[4 * i + c]!]!;
      const [l, a, b] = oklabOf(at(0), at(1), at(2));
      // Patterns of one lightness differ in colour.
      return l + 0.7 * a + 0.4 * b;
    });
    return repeatOf(light, w, h);
  } finally {
    bitmap.close();
  }
}
