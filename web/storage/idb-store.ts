import { openDB } from "idb";
import { type Page, projectSchema, type Step, stepSchema } from "#core/document";
import { type LabCard, labCardSchema } from "#core/lab";
import { isWholePhoto, type NamedSpan, namedSpanSchema, type Photo, photoSchema } from "#core/photo";
import { type Template, templateSchema } from "#core/templates";
import { type Db, databaseName, type StoredProject, upgrades } from "./schema.ts";
import {
  type NewPhoto,
  type OpenedProject,
  type PreviewSize,
  type ProjectCard,
  type ProjectSave,
  type SentOrder,
  type Snapshot,
  type Store,
  StoreError,
  storeErrorFrom,
} from "./store.ts";

/** What the rest of the program has to hear about a database that others use too. */
export interface StoreNotices {
  /** Another tab holds an older version open. */
  blocked(): void;
  /** The browser closed the database under us. */
  lost(): void;
}

export async function openIdbStore(notices: StoreNotices): Promise<Store> {
  let db: Db;
  try {
    db = await openDB(databaseName, upgrades.length, {
      upgrade(to, from, _new, tx) {
        for (const up of upgrades.slice(from)) up(to, tx);
      },
      blocked: () => notices.blocked(),
      // A newer version waits in another tab: let it have the database rather than hang it.
      blocking: () => db.close(),
      terminated: () => notices.lost(),
    });
  } catch (e) {
    throw storeErrorFrom(e);
  }
  return new IdbStore(db);
}

class IdbStore implements Store {
  readonly lasting = true;
  readonly #db: Db;
  /** Which number each known step is kept under, so that a save writes only what is new. */
  readonly #numbers = new WeakMap<Step, number>();
  /** As they were last read or written, by project. */
  readonly #pages = new Map<string, ReadonlyMap<string, Page>>();

  constructor(db: Db) {
    this.#db = db;
  }

  photos() {
    return guarded(async () => {
      const photos: Photo[] = [];
      let damaged = 0;
      for (const record of await this.#db.getAll("photos")) {
        const photo = isWholePhoto(record) ? record : photoSchema.safeParse(record).data;
        if (photo) photos.push(photo);
        else damaged += 1;
      }
      return { photos, damaged };
    });
  }

  addPhoto({ photo, original, small }: NewPhoto) {
    return guarded(async () => {
      const tx = this.#db.transaction(["photos", "originals", "previews"], "readwrite");
      const known = await tx.objectStore("photos").index("byHash").get(photo.hash);
      if (known) return await this.#backAgain(tx.objectStore("photos"), known);
      await settle(tx, [
        tx.objectStore("photos").add(photo),
        tx.objectStore("originals").add(original, photo.id),
        tx.objectStore("previews").add(small, `${photo.id}/small`),
      ]);
      return { added: true, photo };
    });
  }

