/**
 * Pictures by their keys, up to so many pixels together. What was not asked for the longest goes first.
 * They are bitmaps, as a canvas that is drawn out of is looked over each time.
 */
export class PixelShelf<T extends { readonly picture: ImageBitmap }> {
  readonly #kept = new Map<string, T>();
  readonly #mostPixels: number;
  #pixels = 0;

  constructor(mostPixels: number) {
    this.#mostPixels = mostPixels;
  }

  get(key: string): T | undefined {
    const known = this.#kept.get(key);
    if (!known) return undefined;
    this.#kept.delete(key);
    this.#kept.set(key, known);
    return known;
  }

  keep(key: string, made: T): T {
    this.#drop(key);
    this.#kept.set(key, made);
    this.#pixels += made.picture.width * made.picture.height;
    for (const oldest of this.#kept.keys()) {
      if (this.#pixels <= this.#mostPixels || oldest === key) break;
      this.#drop(oldest);
    }
    return made;
  }

  #drop(key: string): void {
    const known = this.#kept.get(key);
    if (!known) return;
    this.#pixels -= known.picture.width * known.picture.height;
    this.#kept.delete(key);
    known.picture.close();
  }
}
