import "fake-indexeddb/auto";
import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import { unzipSync } from "fflate";
import { openDB } from "idb";
import { commit, type Editing, noHistory, undo } from "#core/document";
import type { NoteEvent } from "#core/notes";
import { photoSchema } from "#core/photo/schema";
import { shippedTemplates } from "#core/templates";
import { collage } from "../../core/document/project.fixture.ts";
import { again } from "./again.ts";
import { keptIn } from "./keeper.fixture.ts";
import { openMemoryStore } from "./memory-store.ts";
import { ModelDisk } from "./model-disk.fixture.ts";
import { databaseName } from "./schema.ts";
import { type NewPhoto, type Store, StoreError, storeErrorFrom } from "./store.ts";

const openKept = async () => (await keptIn(new ModelDisk())).store;

const newPhoto = (id: string, hash: string): NewPhoto => ({
  photo: photoSchema.parse({
    id,
    name: `${id}.jpg`,
    type: "image/jpeg",
    sizeBytes: 3,
    hash: hash.repeat(64),
    widthPx: 30,
    heightPx: 20,
    takenAt: "2026-01-01T10:00:00",
    takenFrom: "exif",
    caption: "",
    addedAt: "2026-01-02T10:00:00.000Z",
  }),
  original: new Blob(["abc"]),
  small: new Blob(["s"]),
});

const stores: readonly (readonly [string, () => Promise<Store>])[] = [
  ["in the browser's database", openKept],
  ["in memory", async () => openMemoryStore()],
];

test.each(stores)("a photo is kept once, with its bytes and previews, %s", async (_, open) => {
  const store = await open();
  expect((await store.addPhoto(newPhoto("a", "1"))).added).toBe(true);
  const again = await store.addPhoto(newPhoto("b", "1"));
  expect(again).toMatchObject({ added: false, photo: { id: "a" } });
  expect((await store.photos()).photos.map((p) => p.id)).toEqual(["a"]);
  expect(await store.original("a")).toBeDefined();
  expect(await store.original("b")).toBeUndefined();
  expect(await store.preview("a", "large")).toBeUndefined();
  await store.keepPreview("a", "large", new Blob(["l"]));
  expect(await store.preview("a", "large")).toBeDefined();
});

test.each(stores)("templates of one's own and favourites are kept and taken away, %s", async (_, open) => {
  const store = await open();
  const [one, two] = shippedTemplates();
  await store.putTemplates([one!, two!]);
  await store.putTemplates([{ ...one!, name: "Mine" }]);
  expect((await store.templates()).map((t) => t.name).toSorted()).toEqual(["Mine", two!.name].toSorted());
  await store.removeTemplate(two!.id);
  expect(await store.templates()).toHaveLength(1);
  expect(await store.favourites()).toEqual([]);
  await store.keepFavourites([one!.id]);
  expect(await store.favourites()).toEqual([one!.id]);
});

test.each(stores)("a project comes back with its steps, done and undone, %s", async (_, open) => {
  const store = await open();
  let now: Editing = { project: collage([1.5, 0.7]), history: noHistory };
  const save = () =>
    store.saveProject({
      project: now.project,
      steps: now.history.steps,
      done: now.history.done,
      savedAt: "2026-01-01T00:00:00.000Z",
      sent: undefined,
    });
  const rename = (name: string, ms: number) => {
    const next = commit(now, {
      name: { code: "renamed", count: 1 },
      changes: [{ type: "setProject", name }],
      at: new Date(ms).toISOString(),
    });
    if (next.ok) now = next.value;
  };
  for (const [i, name] of ["One", "Two", "Three"].entries()) rename(name, i);
  await save();
  const back = undo(now);
  if (back.ok) now = back.value;
  await save();
  const opened = (await store.openProject(now.project.id))!;
  expect(opened.project.name).toBe("Two");
  expect(opened.steps.map((s) => s.changes)).toEqual(now.history.steps.map((s) => s.changes));
  expect(opened.done).toBe(2);
  // A new step in place of the undone one: the old record must not come back.
  now = { project: opened.project, history: { steps: opened.steps, done: opened.done } };
  rename("Four", 9);
  await save();
  const last = (await store.openProject(now.project.id))!;
  expect(last.steps.map((s) => (s.changes[0] as { name: string }).name)).toEqual(["One", "Two", "Four"]);
  const { id } = now.project;
  await store.removeProject(id, "2026-01-01T00:00:00.000Z");
  await expect(store.openProject(id)).rejects.toMatchObject({ code: "workRemoved" });
  expect((await store.projects()).cards).toEqual([]);
  expect(await store.removedProjects()).toMatchObject([{ id, pageCount: 1 }]);
  // What another tab still does to it must not bring half of it back.
  await expect(save()).rejects.toMatchObject({ code: "workRemoved" });
  await store.restoreProject(id);
  expect((await store.openProject(id))!.steps).toHaveLength(3);
  await store.forgetProject(id);
  expect(await store.openProject(id)).toBeUndefined();
  await expect(save()).rejects.toMatchObject({ code: "workRemoved" });
});

