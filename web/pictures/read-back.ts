import { readJpegFacts } from "#core/files";
import type { PictureWish } from "../workers/jobs.ts";
import { PrintError } from "./print-error.ts";

const cells = 4;
/** Every so many rows are enough: what lies on a page is higher than that. */
const stride = 3;
/** What an encoder at the lowest quality leaves of a mean. */
const mostApart = 8;
const headBytes = 200_000;

/** The mean colours of a coarse grid over a picture, gathered while its rows go by. */
export class CoarseLook {
  readonly #sums = new Float64Array(3 * cells * cells);
  readonly #counts = new Float64Array(cells * cells);
  readonly #width: number;
  readonly #height: number;
  readonly #every: number;

  constructor(widthPx: number, heightPx: number, every = stride) {
    this.#width = widthPx;
    this.#height = heightPx;
    this.#every = every;
  }

  add(rgba: ArrayLike<number>, from: number): void {
    const rows = rgba.length / (4 * this.#width);
    for (let y = (this.#every - (from % this.#every)) % this.#every; y < rows; y += this.#every) {
      const row = Math.floor((cells * (from + y)) / this.#height) * cells;
      for (let column = 0; column < cells; column += 1) this.#addStretch(rgba, y, row + column, column);
    }
  }

  /** That part of a line that lies in one cell. */
  #addStretch(rgba: ArrayLike<number>, y: number, cell: number, column: number): void {
    const x0 = Math.ceil((column * this.#width) / cells);
    const x1 = Math.ceil(((column + 1) * this.#width) / cells);
    let [r, g, b] = [0, 0, 0];
    for (let x = x0, i = 4 * (y * this.#width + x0); x < x1; x += 1, i += 4) {
      r += rgba[i]!;
      g += rgba[i + 1]!;
      b += rgba[i + 2]!;
    }
    this.#sums[3 * cell]! += r;
    this.#sums[3 * cell + 1]! += g;
    this.#sums[3 * cell + 2]! += b;
    this.#counts[cell]! += x1 - x0;
  }

  /** The largest distance of any cell's mean from the other's. */
  apart(other: CoarseLook): number {
    let most = 0;
    for (let i = 0; i < this.#sums.length; i += 1) {
      const [a, b] = [this.#counts[Math.floor(i / 3)]!, other.#counts[Math.floor(i / 3)]!];
      if (a > 0 && b > 0) most = Math.max(most, Math.abs(this.#sums[i]! / a - other.#sums[i]! / b));
    }
    return most;
  }
}

interface Expected {
  readonly widthPx: number;
  readonly heightPx: number;
  readonly ppi: number;
  readonly look: CoarseLook;
}

/**
 * Reads a finished file back: what it says of itself, that it is whole, and, where this browser can decode it, that it
 * shows what was drawn. Rejects with `fileWrong`.
 */
export async function readBack(file: Blob, wish: PictureWish, expected: Expected): Promise<void> {
  const head = new Uint8Array(await file.slice(0, headBytes).arrayBuffer());
  const wrong = (what: string) => new PrintError("fileWrong", what);
  if (wish.kind === "jpeg") {
    const facts = readJpegFacts(head);
    const right =
      facts.widthPx === expected.widthPx &&
      facts.heightPx === expected.heightPx &&
      facts.ppi === Math.round(expected.ppi);
    const end = new Uint8Array(await file.slice(file.size - 2).arrayBuffer());
    if (!right || end[0] !== 0xff || end[1] !== 0xd9) throw wrong(JSON.stringify(facts));
  } else if (wish.kind === "png") {
    const view = new DataView(head.buffer);
    const end = String.fromCharCode(...new Uint8Array(await file.slice(file.size - 8, file.size - 4).arrayBuffer()));
    if (view.getUint32(16) !== expected.widthPx || view.getUint32(20) !== expected.heightPx || end !== "IEND")
      throw wrong(`${view.getUint32(16)} × ${view.getUint32(20)}, ${end}`);
  } else {
    const pixels = 3 * expected.widthPx * expected.heightPx;
    if (file.size < pixels || file.size > pixels + headBytes) throw wrong(`${file.size} bytes`);
    // The browser does not decode TIFF; its size tells all that is not packed.
    return;
  }
  const seen = await smallLook(file, wish);
  if (seen && expected.look.apart(seen) > mostApart)
    throw wrong(`means are ${expected.look.apart(seen).toFixed(1)} apart`);
}

const mostDecoded = 120_000_000;

async function smallLook(file: Blob, wish: PictureWish): Promise<CoarseLook | undefined> {
  const picture = await decodedSmall(file).catch(() => undefined);
  if (!picture) return undefined;
  const [w, h] = [256, 256];
  const canvas = new OffscreenCanvas(w, h);
  const colorSpace = wish.colour === "displayP3" ? "display-p3" : "srgb";
  const ctx = canvas.getContext("2d", { alpha: false, colorSpace, willReadFrequently: true });
  ctx?.drawImage(picture, 0, 0, w, h);
  picture.close();
  if (!ctx) return undefined;
  const look = new CoarseLook(w, h, 1);
  look.add(ctx.getImageData(0, 0, w, h, { colorSpace }).data, 0);
  return look;
}

/** An eighth of its size is enough, and takes a JPEG a fraction of the time. */
async function decodedSmall(file: Blob): Promise<ImageBitmap | VideoFrame | undefined> {
  if (typeof ImageDecoder !== "undefined" && file.type === "image/jpeg") {
    const facts = readJpegFacts(new Uint8Array(await file.slice(0, headBytes).arrayBuffer()));
    const eighth = (px: number) => Math.max(1, Math.ceil(px / 8));
    const decoder = new ImageDecoder({
      data: file.stream(),
      type: file.type,
      desiredWidth: eighth(facts.widthPx),
      desiredHeight: eighth(facts.heightPx),
    });
    try {
      return (await decoder.decode()).image;
    } finally {
      decoder.close();
    }
  }
  return file.size < mostDecoded ? createImageBitmap(file) : undefined;
}
