import { pageAttribute, pageNoteOf, tileLine } from "#core/document";
import { bareJpeg, readJpegFacts } from "#core/files";
import { identity, type Matrix, scaling } from "#core/geometry";
import { bleedBox } from "#core/lab";
import { svgOf } from "#core/painters";
import { orientationMatrix, sniffPicture } from "#core/photo";
import { type DrawStep, type PlacedMask, pictureKey, sceneLayers } from "#core/scene";
import type { Tone } from "#core/tone";
import { masks } from "../painters/mask-shelf.ts";
import type { PagePrint, PrintedFile } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { readExif } from "./exif.ts";
import { openResampler } from "./loops.ts";
import { scaledTo } from "./paint-photo.ts";
import { longSidePx, pixelsFor, printFacts, printFonts } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";
import { openSink } from "./saved-file.ts";

type Original = PagePrint["photos"][number];

interface Inside {
  readonly href: string;
  readonly toUnit: Matrix;
}

/** A page as an open drawing, with its photos inside it. */
export async function printSvg(order: PagePrint, doing: Doing): Promise<PrintedFile> {
  const { file } = order;
  const facts = await printFacts(order);
  const byId = new Map(order.photos.map((p) => [p.photo.id, p]));
  const parts = file.parts.map((part) => ({
    ...part,
    layers: sceneLayers(part.page, facts).map(({ tile, steps }, i) =>
      tile ? { tile: { id: tile.id, name: tile.tile.name ?? `${i}`, line: tileLine(tile) }, steps } : { steps },
    ),
  }));
  const inside = new Map<string, Inside>();
  const steps = parts.flatMap((p) => p.layers.flatMap((l) => l.steps));
  const perMm = file.format.ppi / 25.4;
  const longestPx = new Map<string, number>();
  for (const step of steps)
    if (step.draw === "photo") {
      const px = longSidePx(step.matrix, scaling(perMm, perMm));
      const key = pictureKey(step);
      longestPx.set(key, Math.max(px, longestPx.get(key) ?? 0));
    }
  for (const [i, step] of steps.entries()) {
    doing.signal.throwIfAborted();
    const key = step.draw === "photo" ? pictureKey(step) : "";
    const from = step.draw === "photo" && !inside.has(key) ? byId.get(step.photoId) : undefined;
    if (from && step.draw === "photo") inside.set(key, await photoInside(from, longestPx.get(key)!, step.tone));
    doing.progress((0.9 * (i + 1)) / steps.length);
  }
  const softened = await maskPictures(steps);
  const box = bleedBox(file.format);
  const note = JSON.stringify(pageNoteOf(file.parts, box, (id) => byId.get(id)?.photo.hash));
  const text = svgOf(
    { box, title: order.title, parts, note: { attribute: pageAttribute, text: note } },
    {
      photo: (step) => {
        const photo = inside.get(pictureKey(step));
        return photo && { slot: photo.href, toUnit: photo.toUnit };
      },
      face: (key) => printFonts.face(key),
      shade: ({ soft, colour }) => softened.get(`${colour} ${soft.mask.key}`),
      mask: (soft) => softened.get(` ${soft.mask.key}`),
    },
  );
  const sink = await openSink(order.keepAs, "image/svg+xml");
  sink.write(new TextEncoder().encode(text));
  const made = await sink.close();
  const tail = await made.slice(-7).text();
  if (!tail.startsWith("</svg>")) throw new PrintError("fileWrong", tail);
  doing.progress(1);
  return { file: made, widthPx: 0, heightPx: 0, ppi: file.format.ppi };
}

/** Every mask as a picture: of one colour and as clear as it says, or, where something is seen through it, in greys. */
async function maskPictures(steps: readonly DrawStep[]): Promise<ReadonlyMap<string, string>> {
  const made = new Map<string, string>();
  const keep = async ({ mask }: PlacedMask, colour: string): Promise<void> => {
    const key = `${colour} ${mask.key}`;
    if (made.has(key)) return;
    const picture = drawn(masks.get(mask, colour || "#ffffff"), colour ? undefined : "#000000");
    made.set(key, await dataUrl(await picture.convertToBlob({ type: "image/png" })));
  };
  for (const step of steps) {
    if (step.draw === "shade") await keep(step.soft, step.colour);
    if (step.draw === "begin" && step.soft) await keep(step.soft, "");
  }
  return made;
}

function drawn(picture: ImageBitmap, ground: string | undefined): OffscreenCanvas {
  const canvas = new OffscreenCanvas(picture.width, picture.height);
  const ctx = canvas.getContext("2d")!;
  if (ground !== undefined) {
    ctx.fillStyle = ground;
    ctx.fillRect(0, 0, canvas.width, canvas.height);
  }
  ctx.drawImage(picture, 0, 0);
  return canvas;
}

/** A JPEG as it is but for what stands beside the picture; anything else as the picture that it prints as. */
async function photoInside(from: Original, longPx: number, tone: Tone | undefined): Promise<Inside> {
  const bytes = new Uint8Array(await from.original.arrayBuffer());
  if (!tone && sniffPicture(bytes) === "jpeg") {
    try {
      if (readJpegFacts(bytes).components === 3) {
        const { orientation } = await readExif(bytes, "jpeg");
        const jpeg = new Blob(bareJpeg(bytes, { profile: true }), { type: "image/jpeg" });
        return { href: await dataUrl(jpeg), toUnit: orientationMatrix(orientation) };
      }
    } catch {
      // Whatever is odd about it, the browser can decode it.
    }
  }
  const source = await pixelsFor(from, longPx, "srgb");
  const share = Math.min(1, longPx / Math.max(source.width, source.height));
  const [w, h] = [source.width, source.height].map((px) => Math.max(1, Math.round(px * share)));
  const canvas = scaledTo({ source, resampler: openResampler(), colourSpace: "srgb", tone }, w!, h!);
  source.close();
  return { href: await dataUrl(await canvas.convertToBlob({ type: "image/png" })), toUnit: identity };
}

const portion = 0x6000;

async function dataUrl(blob: Blob): Promise<string> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  const parts: string[] = [];
  // Whole threes, so that the parts can be put next to each other.
  for (let at = 0; at < bytes.length; at += portion)
    parts.push(btoa(String.fromCharCode(...bytes.subarray(at, at + portion))));
  return `data:${blob.type};base64,${parts.join("")}`;
}
