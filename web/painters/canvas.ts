import type { PaperFill } from "#core/artwork";
import {
  aroundPoints,
  chain,
  inset,
  type Matrix,
  type PathData,
  type Rect,
  replay,
  type Size,
  translation,
} from "#core/geometry";
import {
  type BeginStep,
  type DrawStep,
  maskMatrix,
  type PaperStep,
  type PhotoStep,
  type PlacedMask,
  type Scene,
  type ShadeStep,
} from "#core/scene";
import type { Face } from "#core/words";
import { type Canvas2d, pixelsAround, pointsOf } from "./canvas-2d.ts";
import { type KeptLayer, LayerShelf } from "./layer-shelf.ts";
import { masks } from "./mask-shelf.ts";
import { paintWords } from "./paint-words.ts";
import { PaperShelf } from "./paper-shelf.ts";
import { reachOf } from "./step-reach.ts";

/** Pixels of a photo in the step's own tone, as it should be seen; `undefined` while they are not there. */
export type PictureOf = (step: Pick<PhotoStep, "photoId" | "tone">) => CanvasImageSource | undefined;

/** What is at hand for one step. */
export interface PaintSupply {
  readonly picture?: CanvasImageSource | undefined;
  readonly face?: Face | undefined;
  /** In mm: where anything is to be painted at all; everywhere where it is missing. */
  readonly within?: Rect | undefined;
}

interface Layer<C> {
  readonly step: BeginStep;
  /** What it is painted on later. */
  readonly under: C;
  /** Where its own pixels lie among the canvas's. */
  readonly x: number;
  readonly y: number;
}

/** Follows steps one after the other. The context's transform already takes mm to pixels. */
export class StepPainter<C extends Canvas2d> {
  /** What is painted on now: the canvas itself, or the layer of what is drawn as one. */
  ctx: C | OffscreenCanvasRenderingContext2D;
  readonly #canvas: C;
  readonly #colorSpace: PredefinedColorSpace;
  /** What is drawn as one at this moment, the innermost last; undefined for one that there was no room for. */
  readonly #layers: (Layer<C | OffscreenCanvasRenderingContext2D> | undefined)[] = [];
  /** Where papers are kept that are painted again and again; nowhere for what is painted once. */
  readonly #papers: PaperShelf | undefined;

  constructor(ctx: C, colorSpace: PredefinedColorSpace = "srgb", papers?: PaperShelf) {
    this.ctx = ctx;
    this.#papers = papers;
    this.#canvas = ctx;
    this.#colorSpace = colorSpace;
  }

  paint(step: DrawStep, supply: PaintSupply): void {
    if (step.draw === "begin") this.#begin(step);
    else if (step.draw === "end") this.end(false);
    else if (step.draw === "paper" && this.#papers) paintKeptPaper(this.ctx, step, this.#papers);
    else paintStep(this.ctx, step, supply);
  }

  /** Pixels of the canvas as pixels of what is painted on now. */
  here(toPixels: Matrix): Matrix {
    const { x, y } = this.#origin();
    return x === 0 && y === 0 ? toPixels : chain(translation(-x, -y), toPixels);
  }

  #origin(): { readonly x: number; readonly y: number } {
    return this.#layers.findLast((l) => l !== undefined) ?? { x: 0, y: 0 };
  }

