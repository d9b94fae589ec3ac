import {
  type Embedding,
  type Face,
  type FaceNeeds,
  faceKey,
  faceKeysFor,
  familyOf,
  isOwnFont,
  type OwnFont,
  ownFaceOf,
  standInKey,
  type Typesetter,
} from "#core/words";
import { type Divider, loadDivider, patternsFor } from "./hyphens.ts";
import { sfntOf } from "./woff.ts";

/** By face key, where its files are to be had: the plain letters first, then those with rarer marks. */
export type FontUrls = ReadonlyMap<string, readonly string[]>;

/** Fonts of a person's own, and their files by hash. One whose file is not among them is known by its name alone. */
export interface OwnFonts {
  readonly fonts: readonly OwnFont[];
  readonly files: ReadonlyMap<string, Blob>;
}

export const noOwnFonts: OwnFonts = { fonts: [], files: new Map() };

export interface KnownFont {
  readonly name: string;
  readonly bold: boolean;
  readonly italic: boolean;
  readonly here: boolean;
}

/** A face's file as it goes into others. */
export interface FaceFile {
  readonly sfnt: Uint8Array<ArrayBuffer>;
  readonly embedding: Embedding;
}

/** Fonts that come along, each fetched when it is first used, and those of a person's own. */
export class FontShelf implements Typesetter {
  readonly #urls: FontUrls;
  readonly #faces = new Map<string, Face>();
  readonly #coming = new Map<string, Promise<Face | undefined>>();
  readonly #watchers = new Set<() => void>();
  #come = 0;
  #own: OwnFonts = noOwnFonts;
  /** Own files that are no fonts after all. */
  readonly #broken = new Set<string>();
  #breaks: Typesetter["breaks"] | undefined;
  #levels: NonNullable<Typesetter["levels"]> | undefined;
  readonly #dividers = new Map<string, Divider | Promise<void>>();

  constructor(urls: FontUrls) {
    this.#urls = urls;
  }

  /** From now on these are a person's own; what words were set in before is looked up anew where that makes a difference. */
  takeOwn(own: OwnFonts): void {
    const before = this.#own;
    this.#own = own;
    const keys = [...this.#coming.keys()].filter((key) => fileOf(before, key) !== fileOf(own, key));
    for (const key of keys) {
      this.#coming.delete(key);
      this.#faces.delete(key);
    }
    if (before.fonts !== own.fonts) this.#tell();
  }

  readonly own = (): OwnFonts => this.#own;

  /** What a font is called, what it has, and whether it is here. */
  font(id: string): KnownFont {
    if (!isOwnFont(id)) {
      const family = familyOf(id);
      const { name, bold, italic } = family ?? { name: id, bold: false, italic: false };
      return { name, bold, italic, here: family !== undefined };
    }
    const own = this.#own.fonts.find((f) => f.id === id);
    const faces = own?.faces.filter((f) => this.#own.files.has(f.hash) && !this.#broken.has(f.hash)) ?? [];
    return {
      name: own?.name ?? id,
      bold: faces.some((f) => f.bold),
      italic: faces.some((f) => f.italic),
      here: faces.length > 0,
    };
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

  /** The files of a face, in the order in which its glyphs name them; of a font that is not here those that stand in. */
  async files(key: string): Promise<readonly FaceFile[]> {
    const own = ownFaceOf(this.#own.fonts, key);
    const file = own && this.#own.files.get(own.face.hash);
    if (file && !this.#broken.has(own.face.hash))
      return [{ sfnt: new Uint8Array(await file.arrayBuffer()), embedding: own.face.embedding }];
    const urls = this.#urls.get(isOwnFont(key) ? standInKey(key) : key) ?? [];
    return Promise.all(
      urls.map(async (url) => ({
        sfnt: await sfntOf(new Uint8Array(await (await fetch(url)).arrayBuffer())),
        embedding: "free" as const,
      })),
    );
  }

  async #fetch(key: string): Promise<Face | undefined> {
    const [{ harfbuzzFace }, { breaksOf }, { levelsOf }, files] = await Promise.all([
      import("./harfbuzz-face.ts"),
      import("./breaks.ts"),
      import("./levels.ts"),
      this.files(key),
    ]);
    if (files.length === 0) return undefined;
    const own = ownFaceOf(this.#own.fonts, key)?.face.hash;
    let face: Face;
    try {
      face = harfbuzzFace(
        key,
        files.map((f) => f.sfnt),
      );
    } catch (e) {
      if (own === undefined || this.#broken.has(own)) throw e;
      this.#broken.add(own);
      return this.#fetch(key);
    }
    this.#breaks = breaksOf;
    this.#levels = levelsOf;
    this.#faces.set(key, face);
    this.#tell();
    return face;
  }
}

const fileOf = (own: OwnFonts, key: string): Blob | undefined => {
  const found = ownFaceOf(own.fonts, key);
  return found && own.files.get(found.face.hash);
};
