import type { PreviewSize } from "../storage/store.ts";
import { previewLongPx } from "./preview-sizes.ts";

/** A preview, or the photo itself where a preview would be seen to be one. */
type Kept = PreviewSize | "whole";
export type KeptPicture = (photoId: string, size: Kept) => Promise<Blob | undefined>;

/** The best first, for as long as what was asked for has not come. */
const best: readonly Kept[] = ["whole", "large", "small"];
/** A photo is decoded no larger: about 140 MB. */
const mostLongPx = 7000;

/** Decoded previews held in memory at most: about fifty large ones. */
const mostBytes = 400_000_000;

/** Decoded previews for canvases, and photos looked at closely. Asked for synchronously while painting; tells when a missing one has arrived. */
export class Bitmaps {
  readonly #pictureOf: KeptPicture;
  readonly #ready = new Map<string, ImageBitmap>();
  readonly #coming = new Set<string>();
  readonly #watchers = new Set<(photoId: string) => void>();
  #bytes = 0;

  constructor(pictureOf: KeptPicture) {
    this.#pictureOf = pictureOf;
  }

  /** Calls back whenever a photo's bitmap has arrived; the function that ends it comes back. */
  watch(hear: (photoId: string) => void): () => void {
    this.#watchers.add(hear);
    return () => this.#watchers.delete(hear);
  }

  /** The best that is there for a photo drawn `longPx` long; a better one is fetched meanwhile. */
  get(photoId: string, longPx: number): ImageBitmap | undefined {
    const size: Kept =
      longPx > previewLongPx.large * 1.1 ? "whole" : longPx > previewLongPx.small * 1.1 ? "large" : "small";
    const key = `${photoId}/${size}`;
    const ready = this.#ready.get(key);
    if (ready) {
      this.#ready.delete(key);
      this.#ready.set(key, ready);
      return ready;
    }
    if (!this.#coming.has(key)) void this.#fetch(photoId, size, key);
    const there = best.map((s) => this.#ready.get(`${photoId}/${s}`)).find((b) => b !== undefined);
    // A photo takes a while to decode, and some kinds no browser decodes.
    if (size === "whole" && !this.#ready.has(`${photoId}/large`)) this.get(photoId, previewLongPx.large);
    return there;
  }

  /** The photo has another picture now. */
  forget(photoId: string): void {
    for (const size of best) {
      const key = `${photoId}/${size}`;
      const bitmap = this.#ready.get(key);
      if (bitmap) this.#bytes -= bitmap.width * bitmap.height * 4;
      bitmap?.close();
      this.#ready.delete(key);
      this.#coming.delete(key);
    }
    for (const hear of this.#watchers) hear(photoId);
  }

  async #fetch(photoId: string, size: Kept, key: string): Promise<void> {
    this.#coming.add(key);
    try {
      const blob = await this.#pictureOf(photoId, size);
      // A photo whose preview is gone is asked for again at the next visit, not at every repaint.
      if (!blob) return;
      const bitmap = size === "whole" ? await wholeBitmap(blob) : await createImageBitmap(blob);
      this.#ready.set(key, bitmap);
      this.#bytes += bitmap.width * bitmap.height * 4;
      this.#tidy();
      this.#coming.delete(key);
    } catch {
      // Left in `#coming`: a preview that cannot be decoded would fail again at every frame.
    } finally {
      for (const hear of this.#watchers) hear(photoId);
    }
  }

  #tidy(): void {
    for (const [key, bitmap] of this.#ready) {
      if (this.#bytes <= mostBytes || this.#ready.size <= 1) return;
      this.#ready.delete(key);
      this.#bytes -= bitmap.width * bitmap.height * 4;
      bitmap.close();
    }
  }
}

async function wholeBitmap(blob: Blob): Promise<ImageBitmap> {
  const bitmap = await createImageBitmap(blob);
  const long = Math.max(bitmap.width, bitmap.height);
  if (long <= mostLongPx) return bitmap;
  const resizeWidth = Math.round((bitmap.width * mostLongPx) / long);
  const smaller = await createImageBitmap(bitmap, { resizeWidth, resizeQuality: "high" });
  bitmap.close();
  return smaller;
}
