import type { ChannelBits } from "#core/files";
import { chain, type Matrix, type PathData, scaling, translation } from "#core/geometry";
import { bleedBox, printPixels } from "#core/lab";
import { photoShape } from "#core/photo";
import { sharpeningFor, widened } from "#core/pixels";
import { type DrawStep, type PhotoStep, type SceneFacts, scene, wordsNeeded } from "#core/scene";
import { StepPainter, setMatrix } from "../painters/canvas.ts";
import { FontShelf } from "../words/font-shelf.ts";
import { fontUrls } from "../words/font-urls.ts";
import type { PrintOrder } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import type { Decoded } from "./decode.ts";
import { decodeOriginal } from "./decode-original.ts";
import { deepPixels, mayBeDeep, refinePhoto } from "./deep-photo.ts";
import type { PaintedRows } from "./formats/format.ts";
import { helper } from "./helper.ts";
import { openResampler } from "./loops.ts";
import { type ColourSpace, paintPhoto, SourcePixels } from "./paint-photo.ts";
import { PrintError } from "./print-error.ts";

export const printFonts = new FontShelf(fontUrls);

/** A canvas of so many pixels is held by every browser, and costs no more than two photos. */
const bandPixels = 32_000_000;
/** A JPEG can be coded from every such row on by itself, whatever its kind. */
const rowsTogether = 256;

/** What the scenes of a file need: facts of its photos, and its fonts, which are fetched first: without one of them the file would lack its words. */
export async function printFacts(order: Pick<PrintOrder, "file" | "photos" | "ownFonts">): Promise<SceneFacts> {
  printFonts.takeOwn(order.ownFonts);
  const byId = new Map(order.photos.map((p) => [p.photo.id, p.photo]));
  const { language } = order.file;
  const photo: SceneFacts["photo"] = (id) => {
    const known = byId.get(id);
    return known && photoShape(known);
  };
  const needs = order.file.parts.flatMap((p) => wordsNeeded(p.page, { photo, language }));
  const lacking = await printFonts.loadFor(needs, language);
  if (lacking.length > 0) throw new PrintError("fontMissing", lacking.join(", "));
  return { photo, language, setter: printFonts };
}

/** How many bits a file's channels have: sixteen where that is asked for and a photo on it may have them. */
export async function bitsOf({ options, photos }: PrintOrder): Promise<ChannelBits> {
  if (options.kind !== "tiff" || options.bits !== 16) return 8;
  for (const { photo, original } of photos) if (await mayBeDeep(photo, original)) return 16;
  return 8;
}

/**
 * A file's pixels from top to bottom, in bands of whole rows, so that a page larger than any canvas can be printed at
 * bounded memory. A photo is decoded for each band that it reaches into, one at a time.
 */
export async function paintBands(
  order: PrintOrder,
  doing: Doing,
  take: (rows: PaintedRows, from: number) => Promise<void>,
  /** `upTo`: of each part no more than so many steps. */
  { upTo, bits = 8 }: { readonly upTo?: readonly number[]; readonly bits?: ChannelBits } = {},
): Promise<void> {
  const { format, parts } = order.file;
  const { widthPx, heightPx } = printPixels(format);
  const facts = await printFacts(order);
  const byId = new Map(order.photos.map((p) => [p.photo.id, p]));
  const box = bleedBox(format);
  const drawings = parts.map((part, i) => ({
    ...part,
    steps: scene(part.page, facts).steps.slice(0, upTo?.[i]),
  }));
  const bandRows = Math.max(rowsTogether, Math.floor((8 * bandPixels) / bits / widthPx / rowsTogether) * rowsTogether);
  const colorSpace = order.options.colour === "displayP3" ? "display-p3" : "srgb";
  const resampler = openResampler();
  const sharpening = order.options.sharpenFor && sharpeningFor(order.options.sharpenFor, format.ppi);
  for (let from = 0; from < heightPx; from += bandRows) {
    const rows = Math.min(bandRows, heightPx - from);
    const canvas = new OffscreenCanvas(widthPx, rows);
    const ctx = canvas.getContext("2d", { alpha: false, colorSpace });
    if (!ctx) throw new PrintError("tooLargeHere", `${widthPx} × ${rows}`);
    // The box meets the file's edges exactly, although its size in pixels was rounded.
    const toPixels = chain(
      translation(0, -from),
      scaling(widthPx / box.w, heightPx / box.h),
      translation(-box.x, -box.y),
    );
    ctx.fillStyle = "#ffffff";
    ctx.fillRect(0, 0, widthPx, rows);
    let done = 0;
    const drawn: { readonly step: PhotoStep; readonly here: Matrix }[] = [];
    for (const { steps, place, clip } of drawings) {
      ctx.save();
      setMatrix(ctx, toPixels);
      ctx.beginPath();
      ctx.rect(clip.x, clip.y, clip.w, clip.h);
      ctx.clip();
      ctx.transform(place.a, place.b, place.c, place.d, place.e, place.f);
      const here = chain(toPixels, place);
      const shown = steps.filter((s): s is PhotoStep => s.draw === "photo" && reaches(s.clip, here, rows));
      // A picture that is laid again and again is decoded once.
      const isAnother = (step: PhotoStep, i: number) => !isSamePicture(step, shown[i - 1]);
      const pictures = aheadOf(
        shown
          .filter(isAnother)
          .map((step) => () => pixelsFor(byId.get(step.photoId)!, longSidePx(step.matrix, toPixels), colorSpace)),
      );
      let held: SourcePixels | undefined;
      let at = 0;
      const painter: StepPainter<OffscreenCanvasRenderingContext2D> = new StepPainter(ctx, colorSpace);
      try {
        for (const step of steps) {
          doing.signal.throwIfAborted();
          if (step.draw === "photo") {
            if (reaches(step.clip, here, rows)) {
              if (isAnother(step, at)) {
                held?.close();
                held = await pictures.next();
              }
              at += 1;
              const source = held!;
              const { tone } = step;
              paintPhoto(painter.ctx, step, painter.here(here), {
                source,
                resampler,
                sharpening,
                colourSpace: colorSpace,
                tone,
              });
              // In another tone it has no more than eight bits.
              if (!tone) drawn.push({ step, here });
            }
          } else painter.paint(step, step.draw === "words" ? { face: printFonts.face(step.face) } : {});
          done += 1;
          doing.progress((from + (rows * done) / stepsOf(drawings)) / heightPx);
        }
      } finally {
        held?.close();
        pictures.drop();
      }
      ctx.restore();
    }
    const { data } = ctx.getImageData(0, 0, widthPx, rows, { colorSpace });
    // Beyond what a browser can hold, a canvas stays blank and says nothing; ours never is transparent at the corner.
    if (data[data.length - 1] !== 255) throw new PrintError("tooLargeHere", `${widthPx} × ${rows}`);
    doing.signal.throwIfAborted();
    const painted = data as Uint8ClampedArray<ArrayBuffer>;
    if (bits === 8) {
      await take(painted, from);
      continue;
    }
    const deep = widened(painted);
    for (const { step, here } of drawn) {
      const { photo, original } = byId.get(step.photoId)!;
      // What only the browser can read is printed as it was painted.
      const pixels = await deepPixels(photo, original, order.options.colour).catch(() => undefined);
      doing.signal.throwIfAborted();
      if (pixels) refinePhoto(deep, painted, { width: widthPx, height: rows }, pixels, step, here, sharpening);
    }
    await take(deep, from);
  }
}

