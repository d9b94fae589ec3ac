import { createStore } from "zustand/vanilla";
import { type FontFacts, fontType, type OwnFont, withFontFile } from "#core/words";
import { sha256 } from "../../../storage/sha256.ts";
import { type Store, StoreError } from "../../../storage/store.ts";
import type { FontShelf } from "../../../words/font-shelf.ts";
import type { FontTrouble } from "../../../words/read-font-file.ts";

export interface LeftOutFont {
  readonly name: string;
  readonly code: FontTrouble | StoreError["code"];
}

export interface BroughtFonts {
  readonly fonts: readonly OwnFont[];
  readonly leftOut: readonly LeftOutFont[];
}

type FontStore = Pick<Store, "fonts" | "fontFile" | "putFont">;

/** A person's own fonts: kept in this browser, and handed to whatever sets words. */
export class OwnFontShelf {
  readonly state = createStore<{ readonly fonts: readonly OwnFont[] }>(() => ({ fonts: [] }));
  readonly #store: FontStore;
  readonly #shelf: FontShelf;
  readonly #files = new Map<string, Blob>();
  /** Until then nothing is known of what is kept, and nothing of it may be swept. */
  loaded = false;

  constructor(store: FontStore, shelf: FontShelf) {
    this.#store = store;
    this.#shelf = shelf;
  }

  /** From what is kept. Fonts whose files are not here are known by their names. */
  async load(): Promise<void> {
    const fonts = await this.#store.fonts();
    const lacking = fonts.flatMap((f) => f.faces).filter(({ hash }) => !this.#files.has(hash));
    await Promise.all(
      lacking.map(async ({ hash }) => {
        const file = await this.#store.fontFile(hash).catch(() => undefined);
        if (file) this.#files.set(hash, file);
      }),
    );
    this.loaded = true;
    this.#show(fonts);
  }

  isHere(font: OwnFont): boolean {
    return font.faces.some((f) => this.#files.has(f.hash));
  }

  /** Of every file that is to be kept. */
  hashes(): readonly string[] {
    return this.state.getState().fonts.flatMap((f) => f.faces.map((a) => a.hash));
  }

  fileOf(hash: string): Blob | undefined {
    return this.#files.get(hash);
  }

  /** Each file by itself: one that is no good keeps no other out. */
  async bringIn(files: readonly File[]): Promise<BroughtFonts> {
    const fonts = new Map<string, OwnFont>();
    const leftOut: LeftOutFont[] = [];
    for (const file of files)
      try {
        for (const font of await this.#take(file)) fonts.set(font.id, font);
      } catch (e) {
        leftOut.push({ name: file.name, code: codeOf(e) });
      }
    return { fonts: [...fonts.values()], leftOut };
  }

  async #take(file: Blob): Promise<readonly OwnFont[]> {
    const { readFontFile } = await import("../../../words/read-font-file.ts");
    const taken: OwnFont[] = [];
    for (const { sfnt, source: _, ...facts } of await readFontFile(file)) {
      const hash = await sha256(sfnt);
      const kept = new Blob([sfnt], { type: fontType });
      const face: FontFacts = { ...facts, hash, sizeBytes: sfnt.length };
      const font = withFontFile(this.state.getState().fonts, face);
      await this.#store.putFont(font, { hash, file: kept });
      this.#files.set(hash, kept);
      this.#put(font);
      taken.push(font);
    }
    return taken;
  }

  /** A font of a project that came as a file: with what of it came along, and by its name alone where nothing did. */
  async takeOver(font: OwnFont, fileOf: (hash: string) => Promise<Blob | undefined>): Promise<void> {
    for (const face of font.faces) {
      if (this.#files.has(face.hash)) continue;
      const file = await fileOf(face.hash);
      // What it says of itself counts, and not what the project says of it.
      if (file && (await sha256(await file.arrayBuffer())) === face.hash) await this.#take(file).catch(() => []);
    }
    const { fonts } = this.state.getState();
    if (fonts.some((f) => f.id === font.id)) return;
    const sameFile = fonts.find((f) => f.faces.some((a) => font.faces.some((b) => b.hash === a.hash)));
    const known = { ...font, faces: sameFile?.faces ?? font.faces, hidden: sameFile ? true : font.hidden };
    await this.#store.putFont(known);
    this.#put(known);
  }

  /** Whether it is offered; works that use it still do. */
  async offer(font: OwnFont, offered: boolean): Promise<void> {
    const { hidden: _, ...shown } = font;
    const next = offered ? shown : { ...shown, hidden: true };
    await this.#store.putFont(next);
    this.#put(next);
  }

  #put(font: OwnFont): void {
    const others = this.state.getState().fonts.filter((f) => f.id !== font.id);
    this.#show([...others, font]);
  }

  #show(fonts: readonly OwnFont[]): void {
    const sorted = [...fonts].sort((a, b) => a.name.localeCompare(b.name));
    this.state.setState({ fonts: sorted });
    this.#shelf.takeOwn({ fonts: sorted, files: new Map(this.#files) });
  }
}

const codeOf = (e: unknown): LeftOutFont["code"] => {
  if (e instanceof StoreError) return e.code;
  return e instanceof Error && "code" in e ? (e.code as FontTrouble) : "damagedFont";
};
