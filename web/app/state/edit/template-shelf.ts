import { createStore } from "zustand/vanilla";
import { type Template, withoutPapers } from "#core/templates";
import { readTemplateFile } from "#core/templates/schema";
import type { Store } from "../../../storage/store.ts";

export interface TemplateState {
  readonly own: readonly Template[];
  readonly favourites: ReadonlySet<string>;
  readonly loaded: boolean;
}

/** One's own templates, the newest first, and which of all are favourites. Knows nothing of React. */
export class TemplateShelf {
  readonly state = createStore<TemplateState>(() => ({ own: [], favourites: new Set(), loaded: false }));
  readonly #store: Store;
  readonly #newId: () => string;

  constructor(store: Store, newId: () => string) {
    this.#store = store;
    this.#newId = newId;
  }

  async load(): Promise<void> {
    if (this.state.getState().loaded) return;
    const [own, favourites] = await Promise.all([this.#store.templates(), this.#store.favourites()]);
    this.state.setState({ own, favourites: new Set(favourites), loaded: true });
  }

  async keep(templates: readonly Template[]): Promise<void> {
    await this.#store.putTemplates(templates);
    const ids = new Set(templates.map((t) => t.id));
    this.state.setState((s) => ({ own: [...templates, ...s.own.filter((t) => !ids.has(t.id))] }));
  }

  async remove(templateId: string): Promise<void> {
    await this.#store.removeTemplate(templateId);
    this.state.setState((s) => ({ own: s.own.filter((t) => t.id !== templateId) }));
  }

  async toggleFavourite(templateId: string): Promise<void> {
    const favourites = new Set(this.state.getState().favourites);
    if (!favourites.delete(templateId)) favourites.add(templateId);
    await this.#store.keepFavourites([...favourites]);
    this.state.setState({ favourites });
  }

  /** Those in a file as one's own, under new ids so that none takes another's place; how many, or why not. */
  async bringIn(file: File) {
    const read = isSvg(file)
      ? await (await import("./template-drawing.ts")).drawnTemplate(file, this.#newId)
      : readTemplateFile(await file.text());
    if (read.ok) await this.keep(read.value.map((t) => ({ ...withoutPapers(t), id: this.#newId() })));
    return read;
  }
}

const isSvg = (file: File): boolean => file.type === "image/svg+xml" || /\.svg$/i.test(file.name);