test.each(stores)("notes are kept beside a work, each once, and known by every copy of it, %s", async (_, open) => {
  const store = await open();
  const project = collage([1, 1]);
  const note = (id: string): NoteEvent => ({
    id,
    n: 1,
    at: "2026-01-01T00:00:00Z",
    by: { key: "k", name: "Hilde" },
    does: "note",
    place: { on: "book" },
    text: id,
    mark: "",
  });
  const at = { savedAt: "2026-01-01T00:00:00.000Z", steps: [], done: 0, sent: undefined };
  await store.saveProject({ project, ...at });
  expect(await store.notes(project.id)).toEqual({ events: [] });
  await store.keepNotes({ id: project.id, events: [note("a")], sameAs: "first" });
  // What another tab kept meanwhile stays.
  await store.keepNotes({ id: project.id, events: [note("b")] });
  await store.keepNotes({ id: project.id, events: [{ ...note("c"), n: -3 }, note("d")] }, ["b"]);
  expect((await store.notes(project.id)).events.map((e) => e.id)).toEqual(["a", "d"]);
  expect((await store.notes(project.id)).sameAs).toBe("first");
  const copy = { ...project, id: "first", name: "The first" };
  expect((await store.sameWorks("first")).map((w) => w.id)).toEqual([project.id]);
  await store.saveProject({ project: copy, ...at });
  expect((await store.sameWorks("first")).map((w) => w.id)).toEqual(["first", project.id]);
  expect(await store.sameWorks("another")).toEqual([]);
  await store.forgetProject(project.id);
  expect(await store.notes(project.id)).toEqual({ events: [] });
});

test("steps that fell out of a long history leave storage too", async () => {
  const store = await openKept();
  let now: Editing = { project: { ...collage([1]), id: "long" }, history: noHistory };
  for (let i = 0; i < 405; i += 1) {
    const next = commit(now, {
      name: { code: "renamed", count: 1 },
      changes: [{ type: "setProject", name: `n${i}` }],
      at: new Date(i).toISOString(),
    });
    if (next.ok) now = next.value;
    if (i % 100 === 99 || i > 400)
      await store.saveProject({
        project: now.project,
        steps: now.history.steps,
        done: now.history.done,
        savedAt: "x",
        sent: undefined,
      });
  }
  const opened = (await store.openProject("long"))!;
  expect(opened.steps).toHaveLength(400);
  expect(opened.steps.at(-1)!.changes).toEqual([{ type: "setProject", name: "n404" }]);
});

test("of many pages only those that changed are written, and a work of before the pages were apart still opens", async () => {
  const store = await openKept();
  const base = collage([1, 1.5]);
  const page = base.pages[0]!;
  const named = (id: string) => ({ ...page, id });
  const project = { ...base, id: "many", pages: [named("a"), named("b"), named("c")] };
  const save = (p: typeof project) =>
    store.saveProject({ project: p, steps: [], done: 0, savedAt: "now", sent: undefined });
  await save(project);
  const db = await openDB(databaseName);
  // What is not written again is missed.
  await db.delete("pages", ["many", "a"]);
  const changed = { ...project, pages: project.pages.with(1, { ...named("b"), blank: true }) };
  await save(changed);
  expect(await db.getAllKeys("pages", IDBKeyRange.bound(["many", ""], ["many", "z"]))).toEqual([
    ["many", "b"],
    ["many", "c"],
  ]);
  await expect(store.openProject("many")).rejects.toMatchObject({ code: "recordDamaged" });
  expect(await store.salvage("many")).toMatchObject({ lostPages: 1, project: { pages: [{ id: "b" }, { id: "c" }] } });
  await db.put("pages", named("a"), ["many", "a"]);
  expect((await store.openProject("many"))!.project).toEqual(changed);
  await save({ ...changed, pages: changed.pages.slice(1) });
  expect((await store.openProject("many"))!.project.pages.map((p) => p.id)).toEqual(["b", "c"]);
  const old = { id: "old", project: { ...base, id: "old" }, done: 0, savedAt: "then", firstStep: 0, sent: undefined };
  await db.put("projects", old);
  expect((await store.openProject("old"))!.project.pages).toEqual(base.pages);
  db.close();
});

