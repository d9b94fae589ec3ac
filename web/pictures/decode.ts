import { type Orientation, orientationMatrix, orientedSize, type PictureKind } from "#core/photo";

/** Pixels as they should be seen, to be closed by whoever asked for them. */
export interface Decoded {
  readonly image: CanvasImageSource;
  readonly widthPx: number;
  readonly heightPx: number;
  close(): void;
}

export interface DecodeWish {
  readonly kind: PictureKind;
  /** EXIF's; browsers apply it for every kind but WebP. */
  readonly orientation: Orientation;
  /** The stored size, before orientation, when it is known. */
  readonly stored?: { readonly widthPx: number; readonly heightPx: number };
  /** The longer side that is wanted; smaller pictures come as they are. */
  readonly longPx: number;
}

/** Rejects for bytes that no picture can be made of. */
export async function decode(blob: Blob, wish: DecodeWish): Promise<Decoded> {
  return (await scaledWhileDecoding(blob, wish)) ?? fully(blob, wish);
}

/** A JPEG is decoded in eighths of its size for a fraction of the work, where the browser has ImageDecoder. */
async function scaledWhileDecoding(blob: Blob, wish: DecodeWish): Promise<Decoded | undefined> {
  const { stored, kind, longPx } = wish;
  if (kind !== "jpeg" || !stored || typeof ImageDecoder === "undefined") return undefined;
  // Sizes are rounded down to eighths, and the last reduction looks best from twice the size.
  const share = (2 * longPx) / Math.max(stored.widthPx, stored.heightPx);
  if (share >= 0.75) return undefined;
  const decoder = new ImageDecoder({
    data: blob.stream(),
    type: "image/jpeg",
    desiredWidth: Math.max(1, Math.round(stored.widthPx * share)),
    desiredHeight: Math.max(1, Math.round(stored.heightPx * share)),
  });
  try {
    const { image } = await decoder.decode();
    const seen = orientedSize(wish.orientation, image.codedWidth, image.codedHeight);
    // A frame knows its own turn, and drawing it applies it; only its reported size is not to be relied on.
    return { image, ...seen, close: () => image.close() };
  } finally {
    decoder.close();
  }
}

async function fully(blob: Blob, wish: DecodeWish): Promise<Decoded> {
  const bitmap = await createImageBitmap(blob);
  const orientation = wish.kind === "webp" ? wish.orientation : 1;
  if (orientation === 1)
    return { image: bitmap, widthPx: bitmap.width, heightPx: bitmap.height, close: () => bitmap.close() };
  const seen = orientedSize(orientation, bitmap.width, bitmap.height);
  const canvas = new OffscreenCanvas(seen.widthPx, seen.heightPx);
  const ctx = canvas.getContext("2d")!;
  const m = orientationMatrix(orientation);
  ctx.setTransform(
    m.a * seen.widthPx,
    m.b * seen.heightPx,
    m.c * seen.widthPx,
    m.d * seen.heightPx,
    m.e * seen.widthPx,
    m.f * seen.heightPx,
  );
  ctx.drawImage(bitmap, 0, 0, 1, 1);
  bitmap.close();
  return { image: canvas, ...seen, close: () => {} };
}
