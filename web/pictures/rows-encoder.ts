import {
  differenced,
  freshRows,
  JpegEncoder,
  type JpegWish,
  joined,
  jpegEnd,
  jpegHead,
  jpegPart,
  lzwPacked,
  mostJpegSidePx,
  PngFilter,
  pngChunk,
  pngEnd,
  pngHead,
  rgbOf,
  rgbProfile,
  rowsPerStrip,
  TiffSizeError,
  type TiffWish,
  tiffHead,
} from "#core/files";
import type { PictureWish } from "../workers/jobs.ts";
import { deflated } from "./deflate.ts";
import { helper } from "./helper.ts";
import { PrintError } from "./print-error.ts";

type Bytes = Uint8Array<ArrayBuffer>;

/** Takes whole rows of RGBA from top to bottom, and gives back the file piece by piece. */
export interface RowsEncoder {
  add(rows: ImageDataArray): Promise<readonly Bytes[]>;
  finish(): Promise<readonly Bytes[]>;
  /** After the end: what has to stand in place of the first piece, where that could not be known before. */
  readonly head?: Bytes | undefined;
}

interface Size {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
}

export function rowsEncoder(wish: PictureWish, size: Size): RowsEncoder {
  const profile = rgbProfile(wish.colour);
  switch (wish.kind) {
    case "jpeg": {
      if (Math.max(size.widthPx, size.heightPx) > mostJpegSidePx)
        throw new PrintError("tooLargeForKind", `${size.widthPx} × ${size.heightPx}`);
      const { chroma } = wish;
      // A progressive picture is held in memory until it is whole.
      const progressive = wish.progressive && size.widthPx * size.heightPx <= mostProgressivePixels;
      const how = { ...size, profile, chroma, quality: Math.round(100 * wish.quality) };
      if (!progressive) return sideBySide(how);
      const encoder = new JpegEncoder({ ...how, progressive });
      return { add: async (rows) => encoder.addRows(asBytes(rows)), finish: async () => encoder.finish() };
    }
    case "png":
      return pngEncoder({ ...size, profile });
    case "tiff":
      return tiffEncoder({ ...size, profile, packing: wish.packing ?? "none" });
  }
}

/** So few rows are sooner coded here than handed over. */
const leastShared = 512;

/** A baseline JPEG, of whose bands a helper codes the lower half meanwhile. Bands begin where coding may begin afresh. */
function sideBySide(wish: Omit<JpegWish, "progressive">): RowsEncoder {
  const fresh = freshRows(wish);
  let front = jpegHead(wish);
  let row = 0;
  return {
    add: async (band) => {
      const rows = asBytes(band);
      const line = 4 * wish.widthPx;
      const count = rows.length / line;
      const half = count < leastShared ? count : Math.ceil(count / 2 / fresh) * fresh;
      const lower =
        half < count
          ? helper.run("jpegPart", { wish, rows: rows.slice(half * line), fromRow: row + half })
          : Promise.resolve([]);
      const upper = jpegPart(wish, rows.subarray(0, half * line), row);
      row += count;
      const parts = [...front, ...upper, ...(await lower)];
      front = [];
      return parts;
    },
    finish: async () => [jpegEnd()],
  };
}

const asBytes = (rows: ImageDataArray): Uint8ClampedArray => rows as Uint8ClampedArray;

const mostProgressivePixels = 150_000_000;
const chunkBytes = 1 << 20;

function pngEncoder(wish: Size & { readonly profile: Uint8Array }): RowsEncoder {
  const filter = new PngFilter(wish.widthPx);
  const packing = new CompressionStream("deflate");
  const writer = packing.writable.getWriter();
  const ready: Bytes[] = [pngHead(wish)];
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
      await writer.write(filter.rows(asBytes(rows)));
      return taken();
    },
    finish: async () => {
      await writer.close();
      await packed;
      return [...taken(), pngEnd()];
    },
  };
}

/** Strips are packed one by one; what a band leaves of the last one waits for the next. */
function tiffEncoder(wish: TiffWish): RowsEncoder {
  const line = 4 * wish.widthPx;
  const whole = line * rowsPerStrip(wish.widthPx);
  const sizes: number[] = [];
  let first: Bytes[] = [headOf(wish)];
  let waiting = new Uint8ClampedArray(0);
  const strip = async (rows: Uint8ClampedArray) => {
    const packed = await packedStrip(rgbOf(rows), wish);
    sizes.push(packed.length);
    return packed;
  };
  const encoder = {
    head: undefined as Bytes | undefined,
    add: async (band: ImageDataArray) => {
      const rows = asBytes(band);
      const all = waiting.length === 0 ? rows : new Uint8ClampedArray(waiting.length + rows.length);
      if (all !== rows) {
        all.set(waiting);
        all.set(rows, waiting.length);
      }
      const parts = first;
      first = [];
      let at = 0;
      for (; at + whole <= all.length; at += whole) parts.push(await strip(all.subarray(at, at + whole)));
      waiting = all.slice(at);
      return parts;
    },
    finish: async () => {
      const parts = waiting.length > 0 ? [await strip(waiting)] : [];
      if (wish.packing !== "none") encoder.head = headOf(wish, sizes);
      return parts;
    },
  };
  return encoder;
}

function headOf(wish: TiffWish, sizes?: readonly number[]): Bytes {
  try {
    return tiffHead(wish, sizes);
  } catch (e) {
    if (e instanceof TiffSizeError) throw new PrintError("tooLargeForKind", `${wish.widthPx} × ${wish.heightPx}`);
    throw e;
  }
}

async function packedStrip(rgb: Bytes, { packing, widthPx }: TiffWish): Promise<Bytes> {
  if (packing === "none") return rgb;
  const plain = differenced(rgb, widthPx);
  return packing === "lzw" ? lzwPacked(plain) : deflated(plain);
}
