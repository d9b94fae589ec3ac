import type { PathData, Rect } from "#core/geometry";
import type { PaperStep } from "#core/scene";
import { PixelShelf } from "./pixel-shelf.ts";

/** About 48 MB of pictures. */
const mostPixels = 12_000_000;

/** A piece of a paper in pixels of what it is painted on, and where it lies there. */
export interface KeptPaper {
  readonly picture: ImageBitmap;
  readonly x: number;
  readonly y: number;
}

/** Papers as a screen shows them: while something else moves they are the same in each frame, and need not be drawn again. */
export class PaperShelf {
  readonly #kept = new PixelShelf<KeptPaper>(mostPixels);
  readonly #names = new WeakMap<object, number>();
  #named = 0;

  /** What of a paper lies in a box of pixels; `draw` draws it where nothing is kept. Undefined where it is too large to be kept. */
  get(
    { ground, place, fills }: PaperStep,
    toPixels: DOMMatrix,
    box: Rect,
    draw: (ctx: OffscreenCanvasRenderingContext2D) => void,
  ): KeptPaper | undefined {
    const [x, y] = [Math.floor(box.x), Math.floor(box.y)];
    const [w, h] = [Math.ceil(box.x + box.w) - x, Math.ceil(box.y + box.h) - y];
    if (w <= 0 || h <= 0 || w * h > mostPixels / 2) return undefined;
    const { a, b, c, d, e, f } = toPixels;
    const shapes = fills.map((fill) => [fill.colour, this.#nameOf(fill.path), this.#nameOf(fill.at)]);
    const key = JSON.stringify([ground, place, shapes, a, b, c, d, e, f, x, y, w, h]);
    const known = this.#kept.get(key);
    if (known) return known;
    const ctx = new OffscreenCanvas(w, h).getContext("2d", { alpha: false });
    if (!ctx) return undefined;
    ctx.fillStyle = ground;
    ctx.fillRect(0, 0, w, h);
    ctx.setTransform(a, b, c, d, e - x, f - y);
    draw(ctx);
    return this.#kept.keep(key, { picture: ctx.canvas.transferToImageBitmap(), x, y });
  }

  /** Core hands out the same objects for the same part of a paper. */
  #nameOf(shape: PathData | readonly object[]): number {
    const known = this.#names.get(shape);
    if (known !== undefined) return known;
    this.#named += 1;
    this.#names.set(shape, this.#named);
    return this.#named;
  }
}
