import {
  type ChannelBits,
  differenced,
  freshRows,
  JpegEncoder,
  type JpegOptions,
  joined,
  jpegEnd,
  jpegHead,
  jpegPart,
  littleEndian,
  lzwPacked,
  mostJpegSidePx,
  PngFilter,
  pngChunk,
  pngEnd,
  pngHead,
  rgbOf,
  rgbProfile,
  rowsPerStrip,
  type TiffOptions,
  TiffSizeError,
  tiffHead,
} from "#core/files";
import type { PictureOptions } from "../workers/jobs.ts";
import { deflated } from "./deflate.ts";
import { helper } from "./helper.ts";
import type { PaintedRows } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";

type Bytes = Uint8Array<ArrayBuffer>;

/** Takes whole rows from top to bottom, and gives back the file piece by piece. */
export interface RowsEncoder {
  add(rows: PaintedRows): Promise<readonly Bytes[]>;
  finish(): Promise<readonly Bytes[]>;
  /** After the end: what has to stand in place of the first piece, where that could not be known before. */
  readonly head?: Bytes | undefined;
}

interface Size {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly bits: ChannelBits;
}

export function rowsEncoder(options: PictureOptions, size: Size): RowsEncoder {
  const profile = rgbProfile(options.colour);
  switch (options.kind) {
    case "jpeg": {
      if (Math.max(size.widthPx, size.heightPx) > mostJpegSidePx)
        throw new PrintError("tooLargeForKind", `${size.widthPx} × ${size.heightPx}`);
      const { chroma } = options;
      // A progressive picture is held in memory until it is whole.
      const progressive = options.progressive && size.widthPx * size.heightPx <= mostProgressivePixels;
      const how = { ...size, profile, chroma, quality: Math.round(100 * options.quality) };
      if (!progressive) return sideBySide(how);
      const encoder = new JpegEncoder({ ...how, progressive });
      return { add: async (rows) => encoder.addRows(asBytes(rows)), finish: async () => encoder.finish() };
    }
    case "png":
      return pngEncoder({ ...size, profile });
    case "tiff":
      return tiffEncoder({ ...size, profile, packing: options.packing ?? "none" });
  }
}

/** So few rows are sooner coded here than handed over. */
const leastShared = 512;

/** A baseline JPEG, of whose bands a helper codes the lower half meanwhile. Bands begin where coding may begin afresh. */
function sideBySide(options: Omit<JpegOptions, "progressive">): RowsEncoder {
  const fresh = freshRows(options);
  let front = jpegHead(options);
  let row = 0;
  return {
    add: async (band) => {
      const rows = asBytes(band);
      const line = 4 * options.widthPx;
      const count = rows.length / line;
      const half = count < leastShared ? count : Math.ceil(count / 2 / fresh) * fresh;
      const lower =
        half < count
          ? helper.run("jpegPart", { options, rows: rows.slice(half * line), fromRow: row + half })
          : Promise.resolve([]);
      const upper = jpegPart(options, rows.subarray(0, half * line), row);
      row += count;
      const parts = [...front, ...upper, ...(await lower)];
      front = [];
      return parts;
    },
    finish: async () => [jpegEnd()],
  };
}

/** Of all kinds but TIFF, which are painted in eight bits. */
const asBytes = (rows: PaintedRows): Uint8ClampedArray => rows as Uint8ClampedArray;

const mostProgressivePixels = 150_000_000;
const chunkBytes = 1 << 20;

function pngEncoder(options: Size & { readonly profile: Uint8Array }): RowsEncoder {
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
function tiffEncoder(options: TiffOptions): RowsEncoder {
  const deep = options.bits === 16;
  const whole = (deep ? 3 : 4) * options.widthPx * rowsPerStrip(options.widthPx, options.bits);
  const sizes: number[] = [];
  let first: Bytes[] = [headOf(options)];
  let waiting: PaintedRows = deep ? new Uint16Array(0) : new Uint8ClampedArray(0);
  const strip = async (rows: PaintedRows) => {
    const packed = await packedStrip(rows, options);
    sizes.push(packed.length);
    return packed;
  };
  const encoder = {
    head: undefined as Bytes | undefined,
    add: async (rows: PaintedRows) => {
      const all = waiting.length === 0 ? rows : joinedRows(waiting, rows);
      const parts = first;
      first = [];
      let at = 0;
      for (; at + whole <= all.length; at += whole) parts.push(await strip(all.subarray(at, at + whole)));
      waiting = all.slice(at);
      return parts;
    },
    finish: async () => {
      const parts = waiting.length > 0 ? [await strip(waiting)] : [];
      if (options.packing !== "none") encoder.head = headOf(options, sizes);
      return parts;
    },
  };
  return encoder;
}

function joinedRows(above: PaintedRows, below: PaintedRows): PaintedRows {
  const length = above.length + below.length;
  const all = above instanceof Uint16Array ? new Uint16Array(length) : new Uint8ClampedArray(length);
  all.set(above);
  all.set(below, above.length);
  return all;
}

function headOf(options: TiffOptions, sizes?: readonly number[]): Bytes {
  try {
    return tiffHead(options, sizes);
  } catch (e) {
    if (e instanceof TiffSizeError) throw new PrintError("tooLargeForKind", `${options.widthPx} × ${options.heightPx}`);
    throw e;
  }
}

async function packedStrip(rows: PaintedRows, { packing, widthPx }: TiffOptions): Promise<Bytes> {
  const packed = packing !== "none";
  const plain =
    rows instanceof Uint16Array
      ? littleEndian(packed ? differenced(rows.slice(), widthPx) : rows)
      : packed
        ? differenced(rgbOf(rows), widthPx)
        : rgbOf(rows);
  return packing === "none" ? plain : packing === "lzw" ? lzwPacked(plain) : deflated(plain);
}
