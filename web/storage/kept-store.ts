import type { Page, Project, Step } from "#core/document";
import { formOf, projectForm, readHistory, readPage, readProject } from "#core/document/schema";
import type { LabCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { merged, type NoteEvent } from "#core/notes";
import { isWholePhoto, type NamedSpan, type Photo } from "#core/photo";
import { namedSpanSchema, photoSchema } from "#core/photo/schema";
import type { Template } from "#core/templates";
import { templateSchema } from "#core/templates/schema";
import { fontType, type OwnFont } from "#core/words";
import { ownFontSchema } from "#core/words/schema";
import type { Change } from "./journal/record.ts";
import type { Loose } from "./keeper-report.ts";
import type { Need } from "./needs.ts";
import { changesOfSave, drop, type KnownWork, put } from "./save-changes.ts";
import type { StoredProject } from "./schema.ts";
import {
  type NewPhoto,
  type OpenedProject,
  type PreviewSize,
  type ProjectCard,
  type ProjectSave,
  type RemovedWork,
  type SentOrder,
  type Snapshot,
  type Store,
  type StoredNotes,
  StoreError,
} from "./store.ts";
import type { Tables } from "./tables.ts";

/** Whoever writes what the store hands over: the keeper, here or in another tab. */
export interface Writer {
  /** All changes or none; a StoreError where they were not kept. */
  commit(changes: readonly Change[], needs?: readonly Need[], loose?: readonly Loose[]): Promise<void>;
  /** Never fails. */
  keepLoose(loose: readonly Loose[]): Promise<void>;
  tryAgain(): Promise<void>;
}

/** Where originals lie. */
export interface OriginalFiles {
  /** A StoreError where there is no room. */
  keep(photo: Pick<Photo, "id" | "hash">, original: Blob): Promise<void>;
  get(photo: Pick<Photo, "id" | "hash" | "type">): Promise<Blob | undefined>;
  /** Ids of those photos whose original is here. */
  here(photos: readonly Pick<Photo, "id" | "hash">[]): Promise<readonly string[]>;
  forget(photos: readonly Pick<Photo, "id" | "hash">[]): Promise<void>;
}

export interface KeptStoreGiven {
  readonly lasting: boolean;
  readonly writer: Writer;
  readonly originals: OriginalFiles;
  /** Where to read at the moment. */
  readonly tables: () => Promise<Tables>;
}

const preview = (photoId: string, size: PreviewSize, value?: Blob): Loose => ({
  table: "previews",
  key: `${photoId}/${size}`,
  value,
});
/** The store's verbs as changes to tables. Everything that is read is checked here and trusted afterwards. */
export class KeptStore implements Store {
  readonly lasting: boolean;
  readonly #deps: KeptStoreGiven;
  /** Which number each known step is kept under. */
  readonly #numbers = new WeakMap<Step, number>();
  readonly #known = new Map<string, KnownWork>();
  /** Works of an earlier form as they stand in storage, until they are first written in this one. */
  readonly #before = new Map<string, unknown>();
  /** Types and hashes of photos, so that an original is found by a photo's id. */
  readonly #photos = new Map<string, Pick<Photo, "id" | "hash" | "type">>();

  constructor(given: KeptStoreGiven) {
    this.#deps = given;
    this.lasting = given.lasting;
  }

  tryAgain() {
    return this.#deps.writer.tryAgain();
  }

  async photos() {
    const photos: Photo[] = [];
    let damaged = 0;
    for (const record of await (await this.#deps.tables()).all("photos")) {
      const photo = isWholePhoto(record) ? record : photoSchema.safeParse(record).data;
      if (photo) photos.push(photo);
      else damaged += 1;
    }
    for (const p of photos) this.#photos.set(p.id, p);
    return { photos, damaged };
  }

  async addPhoto({ photo, original, small }: NewPhoto) {
    await this.#deps.originals.keep(photo, original);
    try {
      await this.#deps.writer.commit(
        [put("photos", photo)],
        [{ is: "hashUnknown", hash: photo.hash }],
        [preview(photo.id, "small", small)],
      );
    } catch (e) {
      if (e instanceof StoreError && e.code === "alreadyHere") return await this.#backAgain(photo.hash);
      throw e;
    }
    this.#photos.set(photo.id, photo);
    return { added: true, photo };
  }

  /** A photo that was removed comes back as it was when its file is brought in again. */
  async #backAgain(hash: string) {
    const tables = await this.#deps.tables();
    const [known] = await tables.by("photos", "byHash", hash);
    const photo = photoSchema.parse(known);
    if (!photo.removed) return { added: false, photo };
    const { removedAt: _, ...kept } = photo;
    const back: Photo = { ...kept, removed: false };
    await this.#deps.writer.commit([put("photos", back)]);
    return { added: true, photo: back };
  }

  async putPhotos(photos: readonly Photo[]) {
    await this.#deps.writer.commit(photos.map((p) => put("photos", p)));
  }

  async replacePhoto({ photo, original, small }: NewPhoto) {
    await this.#deps.originals.keep(photo, original);
    const previews = [preview(photo.id, "small", small), preview(photo.id, "large")];
    await this.#deps.writer.commit([put("photos", photo)], [], previews);
    this.#photos.set(photo.id, photo);
  }

  async forgetPhotos(photoIds: readonly string[]) {
    const tables = await this.#deps.tables();
    const gone = new Set(photoIds);
    const all = (await tables.all("photos")) as readonly Photo[];
    const kept = new Set(all.filter((p) => !gone.has(p.id)).map((p) => p.hash));
    await this.#deps.writer.commit(photoIds.map((id) => drop("photos", id)));
    // The record first: a file without one waits and is swept, a record without a file would be a hole.
    await this.#deps.originals.forget(all.filter((p) => gone.has(p.id) && !kept.has(p.hash)));
    await this.#deps.writer.keepLoose(photoIds.flatMap((id) => [preview(id, "small"), preview(id, "large")]));
  }

  async spans() {
    return (await (await this.#deps.tables()).all("spans")).flatMap((s) => namedSpanSchema.safeParse(s).data ?? []);
  }

  async keepSpans(spans: readonly NamedSpan[]) {
    const before = await (await this.#deps.tables()).keys("spans");
    const now = new Set(spans.map((s) => s.id));
    await this.#deps.writer.commit([
      ...before.filter((id) => !now.has(String(id))).map((id) => drop("spans", id)),
      ...spans.map((s) => put("spans", s)),
    ]);
  }

  async waiting() {
    return ((await (await this.#deps.tables()).get("waiting", "incoming")) ?? []) as readonly string[];
  }

  keepWaiting(names: readonly string[]) {
    return this.#deps.writer.keepLoose([{ table: "waiting", key: "incoming", value: names }]);
  }

  async templates() {
    return (await (await this.#deps.tables()).all("templates")).flatMap((t) => templateSchema.safeParse(t).data ?? []);
  }

  async putTemplates(templates: readonly Template[]) {
    await this.#deps.writer.commit(templates.map((t) => put("templates", t)));
  }

  async removeTemplate(templateId: string) {
    await this.#deps.writer.commit([drop("templates", templateId)]);
  }

  async favourites() {
    return ((await (await this.#deps.tables()).get("favourites", "templates")) ?? []) as readonly string[];
  }

  async keepFavourites(templateIds: readonly string[]) {
    await this.#deps.writer.commit([{ store: "favourites", key: "templates", value: templateIds }]);
  }

  async labs() {
    return (await (await this.#deps.tables()).all("labs")).flatMap((c) => labCardSchema.safeParse(c).data ?? []);
  }

  async putLab(card: LabCard) {
    await this.#deps.writer.commit([put("labs", card)]);
  }

  async removeLab(labId: string) {
    await this.#deps.writer.commit([drop("labs", labId)]);
  }

  async fonts() {
    return (await (await this.#deps.tables()).all("fonts")).flatMap((f) => ownFontSchema.safeParse(f).data ?? []);
  }

  async putFont(font: OwnFont, file?: { readonly hash: string; readonly file: Blob }) {
    if (file) await this.#deps.originals.keep({ id: file.hash, hash: file.hash }, file.file);
    await this.#deps.writer.commit([put("fonts", font)]);
  }

  fontFile(hash: string) {
    return this.#deps.originals.get({ id: hash, hash, type: fontType });
  }

  async notes(projectId: string) {
    const kept = (await (await this.#deps.tables()).get("notes", projectId)) as StoredNotes | undefined;
    return { events: kept ? await soundNotes(kept.events) : [], sameAs: kept?.sameAs, room: kept?.room };
  }

  async keepNotes(notes: StoredNotes, without: readonly string[] = []) {
    const gone = new Set(without);
    const kept = await this.notes(notes.id);
    const events = merged(kept.events, notes.events).filter((e) => !gone.has(e.id));
    const sameAs = notes.sameAs ?? kept.sameAs;
    const room = notes.room === undefined ? kept.room : notes.room;
    const record = { id: notes.id, events, ...(sameAs ? { sameAs } : {}), ...(room === undefined ? {} : { room }) };
    await this.#deps.writer.commit([put("notes", record)]);
  }

  async sameWorks(workId: string) {
    const tables = await this.#deps.tables();
    const kept = (await tables.all("notes")) as readonly StoredNotes[];
    const ids = new Set([workId, ...kept.filter((n) => n.sameAs === workId).map((n) => n.id)]);
    const works = (await tables.all("projects")) as readonly StoredProject[];
    const here = works.filter((w) => ids.has(w.id) && w.removedAt === undefined);
    // Its own id before one under which it came.
    return here
      .sort((a, b) => Number(b.id === workId) - Number(a.id === workId))
      .map(({ id, project }) => ({ id, name: String(project.name) }));
  }

  async orders(projectId: string) {
    const found = (await (await this.#deps.tables()).by("orders", "byProject", projectId)) as SentOrder[];
    return newestFirst(found);
  }

  async everyOrder() {
    return newestFirst((await (await this.#deps.tables()).all("orders")) as SentOrder[]);
  }

  async putOrder(order: SentOrder) {
    await this.#deps.writer.commit([put("orders", order)]);
  }

  async removeOrder(orderId: string) {
    await this.#deps.writer.commit([drop("orders", orderId)]);
  }

  async original(photoId: string) {
    const photo = this.#photos.get(photoId) ?? (await this.#photoOf(photoId));
    return photo && (await this.#deps.originals.get(photo));
  }

  async #photoOf(photoId: string) {
    const photo = photoSchema.safeParse(await (await this.#deps.tables()).get("photos", photoId)).data;
    if (photo) this.#photos.set(photoId, photo);
    return photo;
  }

  async originals() {
    const all = (await (await this.#deps.tables()).all("photos")) as readonly Photo[];
    return this.#deps.originals.here(all);
  }

  async preview(photoId: string, size: PreviewSize) {
    return (await (await this.#deps.tables()).get("previews", `${photoId}/${size}`)) as Blob | undefined;
  }

  async previews(wanted: readonly { readonly photoId: string; readonly size: PreviewSize }[]) {
    const keys = wanted.map((w) => `${w.photoId}/${w.size}`);
    return (await (await this.#deps.tables()).many("previews", keys)) as (Blob | undefined)[];
  }

  keepPreview(photoId: string, size: PreviewSize, made: Blob) {
    return this.#deps.writer.keepLoose([preview(photoId, size, made)]);
  }

  async projects() {
    const tables = await this.#deps.tables();
    const cards: ProjectCard[] = [];
    const damaged: string[] = [];
    for (const record of (await tables.all("projects")) as readonly StoredProject[]) {
      if (record.removedAt !== undefined) continue;
      const { pageIds } = record;
      const first = pageIds
        ? await tables.many(
            "pages",
            pageIds.slice(0, 2).map((id) => [record.id, id] as const),
          )
        : record.project.pages?.slice(0, 2);
      const read = readProject({ ...record.project, pages: first });
      const pageCount = (pageIds ?? record.project.pages ?? []).length;
      if (read) cards.push({ project: read.project, pageCount, savedAt: record.savedAt });
      else damaged.push(record.id);
    }
    return { cards: cards.sort((a, b) => (a.savedAt < b.savedAt ? 1 : -1)), damaged };
  }

  async openProject(projectId: string): Promise<OpenedProject | undefined> {
    const tables = await this.#deps.tables();
    const record = (await tables.get("projects", projectId)) as StoredProject | undefined;
    if (!record) return undefined;
    if (record.removedAt !== undefined) throw new StoreError("workRemoved", projectId);
    const [pages, kept] = await Promise.all([pagesOf(tables, record), tables.under("steps", projectId)]);
    const whole = { ...record.project, pages };
    const read = readProject(whole);
    if (!read) throw new StoreError(isNewer(whole) ? "workNewer" : "recordDamaged", projectId);
    const { project, migrated } = read;
    const numbers = kept.map(([key]) => Number((key as [string, number])[1]));
    // Steps speak of the form that the work was kept in, and do not fit another.
    const history = readHistory(migrated ? [] : kept.map(([, step]) => step), migrated ? 0 : record.done);
    if (migrated) this.#before.set(projectId, whole);
    for (const [i, step] of history.steps.entries()) this.#numbers.set(step, numbers[history.from + i]!);
    this.#known.set(projectId, {
      pages: record.pageIds ? new Map(project.pages.map((p) => [p.id, migrated ? undefined : p])) : new Map(),
      firstStep: numbers[0] ?? record.firstStep,
      endStep: (numbers.at(-1) ?? record.firstStep - 1) + 1,
    });
    return {
      project,
      savedAt: record.savedAt,
      steps: history.steps,
      sent: record.sent,
      done: history.done,
      historyCut: history.cut,
      migrated: migrated && kept.length > 0,
    };
  }

  async saveProject(save: ProjectSave) {
    const { id } = save.project;
    const known = this.#known.get(id) ?? (await this.#findKnown(id));
    const { changes, numbered, now } = changesOfSave(save, known, (step) => this.#numbers.get(step));
    const needs: Need[] = [{ is: "workNotRemoved", projectId: id }];
    if (this.#known.has(id)) needs.push({ is: "workHere", projectId: id });
    const before = this.#before.get(id);
    // As it was in its earlier form, until the same commit that replaces it.
    const first = before === undefined ? [] : [put("snapshots", firstSnapshot(save, before))];
    await this.#deps.writer.commit([...first, ...changes], needs);
    this.#before.delete(id);
    // Only now: a save that failed must not leave a hole in the history behind it.
    for (const [step, number] of numbered) this.#numbers.set(step, number);
    this.#known.set(id, now);
  }

  /** Of a work that was not opened here: all its pages count as unknown, and all its steps go. */
  async #findKnown(projectId: string): Promise<KnownWork> {
    const tables = await this.#deps.tables();
    const [pageIds, numbers] = await Promise.all([
      tables.keysUnder("pages", projectId),
      tables.keysUnder("steps", projectId),
    ]);
    const sorted = numbers.map(Number).sort((a, b) => a - b);
    return {
      pages: new Map(pageIds.map((pageId) => [String(pageId), undefined])),
      firstStep: sorted[0] ?? 0,
      endStep: (sorted.at(-1) ?? -1) + 1,
    };
  }

  async #recordOf(projectId: string): Promise<StoredProject> {
    const record = (await (await this.#deps.tables()).get("projects", projectId)) as StoredProject | undefined;
    if (!record) throw new StoreError("workRemoved", projectId);
    return record;
  }

  async removeProject(projectId: string, at: string) {
    await this.#deps.writer.commit([put("projects", { ...(await this.#recordOf(projectId)), removedAt: at })]);
  }

  async restoreProject(projectId: string) {
    const { removedAt: _, ...record } = await this.#recordOf(projectId);
    await this.#deps.writer.commit([put("projects", record)]);
  }

  async removedProjects(): Promise<readonly RemovedWork[]> {
    const all = (await (await this.#deps.tables()).all("projects")) as readonly StoredProject[];
    const removed = all.flatMap(({ id, project, pageIds, removedAt }) =>
      removedAt === undefined
        ? []
        : [{ id, name: String(project.name), pageCount: (pageIds ?? project.pages ?? []).length, removedAt }],
    );
    return removed.sort((a, b) => (a.removedAt < b.removedAt ? 1 : -1));
  }

  async forgetProject(projectId: string) {
    const tables = await this.#deps.tables();
    const [pages, steps, snapshots, orders] = await Promise.all([
      tables.keysUnder("pages", projectId),
      tables.keysUnder("steps", projectId),
      tables.by("snapshots", "byProject", projectId) as Promise<readonly Snapshot[]>,
      tables.by("orders", "byProject", projectId) as Promise<readonly SentOrder[]>,
    ]);
    await this.#deps.writer.commit([
      drop("projects", projectId),
      drop("notes", projectId),
      ...pages.map((id) => drop("pages", [projectId, id])),
      ...steps.map((n) => drop("steps", [projectId, n])),
      ...snapshots.map((s) => drop("snapshots", s.id)),
      ...orders.map((o) => drop("orders", o.id)),
    ]);
  }

  async salvage(projectId: string) {
    const tables = await this.#deps.tables();
    const record = (await tables.get("projects", projectId)) as StoredProject | undefined;
    if (!record) return undefined;
    const all = await pagesOf(tables, record);
    const form = formOf(record.project);
    const pages = all.filter((p) => readPage(p, form));
    if (pages.length === 0) return undefined;
    // What the work cannot be read with is left away piece by piece; its pages are what matters.
    for (const without of [[], ["sheets"], ["sheets", "cover"], ["sheets", "cover", "notes", "words", "accepted"]]) {
      const bare = Object.fromEntries(without.map((name) => [name, undefined]));
      const cover = without.includes("cover") ? { cover: null } : {};
      const sheets = without.includes("sheets") ? { sheets: null } : {};
      const read = readProject({ ...record.project, ...bare, ...cover, ...sheets, pages });
      if (read) return { project: read.project, lostPages: all.length - pages.length };
    }
    return undefined;
  }

  async snapshots(projectId: string) {
    const all = (await (await this.#deps.tables()).by("snapshots", "byProject", projectId)) as readonly Snapshot[];
    // One that cannot be read any more is no use to anybody, and must not hide the others.
    const readable = all.flatMap((s) => {
      const read = readProject(s.project);
      return read ? [{ ...s, project: read.project }] : [];
    });
    return readable.sort((a, b) => (a.at < b.at ? 1 : -1));
  }

  async keepSnapshot(snapshot: Snapshot) {
    await this.#deps.writer.commit([put("snapshots", snapshot)]);
  }

  async removeSnapshot(snapshotId: string) {
    await this.#deps.writer.commit([drop("snapshots", snapshotId)]);
  }
}

const isNewer = (data: unknown): boolean => Number(formOf(data)) > projectForm;

/** A work in its earlier form, kept for whoever wants back to it. */
const firstSnapshot = ({ project, savedAt }: ProjectSave, before: unknown) => ({
  id: `before-${project.id}`,
  projectId: project.id,
  name: "",
  at: savedAt,
  why: "renewed" as const,
  project: before as Project,
});

/** A project's pages in their order; one that is missing is left to the check that follows. */
async function pagesOf(tables: Tables, record: StoredProject): Promise<readonly (Page | undefined)[]> {
  if (!record.pageIds) return record.project.pages ?? [];
  const all = (await tables.under("pages", record.id)).map(([, page]) => page as Page);
  const byId = new Map(all.map((p) => [p.id, p]));
  return record.pageIds.map((id) => byId.get(id));
}

const newestFirst = <T extends { readonly at: string }>(list: readonly T[]): readonly T[] =>
  [...list].sort((a, b) => (a.at < b.at ? 1 : -1));

/** One that is damaged keeps no other out. What checks them is fetched with the first work that has any. */
async function soundNotes(events: readonly unknown[]): Promise<readonly NoteEvent[]> {
  const { noteEventSchema } = await import("#core/notes/schema");
  return events.flatMap((e) => noteEventSchema.safeParse(e).data ?? []);
}
