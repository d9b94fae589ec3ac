import { crc32, littleEndian, rgbOf } from "#core/files";
import type { PictureOptions } from "../../workers/jobs.ts";
import { PrintError } from "../print-error.ts";
import type { FileSize, Look, PaintedRows } from "./format.ts";

const cells = 8;
/** A JPEG decoded at an eighth of its size has the mean of each block for a pixel, so nothing in it can alias. */
export const block = 8;
/** What an encoder at the lowest quality leaves of a mean. */
export const mostApart = 8;

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

  /** Of rows of eight bits a channel; four bytes are read at once. */
  add({ buffer, byteOffset, length }: PaintedRows, fromRow: number): void {
    const rgba = new Int32Array(buffer, byteOffset, length / 4);
    const cellOfColumn = this.#cellOfColumn;
    const width = this.#width;
    for (let y = 0; y * width < rgba.length; y += 1) {
      const row = this.#cellOfRow[fromRow + y]! * cells;
      for (let x = 0; x < width; ) {
        const column = cellOfColumn[x]!;
        const from = x;
        let [r, g, b] = [0, 0, 0];
        for (; x < width && cellOfColumn[x] === column; x += 1) {
          const pixel = rgba[y * width + x]!;
          r += pixel & 255;
          g += (pixel >> 8) & 255;
          b += (pixel >> 16) & 255;
        }
        const cell = row + column;
        this.#sums[3 * cell]! += r;
        this.#sums[3 * cell + 1]! += g;
        this.#sums[3 * cell + 2]! += b;
        this.#counts[cell]! += x - from;
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

type Size = Pick<FileSize, "widthPx" | "heightPx">;

const mostDecoded = 120_000_000;

/** The colours of a JPEG; undefined where this browser cannot decode one so large. */
export async function meansOf(file: Blob, { colour }: PictureOptions, size: Size): Promise<BlockMeans | undefined> {
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

/** Rejects where the rows of a finished file are not those that were drawn, bit by bit. */
export async function sameRows(
  rows: AsyncIterable<Uint8Array>,
  drawn: PixelSum,
  { widthPx, heightPx, bits }: FileSize,
): Promise<void> {
  const sum = new PixelSum();
  let pixels = 0;
  try {
    for await (const rgb of rows) {
      sum.addRgb(rgb);
      pixels += (8 * rgb.length) / 3 / bits;
    }
  } catch (e) {
    throw wrong(String(e));
  }
  if (pixels !== widthPx * heightPx || !sum.equals(drawn)) throw wrong(`${pixels} pixels`);
}

export const wrong = (what: string): PrintError => new PrintError("fileWrong", what);

export const bytesOf = async (file: Blob, from: number, to: number): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await file.slice(from, to).arrayBuffer());