  /** A layer as large as what it can show. */
  #begin(step: BeginStep): void {
    const { width, height } = this.#canvas.canvas;
    const toPixels = this.#canvas.getTransform();
    const box = pixelsAround(step.reach, toPixels);
    const [x, y] = [Math.max(0, Math.floor(box.x)), Math.max(0, Math.floor(box.y))];
    const w = Math.max(1, Math.min(width, Math.ceil(box.x + box.w)) - x);
    const h = Math.max(1, Math.min(height, Math.ceil(box.y + box.h)) - y);
    const layer = new OffscreenCanvas(w, h).getContext("2d", { colorSpace: this.#colorSpace });
    // Without room for a layer it is drawn at full strength, and what is read back tells of it.
    this.#layers.push(layer ? { step, under: this.ctx, x, y } : undefined);
    if (!layer) return;
    setMatrix(layer, this.here(toPixels));
    layer.imageSmoothingEnabled = this.#canvas.imageSmoothingEnabled;
    layer.imageSmoothingQuality = this.#canvas.imageSmoothingQuality;
    this.ctx = layer;
  }

  /** Something that was drawn as one before, as it was then. */
  put({ picture, x, y }: KeptLayer, opacity: number): void {
    const from = this.#origin();
    this.ctx.save();
    this.ctx.setTransform(1, 0, 0, 1, 0, 0);
    this.ctx.globalAlpha = opacity;
    drawPixels(this.ctx, picture, x - from.x, y - from.y);
    this.ctx.restore();
  }

  /** Ends what is drawn as one, and gives back its picture to whoever keeps it; it is let go of otherwise. */
  end(keeps: boolean): KeptLayer | undefined {
    const done = this.#layers.pop();
    if (!done) return undefined;
    const layer = this.ctx as OffscreenCanvasRenderingContext2D;
    const { soft, opacity } = done.step;
    if (soft) {
      layer.globalCompositeOperation = "destination-in";
      paintMask(layer, soft, "#000000");
    }
    const made = { picture: layer.canvas.transferToImageBitmap(), x: done.x, y: done.y };
    this.ctx = done.under;
    this.put(made, opacity);
    if (keeps) return made;
    // Its pixels are let go at once, not when somebody tidies up.
    made.picture.close();
    return undefined;
  }
}

/** A mask in one colour, where it lies. */
function paintMask(ctx: Canvas2d, soft: PlacedMask, colour: string): void {
  const now = ctx.getTransform();
  const shownPpi = 25.4 * Math.hypot(now.a, now.b);
  const { a, b, c, d, e, f } = maskMatrix(soft);
  ctx.save();
  ctx.imageSmoothingEnabled = true;
  ctx.transform(a, b, c, d, e, f);
  ctx.drawImage(masks.get(soft.mask, colour, shownPpi), 0, 0, 1, 1);
  ctx.restore();
}

type PlainStep = Exclude<DrawStep, { draw: "begin" | "end" }>;

/** Follows one step of a scene. The context's transform already takes mm to pixels. */
export function paintStep(ctx: Canvas2d, step: PlainStep, { picture, face, within }: PaintSupply): void {
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
      if (face) paintWords(ctx, step, face, within);
      return;
    case "paper":
      paintPaper(ctx, step);
      return;
    case "shade":
      ctx.save();
      if (step.clip) {
        ctx.beginPath();
        replay(step.clip, ctx);
        ctx.clip("evenodd");
      }
      ctx.globalAlpha = step.alpha;
      paintMask(ctx, step.soft, step.colour);
      ctx.restore();
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

/** Its ground, and each colour of it as one shape. */
function paintPaper(ctx: Canvas2d, { clip, ground, place, fills }: PaperStep): void {
  ctx.save();
  ctx.beginPath();
  replay(clip, ctx);
  ctx.fillStyle = ground;
  ctx.fill();
  ctx.clip();
  paintFills(ctx, place, fills);
  ctx.restore();
}

function paintFills(ctx: Canvas2d, { a, b, c, d, e, f }: Matrix, fills: PaperStep["fills"]): void {
  ctx.transform(a, b, c, d, e, f);
  for (const fill of fills) {
    ctx.fillStyle = fill.colour;
    ctx.fill(wholeOf(fill));
  }
}

const papers = new PaperShelf();

/** The same out of a picture that is drawn only when something about it is another. */
function paintKeptPaper(ctx: Canvas2d, step: PaperStep, shelf: PaperShelf): void {
  const toPixels = ctx.getTransform();
  const box = pixelsAround(aroundPoints(pointsOf(step.clip)), toPixels);
  const { width, height } = ctx.canvas;
  const [x, y] = [Math.max(0, box.x), Math.max(0, box.y)];
  const seen = { x, y, w: Math.min(width, box.x + box.w) - x, h: Math.min(height, box.y + box.h) - y };
  const kept = shelf.get(step, toPixels, seen, (on) => paintFills(on, step.place, step.fills));
  if (!kept) {
    paintPaper(ctx, step);
    return;
  }
  ctx.save();
  ctx.beginPath();
  replay(step.clip, ctx);
  ctx.clip();
  ctx.setTransform(1, 0, 0, 1, 0, 0);
  drawPixels(ctx, kept.picture, kept.x, kept.y);
  ctx.restore();
}

/** Pixel on pixel: smoothing would change nothing, and looks at far more of the picture than comes into the clip. */
function drawPixels(ctx: Canvas2d, picture: ImageBitmap, x: number, y: number): void {
  ctx.imageSmoothingEnabled = false;
  ctx.drawImage(picture, x, y);
}

/** Core hands out the same shape and the same places for the same part of a paper. */
const wholes = new WeakMap<PathData, WeakMap<PaperFill["at"], Path2D>>();

function wholeOf({ path, at }: PaperFill): Path2D {
  const known = wholes.get(path) ?? new WeakMap<PaperFill["at"], Path2D>();
  wholes.set(path, known);
  const before = known.get(at);
  if (before) return before;
  const one = new Path2D();
  replay(path, one);
  const whole = new Path2D();
  for (const { x, y } of at) whole.addPath(one, new DOMMatrix([1, 0, 0, 1, x, y]));
  known.set(at, whole);
  return whole;
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

/** The whole scene; `toPixels` takes mm to the canvas's own pixels. Of what lies outside of `within`, in mm, nothing has to be painted. */
export function paintScene(
  ctx: Canvas2d,
  scene: Scene,
  toPixels: Matrix,
  from: { readonly picture: PictureOf; readonly face: (key: string) => Face | undefined },
  quality: ImageSmoothingQuality,
  within?: Rect,
): void {
  ctx.imageSmoothingEnabled = true;
  ctx.imageSmoothingQuality = quality;
  setMatrix(ctx, toPixels);
  const painter = new StepPainter(ctx, "srgb", papers);
  const on = JSON.stringify([toPixels, ctx.canvas.width, ctx.canvas.height, quality]);
  const { steps } = scene;
  // Edges are softened over a pixel, and masks over another.
  const seen = within && inset(within, -3 / Math.hypot(toPixels.a, toPixels.b));
  /** Begun, and to be kept once it is whole. */
  const open: { readonly step: BeginStep; readonly pictures: readonly unknown[] }[] = [];
  for (let i = 0; i < steps.length; i += 1) {
    const step = steps[i]!;
    // What is drawn as one is kept, and has to be whole.
    if (seen && open.length === 0 && isApart(reachOf(step), seen)) {
      if (step.draw === "begin") i = endOf(steps, i);
      continue;
    }
    if (step.draw === "begin") {
      const last = endOf(steps, i);
      const inside = steps.slice(i + 1, last);
      const pictures = inside.map((s) =>
        s.draw === "photo" ? from.picture(s) : s.draw === "words" ? from.face(s.face) : undefined,
      );
      const kept = layers.get(step, on, pictures);
      if (kept) {
        painter.put(kept, step.opacity);
        i = last;
        continue;
      }
      open.push({ step, pictures });
    }
    if (step.draw === "shade") {
      const known = layers.get(step, on, []);
      const picture = known ?? (shadesSeen.has(step) ? shadePicture(step, toPixels, ctx.canvas) : undefined);
      shadesSeen.add(step);
      if (picture) {
        if (!known) layers.keep(step, on, [], picture);
        painter.put(picture, 1);
        continue;
      }
    }
    if (step.draw === "end") {
      const whole = open.pop();
      const made = painter.end(whole !== undefined);
      if (whole && made) layers.keep(whole.step, on, whole.pictures, made);
      continue;
    }
    painter.paint(step, {
      picture: step.draw === "photo" ? from.picture(step) : undefined,
      face: step.draw === "words" ? from.face(step.face) : undefined,
      within: open.length === 0 ? within : undefined,
    });
  }
}

const isApart = (a: Rect | null, b: Rect): boolean =>
  a !== null && (a.x > b.x + b.w || b.x > a.x + a.w || a.y > b.y + b.h || b.y > a.y + a.h);

const layers = new LayerShelf();
/** Painted once before: what is dragged has another shadow in each frame, and none of them is worth a picture. */
const shadesSeen = new WeakSet<ShadeStep>();

/** A shadow in pixels of the canvas, as far as it lies on it. */
function shadePicture(step: ShadeStep, toPixels: Matrix, { width, height }: Canvas2d["canvas"]): KeptLayer | undefined {
  const box = pixelsAround({ x: 0, y: 0, w: 1, h: 1 }, chain(toPixels, maskMatrix(step.soft)));
  const [x, y] = [Math.max(0, Math.floor(box.x)), Math.max(0, Math.floor(box.y))];
  const w = Math.min(width, Math.ceil(box.x + box.w)) - x;
  const h = Math.min(height, Math.ceil(box.y + box.h)) - y;
  // What lies beside the canvas takes one clear pixel.
  const picture = new OffscreenCanvas(Math.max(1, w), Math.max(1, h));
  const ctx = picture.getContext("2d");
  if (!ctx) return undefined;
  if (w > 0 && h > 0) {
    setMatrix(ctx, chain(translation(-x, -y), toPixels));
    ctx.imageSmoothingQuality = "high";
    paintStep(ctx, step, {});
  }
  return { picture: picture.transferToImageBitmap(), x, y };
}

/** Where that ends which begins at a step, whatever stands within it. */
function endOf(steps: readonly DrawStep[], from: number): number {
  let depth = 0;
  for (let i = from; i < steps.length; i += 1) {
    if (steps[i]!.draw === "begin") depth += 1;
    if (steps[i]!.draw === "end") depth -= 1;
    if (depth === 0) return i;
  }
  return steps.length;
}
