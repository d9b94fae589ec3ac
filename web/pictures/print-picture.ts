import { printPixels } from "#core/lab";
import type { PrintedFile, PrintOrder } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { bitsOf, paintBands } from "./print-bands.ts";
import { lookFor, readBack } from "./read-back.ts";
import { rowsEncoder } from "./rows-encoder.ts";
import { openSink } from "./saved-file.ts";

const types = { jpeg: "image/jpeg", png: "image/png", tiff: "image/tiff" } as const;

/** The file as the lab wants it: exact pixels, density and profile, and read back before it is handed out. */
export async function printPicture(order: PrintOrder, doing: Doing): Promise<PrintedFile> {
  const { file, options, keepAs } = order;
  const ppi = file.densityPpi ?? file.format.ppi;
  const size = { ...printPixels(file.format), ppi };
  const bits = await bitsOf(order);
  const encoder = rowsEncoder(options, { ...size, bits });
  const look = lookFor(options, size);
  const sink = await openSink(keepAs, types[options.kind]);
  let made: Blob;
  try {
    await paintBands(
      order,
      doing,
      async (rows, from) => {
        look.add(rows, from);
        for (const part of await encoder.add(rows)) sink.write(part);
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
  await readBack(made, options, { ...size, bits, look });
  doing.progress(1);
  return { file: made, ...size };
}
