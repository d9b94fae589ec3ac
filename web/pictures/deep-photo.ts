import {
  colourConversion,
  isDeepPng,
  isSrgb,
  PngRows,
  type PrintColour,
  readDeepPng,
  rgbOfSamples,
  srgbProfile,
} from "#core/files";
import { chain, type Matrix, scaling } from "#core/geometry";
import { orientationMatrix, type Photo, sniffPicture } from "#core/photo";
import {
  type DeepPixels,
  deepCut,
  deepLaidOut,
  drawDeep,
  refine,
  type Sharpening,
  sharpen,
  sharpeningReach,
} from "#core/pixels";
import type { PhotoStep } from "#core/scene";
import { inflatedUpTo } from "./deflate.ts";
import { readExif } from "./exif.ts";
import { areaOf, isStraight, sharpeningAt } from "./paint-photo.ts";

const headBytes = 64;
/** Drawn in more bits than it is kept in, a whole page would take several times its room. */
const rowsAtOnce = 512;
/** Eight bytes for each at most; a larger picture is printed in eight bits. */
const mostDeepPixels = 120_000_000;
const mostProfileBytes = 4_000_000;

/** Whether a file may have sixteen bits a channel, by its first bytes; a TIFF tells only when it is opened. */
export async function mayBeDeep({ type }: Photo, original: Blob): Promise<boolean> {
  if (type === "image/tiff") return true;
  return type === "image/png" && isDeepPng(new Uint8Array(await original.slice(0, headBytes).arrayBuffer()));
}

interface Deep {
  readonly pixels: DeepPixels;
  readonly profile: Uint8Array | undefined;
}

/** A photo with all its sixteen bits, upright and in the colours of the print file; undefined where it has only eight. */
export async function deepPixels(photo: Photo, original: Blob, colour: PrintColour): Promise<DeepPixels | undefined> {
  if (!(await mayBeDeep(photo, original))) return undefined;
  const bytes = new Uint8Array(await original.arrayBuffer());
  const kind = sniffPicture(bytes);
  const found = kind === "png" ? await deepPng(bytes) : (await import("./decode-tiff.ts")).decodeDeepTiff(bytes);
  if (!found) return undefined;
  const profile = found.profile ?? srgbProfile();
  if (!(isSrgb(profile) && colour === "srgb")) {
    const convert = colourConversion(profile, colour);
    if (!convert) return undefined;
    convert(found.pixels.data);
  }
  const { orientation } = await readExif(bytes, kind);
  return orientation === 1 ? found.pixels : deepLaidOut(found.pixels, orientationMatrix(orientation));
}

async function deepPng(bytes: Uint8Array<ArrayBuffer>): Promise<Deep | undefined> {
  const file = readDeepPng(bytes);
  if (!file || file.widthPx * file.heightPx > mostDeepPixels) return undefined;
  const { widthPx: width, heightPx: height, channels } = file;
  const packedBytes = (1 + 2 * channels * width) * height;
  const samples = new PngRows(width, 2 * channels).add(await inflatedUpTo(file.picture, packedBytes));
  const data = rgbOfSamples(samples, channels);
  if (data?.length !== 3 * width * height) return undefined;
  return {
    pixels: { data, width, height },
    profile: file.profile && (await inflatedUpTo(file.profile, mostProfileBytes)),
  };
}

/** Puts a photo's sixteen bits into the rows of a band where they were painted in eight; `band` is the size of what was painted. */
export function refinePhoto(
  into: Uint16Array<ArrayBuffer>,
  painted: Uint8ClampedArray,
  band: { readonly width: number; readonly height: number },
  photo: DeepPixels,
  step: PhotoStep,
  toPixels: Matrix,
  wanted: Sharpening | undefined,
): void {
  const m = chain(toPixels, step.matrix, scaling(1 / photo.width, 1 / photo.height));
  const all = areaOf(step.clip, toPixels, band);
  if (all.w <= 0 || all.h <= 0) return;
  const sharpening = sharpeningAt(m, wanted);
  const reach = sharpening ? sharpeningReach(sharpening) : 0;
  // A turned photo is brought to a grid as a whole, so that parts of it would cost as much each.
  const rows = isStraight(m) ? rowsAtOnce : all.h;
  for (let y = all.y; y < all.y + all.h; y += rows) {
    const h = Math.min(rows, all.y + all.h - y);
    const around = { x: all.x - reach, y: y - reach, w: all.w + 2 * reach, h: h + 2 * reach };
    const drawn = drawDeep(photo, m, around);
    if (sharpening) sharpen(drawn, sharpening);
    refine(into, painted, band.width, reach > 0 ? deepCut(drawn, reach) : drawn, { x: all.x, y });
  }
}
