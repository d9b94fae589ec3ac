import { createStore } from "zustand/vanilla";
import { byTimeTaken, type NamedSpan, type Photo, type Section } from "#core/photo";
import { photoSchema } from "#core/photo/schema";
import type { NewPhoto } from "../../../storage/store.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { BringIn, type ReadDeps } from "./bring-in.ts";
import { type Finder, FocusSearch } from "./focus-search.ts";
import { byName, timeIsOver } from "./library-rules.ts";
import type { IncomingFile, LibraryDeed, LibraryState, LibraryStep, Snapshot } from "./library-state.ts";

export interface LibraryDeps extends ReadDeps {
  /** A photo's preview, made again where it was lost. */
  readonly previewOf?: (photoId: string, size: "small") => Promise<Blob | undefined>;
  /** Missing where faces and interest are not looked for. */
  readonly finder?: Finder;
  /** Whether somebody waits for a file that is being made: faces are looked for afterwards. */
  readonly making?: () => boolean;
}

const pilesAfterMs = 400;

/** All photos of this browser: bringing them in, correcting what is known of them, and undoing that. */
export class Library {
  readonly state = createStore<LibraryState>(() => ({
    ready: false,
    photos: [],
    papers: [],
    ornaments: [],
    byId: new Map(),
    spans: [],
    piles: [],
    incoming: undefined,
    leftOut: [],
    cleaned: [],
    removed: [],
    alreadyHere: 0,
    damaged: 0,
    undoable: [],
    redoable: [],
  }));
  readonly #deps: LibraryDeps;
  #fresh: Photo[] = [];
  #pilesSoon: ReturnType<typeof setTimeout> | undefined;
  readonly #incoming: BringIn;
  readonly #focus: FocusSearch;
  #removed = new Map<string, Photo>();

