import { type Tone, toneKey } from "#core/tone";
import type { PreviewSize } from "../storage/store.ts";
import { previewLongPx } from "./preview-sizes.ts";

/** A preview, or the photo itself where a preview would be seen to be one. */
type Kept = PreviewSize | "whole";
export type KeptPicture = (photoId: string, size: Kept) => Promise<Blob | undefined>;

/** The best first, for as long as what was asked for has not come. */
const best: readonly Kept[] = ["whole", "large", "small"];
/** A photo is decoded no larger: about 140 MB. */
const mostLongPx = 7000;

/** A picture in another tone, made elsewhere; the picture stays. */
export type ToneOf = (picture: ImageBitmap, tone: Tone) => Promise<ImageBitmap>;

/** Decoded previews held in memory at most: about fifty large ones. */
const mostBytes = 400_000_000;

/** Decoded previews for canvases, and photos looked at closely. Asked for synchronously while painting; tells when a missing one has arrived. */
export class Bitmaps {
  readonly #pictureOf: KeptPicture;
  readonly #toneOf: ToneOf;
  readonly #ready = new Map<string, Ready>();
  readonly #coming = new Set<string>();
  readonly #watchers = new Set<(photoId: string) => void>();
  #bytes = 0;

  constructor(pictureOf: KeptPicture, toneOf: ToneOf) {
    this.#pictureOf = pictureOf;
    this.#toneOf = toneOf;
  }

  /** Calls back whenever a photo's bitmap has arrived; the function that ends it comes back. */
  watch(hear: (photoId: string) => void): () => void {
    this.#watchers.add(hear);
    return () => this.#watchers.delete(hear);
  }

  /** The best that is there for a photo drawn `longPx` long, in a tone; a better one is made meanwhile. */
  get(photoId: string, longPx: number, tone?: Tone): ImageBitmap | undefined {
    const ready = this.#best(photoId, longPx);
    if (!ready || !tone) return ready?.bitmap;
    const key = toneKey(tone);
    const toned = ready.toned.get(key);
    if (toned) return toned;
    if (!ready.toning && !ready.failed.has(key)) void this.#tone(photoId, ready, tone, key);
    // While a slider is drawn, what it was a moment before is nearer than no tone at all.
    return [...ready.toned.values()].at(-1) ?? ready.bitmap;
  }

  #best(photoId: string, longPx: number): Ready | undefined {
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
    if (size === "whole" && !this.#ready.has(`${photoId}/large`)) this.#best(photoId, previewLongPx.large);
    return there;
  }

  /** The photo has another picture now. */
  forget(photoId: string): void {
    for (const size of best) {
      const key = `${photoId}/${size}`;
      this.#letGo(key);
      this.#coming.delete(key);
    }
    this.#tell(photoId);
  }

  async #fetch(photoId: string, size: Kept, key: string): Promise<void> {
    this.#coming.add(key);
    try {
      const blob = await this.#pictureOf(photoId, size);
      // A photo whose preview is gone is asked for again at the next visit, not at every repaint.
      if (!blob) return;
      const bitmap = size === "whole" ? await wholeBitmap(blob) : await createImageBitmap(blob);
      this.#ready.set(key, { bitmap, toned: new Map(), failed: new Set(), toning: false, gone: false });
      this.#bytes += bytesOf(bitmap);
      this.#tidy();
      this.#coming.delete(key);
    } catch {
      // Left in `#coming`: a preview that cannot be decoded would fail again at every frame.
    } finally {
      this.#tell(photoId);
    }
  }

  /** One at a time of each picture: what a slider passed meanwhile is never made. */
  async #tone(photoId: string, ready: Ready, tone: Tone, key: string): Promise<void> {
    ready.toning = true;
    try {
      const bitmap = await this.#toneOf(ready.bitmap, tone);
      // Its picture was let go of meanwhile.
      if (ready.gone) return bitmap.close();
      const [oldest] = ready.toned.keys();
      if (ready.toned.size >= mostTones && oldest !== undefined) this.#drop(ready, oldest);
      ready.toned.set(key, bitmap);
      this.#bytes += bytesOf(bitmap);
      this.#tidy();
    } catch {
      // It would fail again at every frame.
      ready.failed.add(key);
    } finally {
      ready.toning = false;
      this.#tell(photoId);
    }
  }

  #tell(photoId: string): void {
    for (const hear of this.#watchers) hear(photoId);
  }

  #drop({ toned }: Ready, key: string): void {
    const bitmap = toned.get(key);
    if (!bitmap) return;
    toned.delete(key);
    this.#bytes -= bytesOf(bitmap);
    bitmap.close();
  }

  #letGo(key: string): void {
    const ready = this.#ready.get(key);
    if (!ready) return;
    for (const tone of [...ready.toned.keys()]) this.#drop(ready, tone);
    ready.gone = true;
    this.#ready.delete(key);
    this.#bytes -= bytesOf(ready.bitmap);
    ready.bitmap.close();
  }

  #tidy(): void {
    for (const key of this.#ready.keys()) {
      if (this.#bytes <= mostBytes || this.#ready.size <= 1) return;
      this.#letGo(key);
    }
  }
}

interface Ready {
  readonly bitmap: ImageBitmap;
  /** By what the tone does; the newest last. */
  readonly toned: Map<string, ImageBitmap>;
  /** Tones that could not be made. */
  readonly failed: Set<string>;
  toning: boolean;
  gone: boolean;
}

/** Of one picture: as many as a page may show beside each other, and a slider passes. */
const mostTones = 4;

const bytesOf = ({ width, height }: ImageBitmap): number => width * height * 4;

async function wholeBitmap(blob: Blob): Promise<ImageBitmap> {
  const bitmap = await createImageBitmap(blob);
  const long = Math.max(bitmap.width, bitmap.height);
  if (long <= mostLongPx) return bitmap;
  const resizeWidth = Math.round((bitmap.width * mostLongPx) / long);
  const smaller = await createImageBitmap(bitmap, { resizeWidth, resizeQuality: "high" });
  bitmap.close();
  return smaller;
}
