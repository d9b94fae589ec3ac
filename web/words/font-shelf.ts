import { type Face, type FaceNeeds, faceKey, faceKeysFor, type Typesetter } from "#core/words";
import { type Divider, loadDivider, patternsFor } from "./hyphens.ts";
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
  #levels: NonNullable<Typesetter["levels"]> | undefined;
  readonly #dividers = new Map<string, Divider | Promise<void>>();

  constructor(urls: FontUrls) {
    this.#urls = urls;
  }

  /** The rules of line breaking come with the first face: without one there is nothing to break. */
  breaks(text: string): ReturnType<Typesetter["breaks"]> {
    return this.#breaks?.(text) ?? [{ at: text.length, must: false }];
  }

  levels(paragraph: string): ReturnType<NonNullable<Typesetter["levels"]>> {
    return this.#levels?.(paragraph);
  }

  hyphens(word: string, language: string): readonly number[] | undefined {
    const name = patternsFor(language);
    if (name === undefined) return [];
    const divider = this.#dividers.get(name);
    if (typeof divider === "function") return divider(word);
    if (!divider) void this.#loadDivider(name);
    return undefined;
  }

  /** All that some words are set with. Gives back the faces of their own that could not be had. */
  async loadFor(needs: readonly FaceNeeds[], language: string | undefined): Promise<readonly string[]> {
    const name = language === undefined ? undefined : patternsFor(language);
    const [faces] = await Promise.all([
      Promise.all([...new Set(needs.flatMap(faceKeysFor))].map((key) => this.load(key))),
      name !== undefined && needs.some((n) => n.style.hyphens) ? this.#loadDivider(name) : undefined,
    ]);
    const come = new Set(faces.map((f) => f?.key));
    return [...new Set(needs.map((n) => faceKey(n.style)))].filter((key) => !come.has(key));
  }

  async #loadDivider(name: string): Promise<void> {
    const known = this.#dividers.get(name);
    if (known) return typeof known === "function" ? undefined : known;
    const coming = loadDivider(name)
      // Without its patterns no word of the language is divided.
      .catch((): Divider => () => [])
      .then((divider) => {
        this.#dividers.set(name, divider);
        this.#tell();
      });
    this.#dividers.set(name, coming);
    return coming;
  }

  #tell(): void {
    this.#come += 1;
    for (const hear of this.#watchers) hear();
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
    const [{ harfbuzzFace }, { breaksOf }, { levelsOf }, ...files] = await Promise.all([
      import("./harfbuzz-face.ts"),
      import("./breaks.ts"),
      import("./levels.ts"),
      ...urls.map(async (url) => sfntOf(new Uint8Array(await (await fetch(url)).arrayBuffer()))),
    ]);
    const face = harfbuzzFace(key, files);
    this.#breaks = breaksOf;
    this.#levels = levelsOf;
    this.#faces.set(key, face);
    this.#tell();
    return face;
  }
}
