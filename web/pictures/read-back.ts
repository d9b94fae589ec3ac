import {
  type ChannelBits,
  crc32,
  littleEndian,
  lzwUnpacked,
  PngRows,
  plainStrips,
  readJpegFacts,
  rgbOf,
  samplesOf,
  summed,
  viewOf,
} from "#core/files";
import type { PictureOptions } from "../workers/jobs.ts";
import { inflated } from "./deflate.ts";
import type { PaintedRows } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";

/** What is gathered of the drawn rows while they go by, to be found again in the finished file. */
export interface Look {
  add(rows: PaintedRows, fromRow: number): void;
}

const cells = 8;
/** A JPEG decoded at an eighth of its size has the mean of each block for a pixel, so nothing in it can alias. */
const block = 8;
/** What an encoder at the lowest quality leaves of a mean. */
const mostApart = 8;
const headBytes = 200_000;

/** The mean colours of a grid over a picture; each of its cells is made of whole blocks. */
export class BlockMeans implements Look {
  readonly #sums = new Float64Array(3 * cells * cells);
  readonly #counts = new Float64Array(cells * cells);
  readonly #width: number;
  readonly #cellOfColumn: Uint8Array;
  readonly #cellOfRow: Uint8Array;

  /** `pixelsPerBlock`: along each side of what is added. */
  constructor(widthPx: number, heightPx: number, pixelsPerBlock: number) {
    const cellsAlong = (length: number) => {
      const blocks = Math.ceil(length / pixelsPerBlock);
      return Uint8Array.from({ length }, (_, i) => Math.floor((cells * Math.floor(i / pixelsPerBlock)) / blocks));
    };
    this.#width = widthPx;
    this.#cellOfColumn = cellsAlong(widthPx);
    this.#cellOfRow = cellsAlong(heightPx);
  }

