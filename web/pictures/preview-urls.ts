import type { PreviewSize } from "../storage/store.ts";

const keptUrls = 1200;
/** Making an address is a call to the browser's own process that the page waits for: at most this long in one go. */
const sliceMs = 6;
const mostAtOnce = 24;

type FetchPreviews = (
  wanted: readonly { readonly photoId: string; readonly size: PreviewSize }[],
) => Promise<readonly (Blob | undefined)[]>;

interface Wanted {
  readonly photoId: string;
  readonly size: PreviewSize;
  readonly hear: (url: string | undefined) => void;
}

/**
 * Addresses of previews for `<img>`. They are made a few at a time, in the order asked for, so that a wall that scrolls
 * by quickly does not stand still; what has left the screen takes its wish back. The least recently used are given back.
 */
export class PreviewUrls {
  readonly #previews: FetchPreviews;
  readonly #soon: (work: () => void) => void;
  readonly #urls = new Map<string, string>();
  readonly #wanted = new Set<Wanted>();
  #fetching = false;

  /** `soon` puts work off until the page has painted. */
  constructor(previews: FetchPreviews, soon: (work: () => void) => void) {
    this.#previews = previews;
    this.#soon = soon;
  }

  /** The address where it is known; making it the most recently used. */
  known(photoId: string, size: PreviewSize): string | undefined {
    const key = `${photoId}/${size}`;
    const url = this.#urls.get(key);
    if (url !== undefined) {
      this.#urls.delete(key);
      this.#urls.set(key, url);
    }
    return url;
  }

  /** Calls `hear` once, with nothing where the preview is missing; the function that takes the wish back comes back. */
  want(photoId: string, size: PreviewSize, hear: Wanted["hear"]): () => void {
    const options = { photoId, size, hear };
    this.#wanted.add(options);
    if (!this.#fetching) {
      this.#fetching = true;
      this.#soon(() => void this.#fetch());
    }
    return () => this.#wanted.delete(options);
  }

  /** The photo has another picture now. */
  forget(photoId: string): void {
    for (const [key, url] of this.#urls) if (key.startsWith(`${photoId}/`)) this.#giveBack(key, url);
  }

  async #fetch(): Promise<void> {
    const fileOptions = [...this.#wanted].slice(0, mostAtOnce);
    const blobs = await this.#previews(fileOptions).catch(() => []);
    const until = performance.now() + sliceMs;
    for (const [i, options] of fileOptions.entries()) {
      if (i > 0 && performance.now() > until) break;
      if (this.#wanted.delete(options))
        options.hear(this.known(options.photoId, options.size) ?? this.#make(options, blobs[i]));
    }
    this.#tidy();
    this.#fetching = this.#wanted.size > 0;
    if (this.#fetching) this.#soon(() => void this.#fetch());
  }

  #make({ photoId, size }: Wanted, blob: Blob | undefined): string | undefined {
    if (!blob) return undefined;
    const url = URL.createObjectURL(blob);
    this.#urls.set(`${photoId}/${size}`, url);
    return url;
  }

  #tidy(): void {
    for (const [key, url] of this.#urls) {
      if (this.#urls.size <= keptUrls) return;
      this.#giveBack(key, url);
    }
  }

  #giveBack(key: string, url: string): void {
    this.#urls.delete(key);
    URL.revokeObjectURL(url);
  }
}
