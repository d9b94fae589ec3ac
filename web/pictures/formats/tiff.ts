import {
  differenced,
  littleEndian,
  lzwPacked,
  lzwUnpacked,
  plainStrips,
  rgbOf,
  rgbProfile,
  rowsPerStrip,
  samplesOf,
  summed,
  type TiffOptions,
  TiffSizeError,
  tiffHead,
  viewOf,
} from "#core/files";
import { deflated, inflated } from "../deflate.ts";
import { PrintError } from "../print-error.ts";
import type { Bytes, FileSize, PaintedRows, PictureWriter, RowsEncoder } from "./format.ts";
import { bytesOf, PixelSum, sameRows } from "./looks.ts";

export const tiff: PictureWriter = {
  mime: "image/tiff",
  mostSidePx: 0xffff_ffff,
  encoder: ({ colour, packing }, size) =>
    tiffEncoder({ ...size, profile: rgbProfile(colour), packing: packing ?? "none" }),
  judge(_, size) {
    const look = new PixelSum();
    return { look, readBack: (file) => sameRows(tiffRows(file, size), look, size) };
  },
};

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

/** The rows of a TIFF as we write it, strip by strip, as RGB. */
async function* tiffRows(file: Blob, size: FileSize): AsyncIterable<Uint8Array> {
  const head = await bytesOf(file, 0, 8 + 2 + 12 * 20);
  const view = viewOf(head);
  const tags = new Map<number, { readonly count: number; readonly value: number }>();
  for (let i = 0; i < view.getUint16(8, true); i += 1) {
    const at = 10 + 12 * i;
    const isShort = view.getUint16(at + 2, true) === 3;
    const value = isShort ? view.getUint16(at + 8, true) : view.getUint32(at + 8, true);
    tags.set(view.getUint16(at, true), { count: view.getUint32(at + 4, true), value });
  }
  if (tags.get(256)?.value !== size.widthPx || tags.get(257)?.value !== size.heightPx) throw new Error("size");
  const list = async (tag: number) => {
    const { count, value } = tags.get(tag)!;
    if (count === 1) return [value];
    const listed = viewOf(await bytesOf(file, value, value + 4 * count));
    return Array.from({ length: count }, (_, i) => listed.getUint32(4 * i, true));
  };
  const [offsets, sizes] = [await list(273), await list(279)];
  const packing = tags.get(259)?.value;
  const lengths = plainStrips(size);
  for (const [i, from] of offsets.entries()) {
    const length = lengths[i]!;
    const strip = await bytesOf(file, from, from + sizes[i]!);
    const plain = packing === 1 ? strip : await (packing === 5 ? lzwUnpacked(strip, length) : inflated(strip));
    if (plain?.length !== length) throw new Error(`strip ${i}`);
    if (packing === 1) yield plain;
    else if (size.bits === 8) yield summed(plain, size.widthPx);
    else yield littleEndian(summed(samplesOf(plain), size.widthPx));
  }
}