  constructor(given: LibraryDeps) {
    this.#deps = given;
    this.#incoming = new BringIn(given, this.state, {
      came: (photo) => void this.#fresh.push(photo),
      show: () => this.#flush(),
      through: () => void this.#focus.run(),
    });
    this.#focus = new FocusSearch({
      store: given.store,
      preview: (id) => this.#smallOf(id),
      finder: given.finder,
      photos: () => this.state.getState().photos,
      // Bringing in goes first.
      busy: () => this.#incoming.busy,
      held: () => given.making?.() ?? false,
      found: (photo) => void this.#fresh.push(photo),
      show: () => this.#flush(),
    });
  }

  /** Until faces were looked for in these photos: what is known of a photo decides how it is framed. */
  looked(photoIds: ReadonlySet<string>): Promise<void> {
    return this.#focus.looked(photoIds);
  }

  async load(): Promise<void> {
    const { store } = this.#deps;
    const [{ photos, damaged }, spans, undone] = await Promise.all([store.photos(), store.spans(), store.waiting()]);
    // The list is written a moment late: what has come in after all is not left out.
    const here = new Set(photos.map((p) => p.name));
    this.#removed = new Map(photos.flatMap((p) => (p.removed ? [[p.id, p]] : [])));
    this.state.setState({
      spans,
      damaged,
      leftOut: undone.filter((name) => !here.has(name)).map((name) => ({ name, code: "notDone" })),
    });
    this.#show(
      photos.filter((p) => !p.removed),
      { ready: true },
    );
    if (undone.length > 0) await store.keepWaiting([]).catch(() => {});
    void this.#letGo();
    void this.#focus.run();
  }

  /** What has lain among the removed for its time goes for good. */
  async #letGo(): Promise<void> {
    const { store, now } = this.#deps;
    const undated = [...this.#removed.values()].filter((p) => !p.removedAt);
    if (undated.length > 0) await store.putPhotos(undated.map((p) => ({ ...p, removedAt: now() }))).catch(() => {});
    const over = [...this.#removed.values()].filter((p) => p.removedAt && timeIsOver(p.removedAt, now()));
    if (over.length > 0) await this.forget(over.map((p) => p.id)).catch(() => {});
  }

  /** For good: their originals go too. Steps that speak of them cannot be undone any more. */
  async forget(photoIds: readonly string[]): Promise<void> {
    await this.#deps.store.forgetPhotos(photoIds);
    const gone = new Set(photoIds);
    for (const id of gone) this.#removed.delete(id);
    const speaks = (s: LibraryStep) => s.before.photos.some((p) => gone.has(p.id));
    this.state.setState((s) => ({
      undoable: s.undoable.filter((step) => !speaks(step)),
      redoable: s.redoable.filter((step) => !speaks(step)),
    }));
    this.#show([...this.state.getState().byId.values()]);
  }

  /** Back from among the removed. */
  async bringBack(photoIds: readonly string[]): Promise<void> {
    const back = photoIds.flatMap((id) => {
      const photo = this.#removed.get(id);
      if (!photo) return [];
      const { removedAt: _, ...kept } = photo;
      return [{ ...kept, removed: false }];
    });
    await this.#deps.store.putPhotos(back);
    this.#merge(back);
  }

  /** Files into the library; resolves with the photos that came in or were here already, in the order of their files, when all of these are through. */
  bringIn(files: readonly IncomingFile[], section: Section = "photos"): Promise<readonly string[]> {
    return this.#incoming.take(files, section);
  }

  /** What is in already stays. */
  cancel(): void {
    this.#incoming.cancel();
  }

  forgetLeftOut(): void {
    this.state.setState({ leftOut: [], cleaned: [], alreadyHere: 0 });
  }

  /** Does something to photos, as one step that can be undone. Those that stay the same object are left alone. */
  async edit(deed: LibraryDeed, photoIds: readonly string[], change: (photo: Photo) => Photo): Promise<void> {
    const { byId } = this.state.getState();
    const pairs = photoIds.flatMap((id) => {
      const before = byId.get(id);
      const after = before && change(before);
      return before && after && after !== before ? [{ before, after }] : [];
    });
    if (pairs.length === 0) return;
    await this.#take({
      deed,
      count: pairs.length,
      before: { photos: pairs.map((p) => p.before), spans: undefined },
      after: { photos: pairs.map((p) => p.after), spans: undefined },
    });
  }

  async nameSpans(spans: readonly NamedSpan[]): Promise<void> {
    await this.#take({
      deed: "named",
      count: 1,
      before: { photos: [], spans: this.state.getState().spans },
      after: { photos: [], spans },
    });
  }

  /** Another file in a photo's place, on every page at once. Rejects with a code when the file is no good. */
  async replace(photoId: string, file: File): Promise<void> {
    const { store } = this.#deps;
    const before = this.state.getState().byId.get(photoId);
    if (!before) return;
    const { facts, small, original } = await this.#incoming.read(file, file.name, before.section);
    const { name, type, sizeBytes, hash, widthPx, heightPx, likeness } = photoSchema.parse({
      ...facts,
      id: photoId,
      addedAt: before.addedAt,
    });
    const after: Photo = { ...before, name, type, sizeBytes, hash, widthPx, heightPx, likeness };
    await store.replacePhoto({ photo: after, original, small });
    this.#merge([after]);
  }

  /**
   * A photo that comes with what is known of it already. The bytes decide: where they are here, the photo that is here is
   * meant. Rejects with a code when they are no picture, or not those that were spoken of.
   */
  async takeIn(known: Photo, file: File): Promise<Photo> {
    const { store, newId } = this.#deps;
    const { facts, small, original } = await this.#incoming.read(file, known.name, known.section);
    // Of a drawing files of before name the hash of what came in, and hold what was left of it after cleaning.
    const drawing = facts.type === "image/svg+xml";
    if (facts.hash !== known.hash && !drawing) throw new WorkerError("otherBytes", known.name);
    const id = this.state.getState().byId.has(known.id) ? newId() : known.id;
    const { removedAt: _, ...rest } = known;
    const { hash, sizeBytes, widthPx, heightPx } = facts;
    const photo: Photo = { ...rest, id, removed: false, hash, sizeBytes, widthPx, heightPx };
    const kept = await store.addPhoto({ photo, original, small });
    if (kept.added) this.#fresh.push(kept.photo);
    return kept.photo;
  }

  /** A picture that is on a page and not among the photos. */
  async addHidden(file: File): Promise<Photo> {
    const { store, newId, now } = this.#deps;
    const { facts, small, original } = await this.#incoming.read(file, file.name, "photos");
    const photo = photoSchema.parse({ ...facts, section: "photos", hidden: true, id: newId(), addedAt: now() });
    const kept = await store.addPhoto({ photo, original, small });
    if (kept.added) this.#fresh.push(kept.photo);
    return kept.photo;
  }

  /** Shows what was taken in. */
  showTaken(): void {
    this.#flush();
    void this.#focus.run();
  }

  /** A photo as it was before its file was replaced. */
  async putBack(photo: NewPhoto): Promise<void> {
    await this.#deps.store.replacePhoto(photo);
    this.#merge([photo.photo]);
  }

  /** Forgets what a person set, and lets the finder look at the photo anew. */
  async lookAgain(photoId: string): Promise<void> {
    const photo = this.state.getState().byId.get(photoId);
    const preview = await this.#smallOf(photoId);
    const focus = photo && preview && (await this.#deps.finder?.run("findFocus", preview).catch(() => undefined));
    if (focus) await this.edit("focused", [photoId], (p) => ({ ...p, focus }));
  }

  /** Photos whose record was changed by the program itself. */
  takeOver(changed: readonly Photo[]): void {
    this.#merge(changed);
  }

  #smallOf(photoId: string): Promise<Blob | undefined> {
    const { previewOf, store } = this.#deps;
    return previewOf ? previewOf(photoId, "small") : store.preview(photoId, "small");
  }

  undo(): Promise<void> {
    return this.#travel("undoable", "redoable", "before");
  }

  redo(): Promise<void> {
    return this.#travel("redoable", "undoable", "after");
  }

  async #take(step: LibraryStep): Promise<void> {
    await this.#apply(step.after);
    this.state.setState((s) => ({ undoable: [...s.undoable, step].slice(-200), redoable: [] }));
  }

  async #travel(from: "undoable" | "redoable", to: "undoable" | "redoable", side: "before" | "after"): Promise<void> {
    const step = this.state.getState()[from].at(-1);
    if (!step) return;
    await this.#apply(step[side]);
    this.state.setState((s) => ({ [from]: s[from].slice(0, -1), [to]: [...s[to], step] }) as Partial<LibraryState>);
  }

  async #apply({ photos, spans }: Snapshot): Promise<void> {
    const { store } = this.#deps;
    // A finder may have looked at a photo since; what it found is not part of anybody's step.
    const { byId } = this.state.getState();
    const newest = photos.map((p) => (p.focus === null ? { ...p, focus: byId.get(p.id)?.focus ?? null } : p));
    if (newest.length > 0) await store.putPhotos(newest);
    if (spans) await store.keepSpans(spans);
    if (spans) this.state.setState({ spans });
    this.#merge(newest);
  }

  #flush(): void {
    if (this.#fresh.length === 0) return;
    const { byId } = this.state.getState();
    // What a finder saw may lie here for a moment; an edit that came meanwhile counts.
    const fresh = this.#fresh.map((p) => {
      const now = byId.get(p.id);
      return now ? { ...now, focus: now.focus ?? p.focus } : p;
    });
    this.#fresh = [];
    this.#merge(fresh);
  }

  /** Takes new and changed photos over into what is shown. */
  #merge(changed: readonly Photo[]): void {
    if (changed.length === 0) return;
    const all = new Map(this.state.getState().byId);
    for (const p of changed) {
      p.removed ? all.delete(p.id) : all.set(p.id, p);
      p.removed ? this.#removed.set(p.id, p) : this.#removed.delete(p.id);
    }
    this.#show([...all.values()]);
  }

  #show(photos: readonly Photo[], more: Partial<LibraryState> = {}): void {
    const sorted = [...photos].sort(byTimeTaken);
    const of = (section: Section) => sorted.filter((p) => p.section === section);
    this.state.setState({
      ...more,
      photos: of("photos"),
      papers: of("papers").sort(byName),
      ornaments: of("ornaments").sort(byName),
      byId: new Map(sorted.map((p) => [p.id, p])),
      removed: [...this.#removed.values()].sort((a, b) => ((a.removedAt ?? "") < (b.removedAt ?? "") ? 1 : -1)),
    });
    clearTimeout(this.#pilesSoon);
    this.#pilesSoon = setTimeout(() => void this.#pile(), pilesAfterMs);
  }

  async #pile(): Promise<void> {
    const { photos } = this.state.getState();
    const facts = photos.map(({ id, takenAt, likeness, pile, stars }) => ({ id, takenAt, likeness, pile, stars }));
    const piles = await this.#deps.pool.run("findPiles", facts).catch(() => undefined);
    const now = this.state.getState();
    // What rests on them is done anew when they are others, and a face that was found makes no other piles.
    if (piles && now.photos === photos && JSON.stringify(piles) !== JSON.stringify(now.piles))
      this.state.setState({ piles });
  }
}