  add(rgba: PaintedRows, fromRow: number): void {
    const rows = rgba.length / (4 * this.#width);
    for (let y = 0, i = 0; y < rows; y += 1) {
      const row = this.#cellOfRow[fromRow + y]! * cells;
      for (let x = 0; x < this.#width; ) {
        const column = this.#cellOfColumn[x]!;
        let [r, g, b, n] = [0, 0, 0, 0];
        for (; x < this.#width && this.#cellOfColumn[x] === column; x += 1, i += 4, n += 1) {
          r += rgba[i]!;
          g += rgba[i + 1]!;
          b += rgba[i + 2]!;
        }
        const cell = row + column;
        this.#sums[3 * cell]! += r;
        this.#sums[3 * cell + 1]! += g;
        this.#sums[3 * cell + 2]! += b;
        this.#counts[cell]! += n;
      }
    }
  }

  /** The largest distance of any cell's mean from the other's. */
  apart(other: BlockMeans): number {
    let most = 0;
    for (let i = 0; i < this.#sums.length; i += 1) {
      const [a, b] = [this.#counts[Math.floor(i / 3)]!, other.#counts[Math.floor(i / 3)]!];
      if (a > 0 && b > 0) most = Math.max(most, Math.abs(this.#sums[i]! / a - other.#sums[i]! / b));
    }
    return most;
  }
}

/** Of files that keep every pixel: a checksum over all of them. */
export class PixelSum implements Look {
  #crc = 0;

  add(rows: PaintedRows): void {
    this.addRgb(rows instanceof Uint16Array ? littleEndian(rows) : rgbOf(rows));
  }

  addRgb(rgb: Uint8Array): void {
    this.#crc = crc32(rgb, this.#crc);
  }

  equals(other: PixelSum): boolean {
    return this.#crc === other.#crc;
  }
}

interface Size {
  readonly widthPx: number;
  readonly heightPx: number;
}

export const lookFor = ({ kind }: PictureOptions, { widthPx, heightPx }: Size): BlockMeans | PixelSum =>
  kind === "jpeg" ? new BlockMeans(widthPx, heightPx, block) : new PixelSum();

interface Expected extends Size {
  readonly ppi: number;
  readonly bits: ChannelBits;
  readonly look: BlockMeans | PixelSum;
}

/**
 * Reads a finished file back: what it says of itself, that it is whole, and that it shows what was drawn, bit by bit where its kind
 * keeps bits. Rejects with `fileWrong`.
 */
export async function readBack(file: Blob, options: PictureOptions, expected: Expected): Promise<void> {
  const wrong = (what: string) => new PrintError("fileWrong", what);
  if (expected.look instanceof BlockMeans) {
    const facts = readJpegFacts(await bytesOf(file, 0, headBytes));
    const { widthPx, heightPx, ppi } = expected;
    const right = facts.widthPx === widthPx && facts.heightPx === heightPx && facts.ppi === Math.round(ppi);
    const end = await bytesOf(file, file.size - 2, file.size);
    if (!right || end[0] !== 0xff || end[1] !== 0xd9) throw wrong(JSON.stringify(facts));
    const seen = await meansOf(file, options, expected);
    if (seen && expected.look.apart(seen) > mostApart)
      throw wrong(`means are ${expected.look.apart(seen).toFixed(1)} apart`);
    return;
  }
  const sum = new PixelSum();
  let pixels = 0;
  try {
    const rows = options.kind === "png" ? pngRows(file, expected) : tiffRows(file, expected);
    for await (const rgb of rows) {
      sum.addRgb(rgb);
      pixels += (8 * rgb.length) / 3 / expected.bits;
    }
  } catch (e) {
    throw wrong(String(e));
  }
  if (pixels !== expected.widthPx * expected.heightPx || !sum.equals(expected.look)) throw wrong(`${pixels} pixels`);
}

const bytesOf = async (file: Blob, from: number, to: number): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await file.slice(from, to).arrayBuffer());

const mostDecoded = 120_000_000;

/** The colours of a JPEG; undefined where this browser cannot decode one so large. */
async function meansOf(file: Blob, { colour }: PictureOptions, size: Size): Promise<BlockMeans | undefined> {
  const colorSpace = colour === "displayP3" ? "display-p3" : "srgb";
  if (typeof ImageDecoder !== "undefined") {
    const eighth = (px: number) => Math.max(1, Math.ceil(px / block));
    const decoder = new ImageDecoder({
      data: file.stream(),
      type: file.type,
      desiredWidth: eighth(size.widthPx),
      desiredHeight: eighth(size.heightPx),
    });
    try {
      const { image } = await decoder.decode();
      const { width, height } = image.visibleRect ?? { width: image.codedWidth, height: image.codedHeight };
      const data = new Uint8ClampedArray(width * height * 4);
      await image.copyTo(data, { format: "RGBA", colorSpace, layout: [{ offset: 0, stride: 4 * width }] });
      image.close();
      const look = new BlockMeans(width, height, width === eighth(size.widthPx) ? 1 : block);
      look.add(data, 0);
      return look;
    } finally {
      decoder.close();
    }
  }
  if (file.size > mostDecoded) return undefined;
  const picture = await createImageBitmap(file);
  const look = new BlockMeans(picture.width, picture.height, block);
  const rows = 256;
  const canvas = new OffscreenCanvas(picture.width, rows);
  const ctx = canvas.getContext("2d", { colorSpace, willReadFrequently: true })!;
  for (let y = 0; y < picture.height; y += rows) {
    ctx.drawImage(picture, 0, -y);
    const { data } = ctx.getImageData(0, 0, picture.width, Math.min(rows, picture.height - y), { colorSpace });
    look.add(data as Uint8ClampedArray<ArrayBuffer>, y);
  }
  picture.close();
  return look;
}

/** The rows of a PNG as we write it, as RGB. */
async function* pngRows(file: Blob, size: Size): AsyncIterable<Uint8Array> {
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

async function feedIdat(file: Blob, size: Size, into: WritableStreamDefaultWriter<Uint8Array<ArrayBuffer>>) {
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

/** The rows of a TIFF as we write it, strip by strip, as RGB. */
async function* tiffRows(file: Blob, size: Size & { readonly bits: ChannelBits }): AsyncIterable<Uint8Array> {
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
