import { crc32, joined, PngFilter, PngRows, pngChunk, pngEnd, pngHead, rgbProfile, viewOf } from "#core/files";
import type { Bytes, FileSize, PictureWriter, RowsEncoder } from "./format.ts";
import { bytesOf, PixelSum, sameRows } from "./looks.ts";

export const png: PictureWriter = {
  mime: "image/png",
  mostSidePx: 0x7fff_ffff,
  encoder: ({ colour }, size) => pngEncoder({ ...size, profile: rgbProfile(colour) }),
  judge(_, size) {
    const look = new PixelSum();
    return { look, readBack: (file) => sameRows(pngRows(file, size), look, size) };
  },
};

const chunkBytes = 1 << 20;

function pngEncoder(options: FileSize & { readonly profile: Uint8Array }): RowsEncoder {
  const filter = new PngFilter(options.widthPx);
  const packing = new CompressionStream("deflate");
  const writer = packing.writable.getWriter();
  const ready: Bytes[] = [pngHead(options)];
  const packed = (async () => {
    let held: Uint8Array[] = [];
    let bytes = 0;
    const flush = () => {
      if (bytes > 0) ready.push(pngChunk("IDAT", joined(held)));
      held = [];
      bytes = 0;
    };
    for await (const part of packing.readable as unknown as AsyncIterable<Uint8Array>) {
      held.push(part);
      bytes += part.length;
      if (bytes >= chunkBytes) flush();
    }
    flush();
  })();
  const taken = () => ready.splice(0);
  return {
    add: async (rows) => {
      await writer.write(filter.rows(rows as Uint8ClampedArray));
      return taken();
    },
    finish: async () => {
      await writer.close();
      await packed;
      return [...taken(), pngEnd()];
    },
  };
}

/** The rows of a PNG as we write it, as RGB. */
async function* pngRows(file: Blob, size: FileSize): AsyncIterable<Uint8Array> {
  const packed = new TransformStream<Uint8Array<ArrayBuffer>, Uint8Array<ArrayBuffer>>();
  const unpacked = packed.readable.pipeThrough(new DecompressionStream("deflate"));
  const feeding = feedIdat(file, size, packed.writable.getWriter());
  // Whoever reads hears of it by the stream.
  feeding.catch(() => {});
  const rows = new PngRows(size.widthPx);
  for await (const part of unpacked as unknown as AsyncIterable<Uint8Array>) yield rows.add(part);
  await feeding;
  if (rows.left > 0) throw new Error(`${rows.left} bytes too many`);
}

async function feedIdat(file: Blob, size: FileSize, into: WritableStreamDefaultWriter<Uint8Array<ArrayBuffer>>) {
  try {
    for (let at = 8; ; ) {
      const head = await bytesOf(file, at, at + 8 + 13);
      const view = viewOf(head);
      const length = view.getUint32(0);
      const name = String.fromCharCode(...head.subarray(4, 8));
      if (name === "IHDR" && (view.getUint32(8) !== size.widthPx || view.getUint32(12) !== size.heightPx))
        throw new Error(`${view.getUint32(8)} × ${view.getUint32(12)}`);
      if (name === "IDAT") {
        const chunk = await bytesOf(file, at + 4, at + 12 + length);
        if (crc32(chunk.subarray(0, 4 + length), 0) !== viewOf(chunk).getUint32(4 + length)) throw new Error("crc");
        await into.write(chunk.subarray(4, 4 + length));
      }
      at += 12 + length;
      if (name !== "IEND") continue;
      if (at !== file.size) throw new Error(`${file.size - at} bytes behind the end`);
      await into.close();
      return;
    }
  } catch (e) {
    await into.abort(e).catch(() => {});
    throw e;
  }
}
