import { printPixels } from "#core/lab";
import type { PrintedFile, PrintOrder } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { pictureWriters } from "./formats/index.ts";
import { bitsOf, paintBands } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";
import { openSink } from "./saved-file.ts";

/** The file as the lab wants it: exact pixels, density and profile, and read back before it is handed out. */
export async function printPicture(order: PrintOrder, doing: Doing): Promise<PrintedFile> {
  const { file, options, keepAs } = order;
  const writer = pictureWriters[options.kind];
  const ppi = file.densityPpi ?? file.format.ppi;
  const bits = await bitsOf(order);
  const size = { ...printPixels(file.format), ppi, bits };
  if (Math.max(size.widthPx, size.heightPx) > writer.mostSidePx)
    throw new PrintError("tooLargeForKind", `${size.widthPx} × ${size.heightPx}`);
  const encoder = writer.encoder(options, size);
  const { look, readBack } = writer.judge(options, size);
  const sink = await openSink(keepAs, writer.mime);
  let made: Blob;
  try {
    await paintBands(
      order,
      doing,
      async (rows, from) => {
        const coding = encoder.add(rows);
        // While a helper still codes its share.
        look.add(rows, from);
        for (const part of await coding) sink.write(part);
      },
      { bits },
    );
    for (const part of await encoder.finish()) sink.write(part);
    if (encoder.head) sink.rewriteHead(encoder.head);
    made = await sink.close();
  } catch (e) {
    await sink.drop().catch(() => {});
    throw e;
  }
  doing.signal.throwIfAborted();
  await readBack(made);
  doing.progress(1);
  return { file: made, widthPx: size.widthPx, heightPx: size.heightPx, ppi };
}
