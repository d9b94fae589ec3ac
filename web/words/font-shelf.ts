import type { Face, Typesetter } from "#core/words";
import { sfntOf } from "./woff.ts";

/** By face key, where its files are to be had: the plain letters first, then those with rarer marks. */
export type FontUrls = ReadonlyMap<string, readonly string[]>;

/** Fonts that come along, each fetched when it is first used. */
export class FontShelf implements Typesetter {
  readonly #urls: FontUrls;
  readonly #faces = new Map<string, Face>();
  readonly #coming = new Map<string, Promise<Face | undefined>>();
  readonly #watchers = new Set<() => void>();
  #come = 0;
  #breaks: Typesetter["breaks"] | undefined;

  constructor(urls: FontUrls) {
    this.#urls = urls;
  }

  /** The rules of line breaking come with the first face: without one there is nothing to break. */
  breaks(text: string): ReturnType<Typesetter["breaks"]> {
    return this.#breaks?.(text) ?? [{ at: text.length, must: false }];
  }

  /** Begins to fetch a face that is not there yet; whoever watches hears when it came. */
  face(key: string): Face | undefined {
    const known = this.#faces.get(key);
    if (!known) void this.load(key);
    return known;
  }

  /** Undefined where the font does not come along or could not be read. */
  load(key: string): Promise<Face | undefined> {
    const known = this.#coming.get(key);
    if (known) return known;
    const coming = this.#fetch(key).catch(() => {
      // Asked again, it is tried again.
      this.#coming.delete(key);
      return undefined;
    });
    this.#coming.set(key, coming);
    return coming;
  }

  /** Hears of every face that comes; gives back how to stop. */
  readonly watch = (hear: () => void): (() => void) => {
    this.#watchers.add(hear);
    return () => this.#watchers.delete(hear);
  };

  /** How many have come. */
  readonly come = (): number => this.#come;

  async #fetch(key: string): Promise<Face | undefined> {
    const urls = this.#urls.get(key);
    if (!urls) return undefined;
    const [{ harfbuzzFace }, { breaksOf }, ...files] = await Promise.all([
      import("./harfbuzz-face.ts"),
      import("./breaks.ts"),
      ...urls.map(async (url) => sfntOf(new Uint8Array(await (await fetch(url)).arrayBuffer()))),
    ]);
    const face = harfbuzzFace(key, files);
    this.#breaks = breaksOf;
    this.#faces.set(key, face);
    this.#come += 1;
    for (const hear of this.#watchers) hear();
    return face;
  }
}
