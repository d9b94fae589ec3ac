import { type Matrix, replay } from "#core/geometry";
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
