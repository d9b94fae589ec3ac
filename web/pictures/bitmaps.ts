import type { PreviewSize } from "../storage/store.ts";
import { previewLongPx } from "./preview-sizes.ts";

export type PreviewOf = (photoId: string, size: PreviewSize) => Promise<Blob | undefined>;

/** Decoded previews held in memory at most: about fifty large ones. */
const mostBytes = 400_000_000;

/** Decoded previews for canvases. Asked for synchronously while painting; tells when a missing one has arrived. */
export class Bitmaps {
  readonly #previewOf: PreviewOf;
  readonly #ready = new Map<string, ImageBitmap>();
  readonly #coming = new Set<string>();
  readonly #watchers = new Set<(photoId: string) => void>();
  #bytes = 0;

  constructor(previewOf: PreviewOf) {
    this.#previewOf = previewOf;
  }

  /** Calls back whenever a photo's bitmap has arrived; the function that ends it comes back. */
  watch(hear: (photoId: string) => void): () => void {
    this.#watchers.add(hear);
    return () => this.#watchers.delete(hear);
  }

  /** The best that is there for a photo drawn `longPx` long; a better one is fetched meanwhile. */
  get(photoId: string, longPx: number): ImageBitmap | undefined {
    const size: PreviewSize = longPx > previewLongPx.small * 1.1 ? "large" : "small";
    const key = `${photoId}/${size}`;
    const ready = this.#ready.get(key);
    if (ready) {
      this.#ready.delete(key);
      this.#ready.set(key, ready);
      return ready;
    }
    if (!this.#coming.has(key)) void this.#fetch(photoId, size, key);
    return this.#ready.get(`${photoId}/${size === "large" ? "small" : "large"}`);
  }

  /** The photo has another picture now. */
  forget(photoId: string): void {
    for (const size of ["small", "large"] as const) {
      const key = `${photoId}/${size}`;
      const bitmap = this.#ready.get(key);
      if (bitmap) this.#bytes -= bitmap.width * bitmap.height * 4;
      bitmap?.close();
      this.#ready.delete(key);
      this.#coming.delete(key);
    }
    for (const hear of this.#watchers) hear(photoId);
  }

  async #fetch(photoId: string, size: PreviewSize, key: string): Promise<void> {
    this.#coming.add(key);
    try {
      const blob = await this.#previewOf(photoId, size);
      // A photo whose preview is gone is asked for again at the next visit, not at every repaint.
      if (!blob) return;
      const bitmap = await createImageBitmap(blob);
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
