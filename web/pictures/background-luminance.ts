import type { Ground, PageAt } from "#core/check";
import { linearOfByte } from "#core/colour";
import { photosDrawnOn } from "#core/document";
import { chain, type Rect, scaling, translation } from "#core/geometry";
import { type SceneFacts, scene, withoutBorder } from "#core/scene";
import { type PictureOf, paintScene } from "../painters/canvas.ts";
import { tonedCanvas } from "./toned.ts";

const longPx = 700;

/** As `groundOf`, from small previews of the photos on the page. */
export async function groundFrom(at: PageAt, facts: SceneFacts, previewOf: (photoId: string) => Blob | undefined) {
  const bitmaps = new Map<string, ImageBitmap>();
  for (const id of photosDrawnOn(at.page)) {
    const preview = previewOf(id);
    const bitmap = preview && (await createImageBitmap(preview).catch(() => undefined));
    if (bitmap) bitmaps.set(id, bitmap);
  }
  const ground = groundOf(at, facts, ({ photoId, tone }) => {
    const bitmap = bitmaps.get(photoId);
    return bitmap && tone ? tonedCanvas(bitmap, tone) : bitmap;
  });
  for (const b of bitmaps.values()) b.close();
  return ground;
}

/** How light it is behind words: the page is painted small, without any words, and looked at where they stand. */
function groundOf(at: PageAt, facts: SceneFacts, picture: PictureOf): (tileId: string, at: Rect) => Ground | undefined {
  const drawing = scene(withoutBorder(at.page), facts);
  const { box } = drawing;
  const k = longPx / Math.max(box.w, box.h);
  const canvas = new OffscreenCanvas(Math.ceil(box.w * k), Math.ceil(box.h * k));
  const ctx = canvas.getContext("2d", { alpha: false, willReadFrequently: true });
  if (!ctx) return () => undefined;
  const steps = drawing.steps.filter((s) => s.draw !== "words");
  const toPixels = chain(scaling(k, k), translation(-box.x, -box.y));
  paintScene(ctx, { ...drawing, steps }, toPixels, { picture, face: () => undefined }, "medium");
  return (_, r) => {
    const [x, y] = [Math.floor((r.x - box.x) * k), Math.floor((r.y - box.y) * k)];
    const [w, h] = [Math.max(1, Math.ceil(r.w * k)), Math.max(1, Math.ceil(r.h * k))];
    const [x0, y0] = [Math.max(0, x), Math.max(0, y)];
    const [wIn, hIn] = [Math.min(canvas.width, x + w) - x0, Math.min(canvas.height, y + h) - y0];
    if (wIn < 1 || hIn < 1) return undefined;
    const { data } = ctx.getImageData(x0, y0, wIn, hIn);
    const light = new Float32Array(data.length / 4);
    for (let i = 0; i < light.length; i += 1)
      light[i] =
        0.2126 * linearOfByte[data[4 * i]!]! +
        0.7152 * linearOfByte[data[4 * i + 1]!]! +
        0.0722 * linearOfByte[data[4 * i + 2]!]!;
    light.sort();
    const tenth = (share: number) => light[Math.min(light.length - 1, Math.floor(share * light.length))]!;
    return { dark: tenth(0.1), light: tenth(0.9) };
  };
}
