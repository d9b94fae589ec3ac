import { type Matrix, type Rect, replay, type Size } from "#core/geometry";
import type { DrawStep, Scene } from "#core/scene";

export type Canvas2d = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Pixels of a photo, as it should be seen; `undefined` while they are not there. */
export type PictureOf = (photoId: string) => CanvasImageSource | undefined;

/** Follows one step of a scene. The context's transform already takes mm to pixels. */
export function paintStep(ctx: Canvas2d, step: DrawStep, picture: CanvasImageSource | undefined): void {
  switch (step.draw) {
    case "fill":
      ctx.beginPath();
      replay(step.path, ctx);
      ctx.fillStyle = step.colour;
      ctx.fill(step.rule);
      return;
    case "photo": {
      if (picture && step.plain && paintPlain(ctx, step.matrix, step.plain, picture)) return;
      ctx.save();
      ctx.beginPath();
      replay(step.clip, ctx);
      if (picture) {
        ctx.clip();
        const { a, b, c, d, e, f } = step.matrix;
        ctx.transform(a, b, c, d, e, f);
        ctx.drawImage(picture, 0, 0, 1, 1);
      } else {
        ctx.fillStyle = "#d9d2c4";
        ctx.fill();
      }
      ctx.restore();
    }
  }
}

/** An upright photo in a rectangle is cut out of its picture, which takes a fraction of what a clip does. */
function paintPlain(ctx: Canvas2d, m: Matrix, r: Rect, picture: CanvasImageSource): boolean {
  const size = pixelsOf(picture);
  if (!size || m.b !== 0 || m.c !== 0 || !(m.a > 0 && m.d > 0)) return false;
  const [left, top] = [(r.x - m.e) / m.a, (r.y - m.f) / m.d];
  const [right, foot] = [(r.x + r.w - m.e) / m.a, (r.y + r.h - m.f) / m.d];
  // A photo that does not cover the rectangle leaves some of it as it is.
  if (left < -nearly || top < -nearly || right > 1 + nearly || foot > 1 + nearly) return false;
  const [x, y] = [Math.max(0, left) * size.w, Math.max(0, top) * size.h];
  const [w, h] = [Math.min(1, right) * size.w - x, Math.min(1, foot) * size.h - y];
  ctx.drawImage(picture, x, y, w, h, r.x, r.y, r.w, r.h);
  return true;
}

const nearly = 1e-6;

function pixelsOf(picture: CanvasImageSource): Size | undefined {
  // A video frame may be turned while it is drawn, and then its size is not that of what is seen.
  if (picture instanceof ImageBitmap || picture instanceof OffscreenCanvas)
    return { w: picture.width, h: picture.height };
  return undefined;
}

export const setMatrix = (ctx: Canvas2d, m: Matrix): void => ctx.setTransform(m.a, m.b, m.c, m.d, m.e, m.f);

/** The whole scene; `toPixels` takes mm to the canvas's own pixels. */
export function paintScene(
  ctx: Canvas2d,
  scene: Scene,
  toPixels: Matrix,
  pictureOf: PictureOf,
  quality: ImageSmoothingQuality,
): void {
  ctx.imageSmoothingEnabled = true;
  ctx.imageSmoothingQuality = quality;
  setMatrix(ctx, toPixels);
  for (const step of scene.steps) paintStep(ctx, step, step.draw === "photo" ? pictureOf(step.photoId) : undefined);
}
