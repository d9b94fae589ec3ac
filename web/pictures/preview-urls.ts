import type { PreviewSize, Store } from "../storage/store.ts";

const keptUrls = 1200;

/** Addresses of previews for `<img>`, the least recently asked for given back first. */
export class PreviewUrls {
  readonly #store: Pick<Store, "preview">;
  readonly #urls = new Map<string, Promise<string | undefined>>();

  constructor(store: Pick<Store, "preview">) {
    this.#store = store;
  }

  /** Undefined when the preview is missing. */
  get(photoId: string, size: PreviewSize): Promise<string | undefined> {
    const key = `${photoId}/${size}`;
    const known = this.#urls.get(key);
    const url = known ?? this.#store.preview(photoId, size).then((blob) => blob && URL.createObjectURL(blob));
    this.#urls.delete(key);
    this.#urls.set(key, url);
    this.#tidy();
    return url;
  }

  /** The photo has another picture now. */
  forget(photoId: string): void {
    for (const [key, url] of this.#urls)
      if (key.startsWith(`${photoId}/`)) {
        this.#urls.delete(key);
        void url.then((u) => u && URL.revokeObjectURL(u));
      }
  }

  #tidy(): void {
    for (const [key, url] of this.#urls) {
      if (this.#urls.size <= keptUrls) return;
      this.#urls.delete(key);
      void url.then((u) => u && URL.revokeObjectURL(u));
    }
  }
}
