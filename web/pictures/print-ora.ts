import type { PlacedPage, PlacedTile } from "#core/document";
import { crc32, storedZip } from "#core/files";
import { chain, type Matrix, scaling, translation } from "#core/geometry";
import { bleedBox, printPixels } from "#core/lab";
import { type OraLayer, oraStack, oraType } from "#core/painters";
import { type DrawStep, type SceneFacts, sceneLayers } from "#core/scene";
import { StepPainter, setMatrix } from "../painters/canvas.ts";
import type { PagePrint, PrintedFile } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { openResampler } from "./loops.ts";
import { paintPhoto, type SourcePixels } from "./paint-photo.ts";
import { longSidePx, pixelsFor, printFacts, printFonts } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";
import { openSink } from "./saved-file.ts";

interface Sheet {
  readonly name: string;
  readonly steps: readonly DrawStep[];
  readonly toPixels: Matrix;
}

const thumbnailPx = 256;
/** What one browser canvas holds, several times over. */
const mostPixels = 120_000_000;

/** A page as OpenRaster: the ground and each tile a layer of its own, so that it can go on in another program. */
export async function printOra(order: PagePrint, doing: Doing): Promise<PrintedFile> {
  const { file } = order;
  const size = { ...printPixels(file.format), ppi: file.format.ppi };
  if (size.widthPx * size.heightPx > mostPixels)
    throw new PrintError("tooLargeForKind", `${size.widthPx} × ${size.heightPx}`);
  const facts = await printFacts(order);
  const box = bleedBox(file.format);
  const toPixels = chain(scaling(size.widthPx / box.w, size.heightPx / box.h), translation(-box.x, -box.y));
  const sheets = file.parts.flatMap((part) => {
    const here = chain(toPixels, part.place);
    return sheetsOf(part.page, facts, order).map((s): Sheet => ({ ...s, toPixels: here }));
  });
  const merged = new OffscreenCanvas(size.widthPx, size.heightPx);
  const over = merged.getContext("2d", { alpha: false })!;
  over.fillStyle = "#ffffff";
  over.fillRect(0, 0, size.widthPx, size.heightPx);
  const files: { readonly path: string; readonly content: Blob }[] = [];
  const layers: OraLayer[] = [];
  for (const [i, sheet] of sheets.entries()) {
    doing.signal.throwIfAborted();
    const layer = new OffscreenCanvas(size.widthPx, size.heightPx);
    const ctx = layer.getContext("2d")!;
    await paint(ctx, sheet, order);
    over.drawImage(layer, 0, 0);
    const path = `data/layer${i}.png`;
    files.push({ path, content: await layer.convertToBlob({ type: "image/png" }) });
    layers.push({ name: sheet.name, path, x: 0, y: 0 });
    doing.progress((0.9 * (i + 1)) / sheets.length);
  }
  const small = thumbnailPx / Math.max(size.widthPx, size.heightPx);
  const thumbnail = new OffscreenCanvas(Math.ceil(size.widthPx * small), Math.ceil(size.heightPx * small));
  thumbnail.getContext("2d")!.drawImage(merged, 0, 0, thumbnail.width, thumbnail.height);
  const all = [
    // First and unpacked, so that the kind of file can be told by its first bytes.
    { path: "mimetype", content: new Blob([oraType]) },
    { path: "stack.xml", content: new Blob([oraStack(size, layers)]) },
    ...files,
    { path: "mergedimage.png", content: await merged.convertToBlob({ type: "image/png" }) },
    { path: "Thumbnails/thumbnail.png", content: await thumbnail.convertToBlob({ type: "image/png" }) },
  ];
  const entries = await Promise.all(
    all.map(async ({ path, content }) => ({
      path,
      bytes: content.size,
      crc: crc32(new Uint8Array(await content.arrayBuffer()), 0),
    })),
  );
  const { headers, directory } = storedZip(entries);
  const sink = await openSink(order.keepAs, oraType);
  for (const [i, { content }] of all.entries()) {
    sink.write(headers[i]!);
    sink.write(new Uint8Array(await content.arrayBuffer()));
  }
  sink.write(directory);
  const made = await sink.close();
  doing.progress(1);
  return { file: made, ...size };
}

/** The ground first, then each tile by the name of what it holds. */
function sheetsOf(page: PlacedPage, facts: SceneFacts, order: PagePrint): Omit<Sheet, "toPixels">[] {
  const names = new Map(order.photos.map((p) => [p.photo.id, p.photo.caption || p.photo.name]));
  // Captions are for the family, and the file may go to others.
  const nameOf = ({ filling }: PlacedTile, i: number): string =>
    filling.kind === "words"
      ? filling.text
      : filling.kind === "photo" && order.named
        ? (names.get(filling.view.photoId) ?? "")
        : `${filling.kind} ${i + 1}`;
  return sceneLayers(page, facts).flatMap(({ tile, steps }, i) => {
    const name = tile ? nameOf(tile, page.tiles.indexOf(tile)) : i === 0 ? order.title : "shadow";
    return steps.length > 0 || i === 0 ? [{ name, steps }] : [];
  });
}

async function paint(
  ctx: OffscreenCanvasRenderingContext2D,
  { steps, toPixels }: Sheet,
  order: PagePrint,
): Promise<void> {
  const resampler = openResampler();
  setMatrix(ctx, toPixels);
  const painter = new StepPainter(ctx);
  // A picture that is laid again and again is decoded once.
  let held: { readonly photoId: string; readonly longPx: number; readonly source: SourcePixels } | undefined;
  for (const step of steps) {
    if (step.draw !== "photo") {
      painter.paint(step, { face: step.draw === "words" ? printFonts.face(step.face) : undefined });
      continue;
    }
    const from = order.photos.find((p) => p.photo.id === step.photoId);
    if (!from) continue;
    const longPx = longSidePx(step.matrix, toPixels);
    if (held?.photoId !== step.photoId || held.longPx !== longPx) {
      held?.source.close();
      held = { photoId: step.photoId, longPx, source: await pixelsFor(from, longPx, "srgb") };
    }
    const { source } = held;
    paintPhoto(painter.ctx, step, painter.here(toPixels), { source, resampler, colourSpace: "srgb", tone: step.tone });
  }
  held?.source.close();
}