  /** A photo that was removed comes back as it was when its file is brought in again. */
  async #backAgain(photos: { put(p: Photo): Promise<unknown> }, known: Photo) {
    const photo = photoSchema.parse(known);
    if (!photo.removed) return { added: false, photo };
    const back = { ...photo, removed: false };
    await photos.put(back);
    return { added: true, photo: back };
  }

  putPhotos(photos: readonly Photo[]) {
    return guarded(async () => {
      const tx = this.#db.transaction("photos", "readwrite");
      await settle(
        tx,
        photos.map((p) => tx.store.put(p)),
      );
    });
  }

  replacePhoto({ photo, original, small }: NewPhoto) {
    return guarded(async () => {
      const tx = this.#db.transaction(["photos", "originals", "previews"], "readwrite");
      await settle(tx, [
        tx.objectStore("photos").put(photo),
        tx.objectStore("originals").put(original, photo.id),
        tx.objectStore("previews").put(small, `${photo.id}/small`),
        tx.objectStore("previews").delete(`${photo.id}/large`),
      ]);
    });
  }

  forgetPhotos(photoIds: readonly string[]) {
    return guarded(async () => {
      const tx = this.#db.transaction(["photos", "originals", "previews"], "readwrite");
      await settle(
        tx,
        photoIds.flatMap((id) => [
          tx.objectStore("photos").delete(id),
          tx.objectStore("originals").delete(id),
          tx.objectStore("previews").delete(IDBKeyRange.bound(`${id}/`, `${id}/\uffff`)),
        ]),
      );
    });
  }

  spans() {
    return guarded(async () =>
      (await this.#db.getAll("spans")).flatMap((s) => namedSpanSchema.safeParse(s).data ?? []),
    );
  }

  keepSpans(spans: readonly NamedSpan[]) {
    return guarded(async () => {
      const tx = this.#db.transaction("spans", "readwrite");
      await settle(tx, [tx.store.clear(), ...spans.map((s) => tx.store.put(s))]);
    });
  }

  waiting() {
    return guarded(async () => (await this.#db.get("waiting", "incoming")) ?? []);
  }

  keepWaiting(names: readonly string[]) {
    return guarded(async () => void (await this.#db.put("waiting", names, "incoming")));
  }

  templates() {
    return guarded(async () =>
      (await this.#db.getAll("templates")).flatMap((t) => templateSchema.safeParse(t).data ?? []),
    );
  }

  putTemplates(templates: readonly Template[]) {
    return guarded(async () => {
      const tx = this.#db.transaction("templates", "readwrite");
      await settle(
        tx,
        templates.map((t) => tx.store.put(t)),
      );
    });
  }

  removeTemplate(templateId: string) {
    return guarded(() => this.#db.delete("templates", templateId));
  }

  favourites() {
    return guarded(async () => (await this.#db.get("favourites", "templates")) ?? []);
  }

  keepFavourites(templateIds: readonly string[]) {
    return guarded(async () => void (await this.#db.put("favourites", templateIds, "templates")));
  }

  labs() {
    return guarded(async () => (await this.#db.getAll("labs")).flatMap((c) => labCardSchema.safeParse(c).data ?? []));
  }

  putLab(card: LabCard) {
    return guarded(async () => void (await this.#db.put("labs", card)));
  }

  removeLab(labId: string) {
    return guarded(() => this.#db.delete("labs", labId));
  }

  orders(projectId: string) {
    return guarded(async () => {
      const found = await this.#db.getAllFromIndex("orders", "byProject", projectId);
      return found.sort((a, b) => (a.at < b.at ? 1 : -1));
    });
  }

  putOrder(order: SentOrder) {
    return guarded(async () => void (await this.#db.put("orders", order)));
  }

  removeOrder(orderId: string) {
    return guarded(() => this.#db.delete("orders", orderId));
  }

  original(photoId: string) {
    return guarded(() => this.#db.get("originals", photoId));
  }

  originals() {
    return guarded(() => this.#db.getAllKeys("originals"));
  }

  preview(photoId: string, size: PreviewSize) {
    return guarded(() => this.#db.get("previews", `${photoId}/${size}`));
  }

  previews(wanted: readonly { readonly photoId: string; readonly size: PreviewSize }[]) {
    return guarded(() => {
      const { store } = this.#db.transaction("previews");
      return Promise.all(wanted.map(({ photoId, size }) => store.get(`${photoId}/${size}`)));
    });
  }

  keepPreview(photoId: string, size: PreviewSize, preview: Blob) {
    return guarded(async () => void (await this.#db.put("previews", preview, `${photoId}/${size}`)));
  }

  projects() {
    return guarded(async () => {
      const cards: ProjectCard[] = [];
      let damaged = 0;
      const tx = this.#db.transaction(["projects", "pages"]);
      const records = await tx.objectStore("projects").getAll();
      for (const record of records) {
        const { pageIds } = record;
        const first = pageIds
          ? await Promise.all(pageIds.slice(0, 2).map((id) => tx.objectStore("pages").get([record.id, id])))
          : record.project.pages?.slice(0, 2);
        const read = projectSchema.safeParse({ ...record.project, pages: first });
        const pageCount = (pageIds ?? record.project.pages ?? []).length;
        if (read.success) cards.push({ project: read.data, pageCount, savedAt: record.savedAt });
        else damaged += 1;
      }
      return { cards: cards.sort((a, b) => (a.savedAt < b.savedAt ? 1 : -1)), damaged };
    });
  }

  openProject(projectId: string): Promise<OpenedProject | undefined> {
    return guarded(async () => {
      const tx = this.#db.transaction(["projects", "steps", "pages"]);
      const record = await tx.objectStore("projects").get(projectId);
      if (!record) return undefined;
      const pages = await pagesOf(tx.objectStore("pages"), record);
      const range = IDBKeyRange.bound([projectId, 0], [projectId, Number.POSITIVE_INFINITY]);
      const [keys, values] = await Promise.all([
        tx.objectStore("steps").getAllKeys(range),
        tx.objectStore("steps").getAll(range),
      ]);
      const read = projectSchema.safeParse({ ...record.project, pages });
      if (!read.success) throw new StoreError("recordDamaged", read.error);
      if (record.pageIds) this.#pages.set(projectId, new Map(read.data.pages.map((p) => [p.id, p])));
      // A history that cannot be read is not worth losing the project for.
      const steps = values.flatMap((v) => (stepSchema.safeParse(v).success ? [v] : []));
      const whole = steps.length === values.length;
      for (const [i, step] of values.entries()) this.#numbers.set(step, keys[i]![1]);
      return {
        project: read.data,
        savedAt: record.savedAt,
        steps: whole ? steps : [],
        sent: record.sent,
        done: whole ? Math.min(record.done, steps.length) : 0,
      };
    });
  }

  saveProject({ project, steps, done, savedAt, sent }: ProjectSave) {
    return guarded(async () => {
      const tx = this.#db.transaction(["projects", "steps", "pages"], "readwrite");
      const before = await tx.objectStore("projects").get(project.id);
      const firstKnown = steps.length > 0 ? this.#numbers.get(steps[0]!) : undefined;
      const firstStep = firstKnown ?? before?.firstStep ?? 0;
      const pageIds = project.pages.map((p) => p.id);
      const bare = { ...project, pages: [] };
      const record: StoredProject = { id: project.id, project: bare, pageIds, done, savedAt, firstStep, sent };
      const writes: Promise<unknown>[] = [tx.objectStore("projects").put(record)];
      const kept = tx.objectStore("steps");
      for (const [i, step] of steps.entries()) {
        if (this.#numbers.get(step) === firstStep + i) continue;
        this.#numbers.set(step, firstStep + i);
        writes.push(kept.put(step, [project.id, firstStep + i]));
      }
      const beyond = [project.id, Number.POSITIVE_INFINITY] as [string, number];
      writes.push(kept.delete(IDBKeyRange.bound([project.id, firstStep + steps.length], beyond)));
      if (firstStep > 0) writes.push(kept.delete(IDBKeyRange.bound([project.id, 0], [project.id, firstStep - 1])));
      // Of many pages only those that are not what was written last.
      const written = before?.pageIds
        ? (this.#pages.get(project.id) ?? new Map<string, Page>())
        : new Map<string, Page>();
      const now = new Map(project.pages.map((p) => [p.id, p]));
      const pages = tx.objectStore("pages");
      for (const page of project.pages)
        if (written.get(page.id) !== page) writes.push(pages.put(page, [project.id, page.id]));
      for (const id of before?.pageIds ?? []) if (!now.has(id)) writes.push(pages.delete([project.id, id]));
      await settle(tx, writes);
      this.#pages.set(project.id, now);
    });
  }

  removeProject(projectId: string) {
    return guarded(async () => {
      const kept = await this.#db.getAllKeysFromIndex("snapshots", "byProject", projectId);
      this.#pages.delete(projectId);
      const tx = this.#db.transaction(["projects", "steps", "snapshots", "pages"], "readwrite");
      const all = IDBKeyRange.bound([projectId, 0], [projectId, Number.POSITIVE_INFINITY]);
      await settle(tx, [
        tx.objectStore("projects").delete(projectId),
        tx.objectStore("steps").delete(all),
        tx.objectStore("pages").delete(IDBKeyRange.bound([projectId, ""], [projectId, "\uffff"])),
        ...kept.map((id) => tx.objectStore("snapshots").delete(id)),
      ]);
    });
  }

  snapshots(projectId: string) {
    return guarded(async () => {
      const all = await this.#db.getAllFromIndex("snapshots", "byProject", projectId);
      // One that cannot be read any more is no use to anybody, and must not hide the others.
      const readable = all.flatMap((s) => {
        const project = projectSchema.safeParse(s.project).data;
        return project ? [{ ...s, project }] : [];
      });
      return readable.sort((a, b) => (a.at < b.at ? 1 : -1));
    });
  }

  keepSnapshot(snapshot: Snapshot) {
    return guarded(async () => void (await this.#db.put("snapshots", snapshot)));
  }

  removeSnapshot(snapshotId: string) {
    return guarded(() => this.#db.delete("snapshots", snapshotId));
  }
}

/** A project's pages in their order; one that is missing is left to the check that follows. */
async function pagesOf(
  store: { getAll(range: IDBKeyRange): Promise<Page[]> },
  record: StoredProject,
): Promise<readonly (Page | undefined)[]> {
  if (!record.pageIds) return record.project.pages;
  const all = await store.getAll(IDBKeyRange.bound([record.id, ""], [record.id, "\uffff"]));
  const byId = new Map(all.map((p) => [p.id, p]));
  return record.pageIds.map((id) => byId.get(id));
}

/** Waits for the requests and the transaction; the first that failed is the reason, not the abort that follows it. */
async function settle(tx: { readonly done: Promise<void> }, writes: readonly Promise<unknown>[]): Promise<void> {
  const ended = tx.done.catch((e: unknown) => e);
  const failed = (await Promise.allSettled(writes)).find((w) => w.status === "rejected");
  const abort = await ended;
  if (failed?.status === "rejected") throw failed.reason;
  if (abort !== undefined) throw abort;
}

async function guarded<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (e) {
    throw storeErrorFrom(e);
  }
}