/** Whether a step draws the same picture as the one before it, as large. */
const isSamePicture = (step: PhotoStep, before: PhotoStep | undefined): boolean =>
  before !== undefined &&
  step.photoId === before.photoId &&
  Math.abs(Math.hypot(step.matrix.a, step.matrix.b) - Math.hypot(before.matrix.a, before.matrix.b)) < 1e-6;

/** Browsers decode beside each other; more than this would hold more photos in memory for little. */
const decodedAhead = 2;

/**
 * Pictures one after the other, the next ones being decoded while one is drawn: three in memory at most, so that it does not
 * grow with the page.
 */
function aheadOf(decodes: readonly (() => Promise<SourcePixels>)[]) {
  let at = 0;
  const coming: Promise<SourcePixels>[] = [];
  const begin = () => {
    const next = decodes[at]?.();
    at += 1;
    if (!next) return;
    // Whoever asks for it hears why it failed.
    next.catch(() => {});
    coming.push(next);
  };
  for (let k = 0; k < decodedAhead; k += 1) begin();
  return {
    next: async (): Promise<SourcePixels> => {
      const picture = await coming.shift()!;
      begin();
      return picture;
    },
    drop: () => {
      for (const picture of coming) picture.then((p) => p.close()).catch(() => {});
    },
  };
}

const stepsOf = (drawings: readonly { readonly steps: readonly DrawStep[] }[]): number =>
  Math.max(
    1,
    drawings.reduce((sum, d) => sum + d.steps.length, 0),
  );

/** Whether an outline has anything between the first and the last row of a band. */
function reaches(path: PathData, toPixels: Matrix, rows: number): boolean {
  let [top, foot] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const s of path)
    for (let i = 1; i + 1 < s.length; i += 2) {
      const y = toPixels.b * (s[i] as number) + toPixels.d * (s[i + 1] as number) + toPixels.f;
      top = Math.min(top, y);
      foot = Math.max(foot, y);
    }
  return foot >= 0 && top <= rows;
}

/** How many pixels of the file the photo's longer side will take up. */
export function longSidePx(photoToMm: Matrix, mmToPixels: Matrix): number {
  const across = Math.hypot(photoToMm.a * mmToPixels.a, photoToMm.b * mmToPixels.d);
  const down = Math.hypot(photoToMm.c * mmToPixels.a, photoToMm.d * mmToPixels.d);
  return Math.max(across, down);
}

let asked = 0;

/** A photo's pixels, to be closed by whoever asked for them. */
export async function pixelsFor(
  from: PrintOrder["photos"][number],
  longPx: number,
  colourSpace: ColourSpace,
): Promise<SourcePixels> {
  asked += 1;
  // Every other one is decoded by the helper: a worker decodes one frame at a time.
  if (from.photo.type === "image/jpeg" && asked % 2 === 0) {
    const { photo, original } = from;
    const whole = await helper.run("framePixels", { photo, original, longPx, colourSpace }).catch(() => undefined);
    if (whole) return SourcePixels.ofWhole(whole);
  }
  return SourcePixels.of(await pictureFor(from, longPx), colourSpace);
}

async function pictureFor(from: PrintOrder["photos"][number], longPx: number): Promise<Decoded> {
  try {
    return await decodeOriginal(from.photo, from.original, longPx);
  } catch (e) {
    throw new PrintError("photoUnreadable", `${from.photo.name}: ${String(e)}`);
  }
}
