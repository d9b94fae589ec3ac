import { chain, type Matrix, type PathData, replay, scaling } from "#core/geometry";
import { orientationMatrix } from "#core/photo";
import {
  type Area,
  divideAlpha,
  laidOut,
  multiplyAlpha,
  type Pixels,
  type Resampler,
  type Sharpening,
  sharpen,
  sharpeningReach,
  sourceRows,
} from "#core/pixels";
import type { PhotoStep } from "#core/scene";
import { type Tone, toneTables } from "#core/tone";
import { setMatrix } from "../painters/canvas.ts";
import type { Decoded } from "./decode.ts";
import { openToner } from "./loops.ts";

type Context = OffscreenCanvasRenderingContext2D;
export type ColourSpace = "srgb" | "display-p3";

/** At one time: rows of a source, and pixels of the output. */
const mostSourcePixels = 16_000_000;
const mostDrawnPixels = 4_000_000;
/** A turned part rests on a grid that is larger than itself, and the more so the wider it is. */
const turnedSidePx = 1024;
const nearly = 1e-9;
/** A photo that is enlarged has nothing to be sharpened but its grain. */
const mostSharpenedScale = 1.2;

/** The pixels of a decoded picture as they should be seen, some rows at a time. */
export class SourcePixels {
  readonly width: number;
  readonly height: number;
  readonly clear: boolean;
  readonly #rows: (from: number, to: number) => Pixels;
  readonly #close: () => void;

  private constructor(
    { width, height }: { readonly width: number; readonly height: number },
    clear: boolean,
    rows: (from: number, to: number) => Pixels,
    close: () => void,
  ) {
    this.width = width;
    this.height = height;
    this.clear = clear;
    this.#rows = rows;
    this.#close = close;
  }

  /** Takes the picture over: it is closed here, or with this. */
  static async of(picture: Decoded, colourSpace: ColourSpace): Promise<SourcePixels> {
    if (isPlainFrame(picture)) return SourcePixels.ofWhole(await copied(picture, colourSpace));
    const { image, widthPx: width, heightPx: height, mayBeClear } = picture;
    const rows = (from: number, to: number) => {
      const canvas = new OffscreenCanvas(width, to - from);
      const ctx = canvas.getContext("2d", { colorSpace: colourSpace, willReadFrequently: true })!;
      ctx.drawImage(image, 0, -from, width, height);
      const { data } = ctx.getImageData(0, 0, width, to - from, { colorSpace: colourSpace });
      const pixels = { data: data as Uint8ClampedArray<ArrayBuffer>, width, height, top: from };
      if (mayBeClear) multiplyAlpha(pixels);
      return pixels;
    };
    return new SourcePixels({ width, height }, mayBeClear, rows, () => picture.close());
  }

  /** Of an opaque picture that is in memory. */
  static ofWhole(whole: Pixels): SourcePixels {
    const rows = (from: number, to: number) => ({
      ...whole,
      data: whole.data.subarray(from * whole.width * 4, to * whole.width * 4),
      top: from,
    });
    return new SourcePixels(whole, false, rows, () => {});
  }

  close(): void {
    this.#close();
  }

  rows(from: number, to: number): Pixels {
    return this.#rows(from, to);
  }
}

type PlainFrame = Decoded & { readonly image: VideoFrame };

const isPlainFrame = (picture: Decoded): picture is PlainFrame =>
  picture.image instanceof VideoFrame && picture.plainColours;

/** The pixels of a picture that came as a frame in plain colours; nothing for any other. The picture is closed. */
export async function framePixels(picture: Decoded, colourSpace: ColourSpace): Promise<Pixels | undefined> {
  if (isPlainFrame(picture)) return copied(picture, colourSpace);
  picture.close();
  return undefined;
}

/** A frame's own pixels lie as the camera stored them. */
async function copied({ image, orientation, close }: PlainFrame, colorSpace: ColourSpace): Promise<Pixels> {
  try {
    const { width, height } = image.visibleRect ?? { width: image.codedWidth, height: image.codedHeight };
    const data = new Uint8ClampedArray(width * height * 4);
    await image.copyTo(data, { format: "RGBA", colorSpace, layout: [{ offset: 0, stride: width * 4 }] });
    const stored = { data, width, height };
    return orientation === 1 ? stored : laidOut(stored, orientationMatrix(orientation));
  } finally {
    close();
  }
}

/**
 * Draws a photo step by Lanczos 3 in place of the canvas's own scaling, which is softer and shows false patterns. `toPixels` takes the
 * page's mm to pixels of `ctx`, of which `bounds` are painted.
 */
export function paintPhoto(ctx: Context, step: PhotoStep, toPixels: Matrix, supply: PhotoSupply): void {
  const { source } = supply;
  const m = chain(toPixels, step.matrix, scaling(1 / source.width, 1 / source.height));
  const area = areaOf(step.clip, toPixels, ctx.canvas);
  if (area.w <= 0 || area.h <= 0) return;
  ctx.save();
  setMatrix(ctx, toPixels);
  ctx.beginPath();
  replay(step.clip, ctx);
  ctx.clip();
  const { a, b, c, d, e, f } = step.matrix;
  if (!covers(m, area, source)) {
    // A photo that does not fill its tile ends softly where it ends.
    ctx.transform(a, b, c, d, e, f);
    ctx.beginPath();
    ctx.rect(0, 0, 1, 1);
    ctx.clip();
  }
  ctx.resetTransform();
  for (const part of partsOf(area, m, source)) {
    ctx.drawImage(drawnPart(supply, m, part), part.x, part.y);
  }
  ctx.restore();
}