test("a damaged record is counted and leaves the others readable", async () => {
  const store = await openKept();
  await store.addPhoto(newPhoto("good", "7"));
  const raw = await openDB(databaseName);
  await raw.put("photos", { id: "bad", hash: "2", widthPx: -3 });
  await raw.put("projects", { id: "bad", project: { schema: 2 }, savedAt: "", done: 0, firstStep: 0 });
  await raw.put("projects", { id: "newer", project: { schema: 9 }, savedAt: "", done: 0, firstStep: 0 });
  const { photos, damaged } = await store.photos();
  expect(damaged).toBe(1);
  expect(photos.some((p) => p.id === "good")).toBe(true);
  expect((await store.projects()).damaged).toEqual(["bad", "newer"]);
  expect(await store.salvage("bad")).toBeUndefined();
  await expect(store.openProject("bad")).rejects.toMatchObject({ code: "recordDamaged" });
  await expect(store.openProject("newer")).rejects.toMatchObject({ code: "workNewer" });
  raw.close();
});

test("a work of the first form opens as one of today, and is written so with its first change, as it was beside it", async () => {
  const store = await openKept();
  const zip = unzipSync(readFileSync("e2e/fixtures/version-1/book.tessip.zip"));
  const { project: first } = JSON.parse(new TextDecoder().decode(zip["project.json"]));
  const raw = await openDB(databaseName);
  const pageIds = first.pages.map((p: { id: string }) => p.id);
  const record = { id: "old", project: { ...first, id: "old", pages: [] }, pageIds, savedAt: "then", firstStep: 3 };
  await raw.put("projects", { ...record, done: 1, sent: undefined });
  for (const page of first.pages) await raw.put("pages", page, ["old", page.id]);
  await raw.put("steps", { name: { code: "arranged", count: 1 }, changes: [], inverses: [], at: "then" }, ["old", 3]);
  expect((await store.projects()).cards.find((c) => c.project.id === "old")?.pageCount).toBe(pageIds.length);
  const opened = (await store.openProject("old"))!;
  expect(opened).toMatchObject({ steps: [], done: 0, migrated: true, project: { schema: 2 } });
  // Only looking changes nothing.
  expect(await raw.get("projects", "old")).toMatchObject({ project: { schema: 1 } });
  const renamed = { ...opened.project, name: "Another" };
  await store.saveProject({ project: renamed, steps: [], done: 0, savedAt: "now", sent: undefined });
  const again = (await store.openProject("old"))!;
  expect([again.project, again.migrated]).toEqual([renamed, false]);
  for (const id of pageIds) expect(await raw.get("pages", ["old", id])).toHaveProperty("pieces");
  expect(await raw.getAllKeys("steps", IDBKeyRange.bound(["old", 0], ["old", 99]))).toEqual([]);
  const [before] = await store.snapshots("old");
  expect(before).toMatchObject({ why: "renewed", project: { ...opened.project, name: "Fixture book" } });
  raw.close();
});

test("every way a browser says no has its own name", () => {
  expect(storeErrorFrom(new DOMException("", "QuotaExceededError")).code).toBe("storageFull");
  expect(storeErrorFrom(new DOMException("", "InvalidStateError")).code).toBe("storageLost");
  expect(storeErrorFrom(new DOMException("", "SecurityError")).code).toBe("storageRefused");
  expect(storeErrorFrom(new DOMException("", "VersionError")).code).toBe("newerVersion");
  expect(storeErrorFrom(new DOMException("IO error: FILE_ERROR_NO_SPACE", "UnknownError")).code).toBe("storageFull");
  expect(storeErrorFrom(null).code).toBe("storageLost");
  const own = new StoreError("recordDamaged");
  expect(storeErrorFrom(own)).toBe(own);
});

test("storage that is not ready right after a crash is asked again, and the last reason is told", async () => {
  let asked = 0;
  const readyAt = (n: number) => async () => {
    asked += 1;
    if (asked < n) throw new StoreError("storageRefused", asked);
    return asked;
  };
  expect(await again(readyAt(3), [0, 0])).toBe(3);
  asked = 0;
  await expect(again(readyAt(9), [0, 0])).rejects.toThrow("storageRefused: 3");
});
