import { type Matrix, type Rect, replay, type Size } from "#core/geometry";
import type { DrawStep, PhotoStep, Scene } from "#core/scene";
import type { Face } from "#core/words";

export type Canvas2d = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** Pixels of a photo, as it should be seen; `undefined` while they are not there. */
/** In the step's own tone. */
export type PictureOf = (step: Pick<PhotoStep, "photoId" | "tone">) => CanvasImageSource | undefined;

/** What is at hand for one step. */
export interface PaintSupply {
  readonly picture?: CanvasImageSource | undefined;
  readonly face?: Face | undefined;
}

/** Follows steps one after the other. The context's transform already takes mm to pixels. */
export class StepPainter<C extends Canvas2d> {
  /** What is painted on now: the canvas itself, or the layer of what is drawn as one. */
  ctx: C | OffscreenCanvasRenderingContext2D;
  readonly #under: C;
  readonly #colorSpace: PredefinedColorSpace;
  #opacity = 1;

  constructor(ctx: C, colorSpace: PredefinedColorSpace = "srgb") {
    this.ctx = ctx;
    this.#under = ctx;
    this.#colorSpace = colorSpace;
  }

  paint(step: DrawStep, supply: PaintSupply): void {
    if (step.draw === "begin") this.#begin(step.opacity);
    else if (step.draw === "end") this.#end();
    else paintStep(this.ctx, step, supply);
  }

  #begin(opacity: number): void {
    const { width, height } = this.#under.canvas;
    const layer = new OffscreenCanvas(width, height).getContext("2d", { colorSpace: this.#colorSpace });
    // Without room for a layer it is drawn at full strength, and what is read back tells of it.
    if (!layer) return;
    layer.setTransform(this.#under.getTransform());
    layer.imageSmoothingEnabled = this.#under.imageSmoothingEnabled;
    layer.imageSmoothingQuality = this.#under.imageSmoothingQuality;
    this.ctx = layer;
    this.#opacity = opacity;
  }

  #end(): void {
    if (this.ctx === this.#under) return;
    const layer = this.ctx.canvas;
    this.ctx = this.#under;
    this.ctx.save();
    this.ctx.setTransform(1, 0, 0, 1, 0, 0);
    this.ctx.globalAlpha = this.#opacity;
    this.ctx.drawImage(layer, 0, 0);
    this.ctx.restore();
    // Its pixels are let go at once, not when somebody tidies up.
    layer.width = 0;
  }
}

type PlainStep = Exclude<DrawStep, { draw: "begin" | "end" }>;

/** Follows one step of a scene. The context's transform already takes mm to pixels. */
export function paintStep(ctx: Canvas2d, step: PlainStep, { picture, face }: PaintSupply): void {
  switch (step.draw) {
    case "fill":
      ctx.beginPath();
      replay(step.path, ctx);
      ctx.fillStyle = step.colour;
      ctx.globalAlpha = step.alpha ?? 1;
      ctx.fill(step.rule);
      ctx.globalAlpha = 1;
      return;
    case "words":
      if (face) paintWords(ctx, step, face);
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

/** Outlines, not a browser's text: no letter may stand elsewhere on screen than in print. */
function paintWords(ctx: Canvas2d, step: Extract<DrawStep, { draw: "words" }>, face: Face): void {
  const { a, b, c, d, e, f } = step.matrix;
  const paths = pathsOf(face);
  ctx.save();
  ctx.transform(a, b, c, d, e, f);
  ctx.fillStyle = step.colour;
  for (const g of step.glyphs) {
    const key = `${g.file}-${g.id}`;
    let path = paths.get(key);
    if (!path) {
      path = new Path2D();
      replay(face.outline(g.file, g.id), path);
      paths.set(key, path);
    }
    ctx.save();
    ctx.translate(g.x, g.y);
    ctx.scale(step.sizeMm, step.sizeMm);
    ctx.fill(path);
    ctx.restore();
  }
  ctx.restore();
}

const drawn = new WeakMap<Face, Map<string, Path2D>>();

function pathsOf(face: Face): Map<string, Path2D> {
  const known = drawn.get(face) ?? new Map<string, Path2D>();
  drawn.set(face, known);
  return known;
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
  from: { readonly picture: PictureOf; readonly face: (key: string) => Face | undefined },
  quality: ImageSmoothingQuality,
): void {
  ctx.imageSmoothingEnabled = true;
  ctx.imageSmoothingQuality = quality;
  setMatrix(ctx, toPixels);
  const painter = new StepPainter(ctx);
  for (const step of scene.steps)
    painter.paint(step, {
      picture: step.draw === "photo" ? from.picture(step) : undefined,
      face: step.draw === "words" ? from.face(step.face) : undefined,
    });
}
