import { type Orientation, orientationMatrix, orientedSize, type PictureKind } from "#core/photo";

/** Pixels as they should be seen, to be closed by whoever asked for them. */
export interface Decoded {
  readonly image: ImageBitmap | VideoFrame | OffscreenCanvas;
  readonly widthPx: number;
  readonly heightPx: number;
  /** Of a frame, whose pixels lie as they were stored. */
  readonly orientation: Orientation;
  /** Whether its colours are those of sRGB. */
  readonly plainColours: boolean;
  readonly mayBeClear: boolean;
  close(): void;
}

export interface DecodeOptions {
  readonly kind: PictureKind;
  readonly orientation: Orientation;
  /** The stored size, before orientation, when it is known. */
  readonly stored?: { readonly widthPx: number; readonly heightPx: number };
  /** Whether the file has a colour profile that is not sRGB. */
  readonly ownProfile?: boolean;
  /** The longer side that is wanted; smaller pictures come as they are. */
  readonly longPx: number;
}

/** Bytes where they are in memory anyway, so that no copy is made of them. */
export type Encoded = Blob | Uint8Array<ArrayBuffer>;

/** Four bytes for each pixel; more than this at once in several workers is more than small computers have. */
const largePixels = 64_000_000;

/**
 * Rejects for bytes that no picture can be made of. Large pictures are decoded one after the other, whichever worker and tab
 * asks; `alive` is called when a turn has come.
 */
export async function decode(from: Encoded, options: DecodeOptions, alive: () => void = () => {}): Promise<Decoded> {
  const scaled = await scaledWhileDecoding(from, options);
  if (scaled) return scaled;
  const whole = () => fully(from instanceof Blob ? from : new Blob([from]), options);
  const { widthPx, heightPx } = options.stored ?? { widthPx: 0, heightPx: 0 };
  if (widthPx * heightPx <= largePixels) return whole();
  return navigator.locks.request("tessip-large-picture", () => {
    alive();
    return whole();
  });
}

/** A JPEG is decoded in eighths of its size for a fraction of the work, where the browser has ImageDecoder. */
async function scaledWhileDecoding(from: Encoded, options: DecodeOptions): Promise<Decoded | undefined> {
  const { stored, kind, longPx } = options;
  if (kind !== "jpeg" || !stored || typeof ImageDecoder === "undefined") return undefined;
  // Sizes are rounded down to eighths, and the last reduction looks best from twice the size. Below one eighth some
  // browsers refuse the file.
  const share = Math.max(1 / 8, (2 * longPx) / Math.max(stored.widthPx, stored.heightPx));
  if (share >= 0.75) return undefined;
  const decoder = new ImageDecoder({
    data: from instanceof Blob ? from.stream() : from,
    type: "image/jpeg",
    desiredWidth: Math.max(1, Math.ceil(stored.widthPx * share)),
    desiredHeight: Math.max(1, Math.ceil(stored.heightPx * share)),
  });
  try {
    const { image } = await decoder.decode();
    const seen = orientedSize(options.orientation, image.codedWidth, image.codedHeight);
    // A frame knows its own turn, and drawing it applies it; only its reported size is not to be relied on.
    const { orientation, ownProfile } = options;
    return { image, ...seen, orientation, plainColours: !ownProfile, mayBeClear: false, close: () => image.close() };
  } finally {
    decoder.close();
  }
}

async function fully(blob: Blob, options: DecodeOptions): Promise<Decoded> {
  const bitmap = await bitmapOf(blob, options.kind);
  // Browsers turn JPEG, PNG and AVIF by themselves, the HEIC decoder its own; WebP and TIFF come as stored.
  const turns = options.kind === "webp" || options.kind === "tiff";
  return turns && options.orientation !== 1 ? turned(bitmap, options.orientation) : asIs(bitmap, options.kind);
}

async function bitmapOf(blob: Blob, kind: PictureKind): Promise<ImageBitmap> {
  if (kind !== "heic" && kind !== "tiff") return createImageBitmap(blob);
  const bytes = new Uint8Array(await blob.arrayBuffer());
  // Both come with the first file of their kind: most libraries have none.
  const pixels =
    kind === "heic"
      ? await (await import("./decode-heic.ts")).decodeHeic(bytes)
      : (await import("./decode-tiff.ts")).decodeTiff(bytes);
  return createImageBitmap(pixels);
}

/** What is drawn from these is what the browser has made of orientation and colours. */
const settled = { orientation: 1, plainColours: false } as const;

const asIs = (bitmap: ImageBitmap, kind: PictureKind): Decoded => ({
  image: bitmap,
  widthPx: bitmap.width,
  heightPx: bitmap.height,
  ...settled,
  mayBeClear: kind !== "jpeg",
  close: () => bitmap.close(),
});

function turned(bitmap: ImageBitmap, orientation: Orientation): Decoded {
  const seen = orientedSize(orientation, bitmap.width, bitmap.height);
  const canvas = new OffscreenCanvas(seen.widthPx, seen.heightPx);
  const ctx = canvas.getContext("2d")!;
  const m = orientationMatrix(orientation);
  const [w, h] = [seen.widthPx, seen.heightPx];
  ctx.setTransform(m.a * w, m.b * h, m.c * w, m.d * h, m.e * w, m.f * h);
  ctx.drawImage(bitmap, 0, 0, 1, 1);
  bitmap.close();
  return { image: canvas, ...seen, ...settled, mayBeClear: true, close: () => {} };
}