export interface PhotoSupply {
  readonly source: SourcePixels;
  readonly resampler: Resampler;
  readonly colourSpace: ColourSpace;
  readonly sharpening?: Sharpening | undefined;
  readonly tone?: Tone | undefined;
}

/** A whole picture at another size, on a canvas of its own. */
export function scaledTo(supply: PhotoSupply, w: number, h: number): OffscreenCanvas {
  const { source, colourSpace } = supply;
  const canvas = new OffscreenCanvas(w, h);
  const ctx = canvas.getContext("2d", { colorSpace: colourSpace, willReadFrequently: true })!;
  const m = scaling(w / source.width, h / source.height);
  for (const part of partsOf({ x: 0, y: 0, w, h }, m, source))
    ctx.drawImage(drawnPart(supply, m, part), part.x, part.y);
  return canvas;
}

function drawnPart(supply: PhotoSupply, m: Matrix, part: Area): OffscreenCanvas {
  const { source, resampler, sharpening: wanted, colourSpace: colorSpace, tone } = supply;
  const sharpening = sharpeningAt(m, wanted);
  const reach = sharpening ? sharpeningReach(sharpening) : 0;
  const area = { x: part.x - reach, y: part.y - reach, w: part.w + 2 * reach, h: part.h + 2 * reach };
  const rows = sourceRows(m, area, source.height);
  const from = source.rows(rows.from, rows.to);
  const drawn = isStraight(m) ? resampler.upright(from, m, area) : resampler.turned(from, m, area);
  if (sharpening) sharpen(drawn, sharpening);
  if (source.clear || !isStraight(m)) divideAlpha(drawn);
  // At the size that is printed: the fewest pixels, and each by itself.
  if (tone) openToner()(drawn.data, toneTables(tone));
  const canvas = new OffscreenCanvas(part.w, part.h);
  const ctx = canvas.getContext("2d", { colorSpace, willReadFrequently: true })!;
  ctx.putImageData(new ImageData(drawn.data, area.w, area.h, { colorSpace }), -reach, -reach);
  return canvas;
}

/** What is done of it to a photo that is drawn through this matrix. */
export const sharpeningAt = (m: Matrix, wanted: Sharpening | undefined): Sharpening | undefined =>
  Math.hypot(m.a, m.b) <= mostSharpenedScale ? wanted : undefined;

export const isStraight = (m: Matrix): boolean => Math.abs(m.b) < nearly && Math.abs(m.c) < nearly;

/** Of an outline: the whole pixels that it touches, and one more on each side, as far as there are any. */
export function areaOf(
  path: PathData,
  toPixels: Matrix,
  { width, height }: { readonly width: number; readonly height: number },
): Area {
  let [x0, y0, x1, y1] = [
    Number.POSITIVE_INFINITY,
    Number.POSITIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
    Number.NEGATIVE_INFINITY,
  ];
  for (const s of path)
    for (let i = 1; i + 1 < s.length; i += 2) {
      const [px, py] = [s[i] as number, s[i + 1] as number];
      const x = toPixels.a * px + toPixels.c * py + toPixels.e;
      const y = toPixels.b * px + toPixels.d * py + toPixels.f;
      [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x), Math.max(y1, y)];
    }
  const [left, top] = [Math.max(0, Math.floor(x0) - 1), Math.max(0, Math.floor(y0) - 1)];
  return {
    x: left,
    y: top,
    w: Math.min(width, Math.ceil(x1) + 1) - left,
    h: Math.min(height, Math.ceil(y1) + 1) - top,
  };
}

/** Whether an upright picture has pixels for all of an area, but for the one more on each side. */
const covers = (m: Matrix, area: Area, { width, height }: SourcePixels): boolean =>
  isStraight(m) &&
  Math.min(m.e, m.e + m.a * width) <= area.x + 1 &&
  Math.max(m.e, m.e + m.a * width) >= area.x + area.w - 1 &&
  Math.min(m.f, m.f + m.d * height) <= area.y + 1 &&
  Math.max(m.f, m.f + m.d * height) >= area.y + area.h - 1;

/** Parts that are drawn at bounded memory. */
function partsOf(area: Area, m: Matrix, source: SourcePixels): Area[] {
  const straight = isStraight(m);
  const w = straight ? area.w : Math.min(area.w, turnedSidePx);
  const sourceRowsAtOnce = Math.max(64, mostSourcePixels / source.width);
  const rows = Math.floor(Math.min(mostDrawnPixels / w, sourceRowsAtOnce * Math.hypot(m.c, m.d)));
  const h = Math.max(64, straight ? rows : Math.min(rows, turnedSidePx));
  const parts: Area[] = [];
  for (let y = area.y; y < area.y + area.h; y += h)
    for (let x = area.x; x < area.x + area.w; x += w)
      parts.push({ x, y, w: Math.min(w, area.x + area.w - x), h: Math.min(h, area.y + area.h - y) });
  return parts;
}
