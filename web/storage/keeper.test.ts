import "fake-indexeddb/auto";
import { beforeEach, expect, jest, test } from "@jest/globals";
import { openDB } from "idb";
import { photoSchema } from "#core/photo/schema";
import { collage } from "../../core/document/project.fixture.ts";
import { Database } from "./database.ts";
import { keptIn, nothingKept } from "./keeper.fixture.ts";
import { ModelDisk } from "./model-disk.fixture.ts";
import { databaseName, type Kept, upgrades } from "./schema.ts";
import type { Store } from "./store.ts";

const photo = (id: string, hash = id) =>
  photoSchema.parse({
    id,
    name: `${id}.jpg`,
    type: "image/jpeg",
    sizeBytes: 3,
    hash: hash.charCodeAt(0).toString(16).padStart(64, "0"),
    widthPx: 30,
    heightPx: 20,
    takenAt: "2026-01-01T10:00:00",
    takenFrom: "exif",
    caption: "",
    addedAt: "2026-01-02T10:00:00.000Z",
  });
const add = (store: Store, id: string) =>
  store.addPhoto({ photo: photo(id), original: new Blob(["abc"]), small: new Blob(["s"]) });
const work = (id: string, name = "A year") => ({ ...collage([1, 1.5]), id, name });
const save = (store: Store, id: string, name?: string) =>
  store.saveProject({ project: work(id, name), steps: [], done: 0, savedAt: "now", sent: undefined });
const names = async (store: Store) => (await store.projects()).cards.map((c) => c.project.name).sort();
const codes = (report: { happened: readonly { code: string }[] }) => report.happened.map((h) => h.code);

beforeEach(nothingKept);

/** Two works and two photos, kept and closed again. */
async function filled(disk: ModelDisk) {
  const { keeper, store } = await keptIn(disk);
  await save(store, "w1", "One");
  await save(store, "w2", "Two");
  await add(store, "a");
  await add(store, "b");
  await keeper.close();
}

async function expectAll(store: Store) {
  expect(await names(store)).toEqual(["One", "Two"]);
  expect((await store.photos()).photos.map((p) => p.id).sort()).toEqual(["a", "b"]);
  expect((await store.openProject("w1"))!.project).toEqual(work("w1", "One"));
}

test("an ordinary start finds everything and has nothing to tell", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  const { store, opened } = await keptIn(disk);
  await expectAll(store);
  expect(opened).toMatchObject({ works: 2, photos: 2, happened: [], state: { reading: "database", full: false } });
});

test("a database that is gone, or came back empty, is made again from the journal, and that is said", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  await Database.delete();
  const { store, opened, keeper } = await keptIn(disk);
  expect(opened.happened).toEqual([{ code: "rebuilt", works: 2, photos: 2 }]);
  await expectAll(store);
  await keeper.close();
  expect((await keptIn(disk)).opened.happened).toEqual([]);
});

test("a database that is behind takes the rest, and one that lost a table's records has them again", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  const raw = await openDB(databaseName);
  const applied = (await raw.get("meta", "applied")) as { journalId: string; seq: number };
  await raw.delete("photos", "b");
  await raw.put("meta", { ...applied, seq: applied.seq - 1 }, "applied");
  raw.close();
  const { store, opened, keeper } = await keptIn(disk);
  expect(opened.happened).toEqual([{ code: "caughtUp", changes: 1 }]);
  await expectAll(store);
  await keeper.close();
});

test("a journal that is gone is made again from the database", async () => {
  await filled(new ModelDisk());
  const fresh = new ModelDisk();
  const { opened, keeper } = await keptIn(fresh);
  expect(codes(opened)).toEqual(["journalRemade"]);
  await keeper.close();
  await Database.delete();
  const { store } = await keptIn(fresh);
  await expectAll(store);
});

test("a journal that lost its end takes what the database knows more", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  const [name, bytes] = [...disk.files].find(([n]) => n.startsWith("journal-"))!;
  disk.files.set(name, bytes.slice(0, bytes.length - 3));
  const { keeper } = await keptIn(disk);
  await keeper.close();
  await Database.delete();
  await expectAll((await keptIn(disk)).store);
});

test("what a database of before the journal holds is taken over, whenever the machine stops on the way", async () => {
  for (let calls = 1; calls < 60; calls += 7) {
    await filled(new ModelDisk());
    const raw = await openDB(databaseName);
    await raw.delete("meta", "applied");
    raw.close();
    const disk = new ModelDisk();
    disk.callsLeft = calls;
    await keptIn(disk).then(
      ({ keeper }) => keeper.close(),
      () => {},
    );
    disk.restart();
    const { store, keeper } = await keptIn(disk);
    await expectAll(store);
    await keeper.close();
    await Database.delete();
    const { store: again, keeper: last } = await keptIn(disk);
    await expectAll(again);
    await last.close();
    await Database.delete();
  }
});

test("a database that is deleted while it is open is made again at once, and told", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  const { store, keeper, reports } = await keptIn(disk);
  await Database.delete();
  await keeper.look();
  await keeper.look();
  expect(reports.flatMap((r) => codes(r))).toEqual(["rebuilt"]);
  await expectAll(store);
  await save(store, "w1", "One more");
  expect(await names(store)).toEqual(["One more", "Two"]);
  await keeper.close();
});

test("on a full disk the ballast takes the last changes, the database is left alone, and with room it is made again", async () => {
  const disk = new ModelDisk();
  disk.room = 60_000_000;
  await filled(disk);
  let now = 0;
  const { store, keeper, reports } = await keptIn(disk, () => now);
  disk.room = 10;
  now = 20_000;
  await save(store, "w1", "On a full disk");
  expect(reports.at(-1)!.state).toMatchObject({ reading: "memory", full: true });
  // What was kept last can be read, though the database never heard of it.
  expect(await names(store)).toEqual(["On a full disk", "Two"]);
  const raw = await openDB(databaseName);
  expect(((await raw.get("projects", "w1")) as { project: { name: string } }).project.name).toBe("One");
  raw.close();
  await keeper.close();
  // A start on the full disk opens no database; nothing is missing.
  disk.room = 0;
  const full = await keptIn(disk, () => now);
  expect(full.opened.state).toMatchObject({ reading: "memory", full: true });
  expect(await names(full.store)).toEqual(["On a full disk", "Two"]);
  disk.room = 60_000_000;
  await full.store.tryAgain();
  expect(full.reports.at(-1)).toMatchObject({ state: { reading: "database", full: false } });
  expect(codes(full.reports.at(-1)!)).toEqual(["rebuilt"]);
  expect(await names(full.store)).toEqual(["On a full disk", "Two"]);
  await full.keeper.close();
});

test("a save that fits nowhere is refused, and the one after it has no hole behind it", async () => {
  const disk = new ModelDisk();
  disk.room = 60_000_000;
  const { store, keeper } = await keptIn(disk);
  await save(store, "w1", "One");
  disk.files.delete("ballast");
  disk.room = 0;
  await expect(save(store, "w1", "Two")).rejects.toMatchObject({ code: "storageFull" });
  expect(await names(store)).toEqual(["One"]);
  disk.room = 60_000_000;
  await save(store, "w1", "Three");
  expect(await names(store)).toEqual(["Three"]);
  await keeper.close();
});

test("when everything is thrown away under an open program, what memory holds is kept again", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  const { store, keeper, reports } = await keptIn(disk);
  disk.wipe();
  await keeper.look();
  expect(codes(reports.at(-1)!)).toContain("wiped");
  await expectAll(store);
  await keeper.close();
  await Database.delete();
  await expectAll((await keptIn(disk)).store);
});

test("steps that were not kept are not counted as kept: after a failed save and a good one the history is whole", async () => {
  const disk = new ModelDisk();
  disk.room = 60_000_000;
  const { store, keeper } = await keptIn(disk);
  const step = (n: number) => ({
    name: { code: "renamed", count: 1 } as const,
    changes: [{ type: "setProject", name: `n${n}` } as const],
    inverses: [{ type: "setProject", name: `n${n - 1}` } as const],
    at: new Date(n).toISOString(),
  });
  const steps = [step(1), step(2), step(3)];
  const saveSteps = (done: number) =>
    store.saveProject({ project: work("w"), steps: steps.slice(0, done), done, savedAt: "x", sent: undefined });
  await saveSteps(1);
  disk.files.delete("ballast");
  disk.room = 0;
  await expect(saveSteps(2)).rejects.toMatchObject({ code: "storageFull" });
  disk.room = 60_000_000;
  await saveSteps(3);
  expect((await store.openProject("w"))!.steps.map((s) => s.at)).toEqual(steps.map((s) => s.at));
  await keeper.close();
});

test("a journal that has grown is written anew with what stands, and goes on", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  const { keeper } = await keptIn(disk);
  const journalBytes = () => Math.max(...[...disk.files].map(([n, b]) => (n.startsWith("journal-") ? b.length : 0)));
  const words = "w".repeat(1_000_000);
  for (let i = 0; i < 13; i += 1)
    await keeper.commit([{ store: "spans", key: "s", value: { id: "s", name: `${i} ${words}` } }]);
  expect(journalBytes()).toBeLessThan(10_000_000);
  await keeper.close();
  await Database.delete();
  const { store, keeper: again } = await keptIn(disk);
  await expectAll(store);
  expect([...again.lines().values()].some((l) => l.includes(`"12 ${words.slice(0, 5)}`))).toBe(true);
});

test("steps that are taken back and replaced leave nothing of themselves behind", async () => {
  const { store, keeper } = await keptIn(new ModelDisk());
  const step = (n: number) => ({
    name: { code: "renamed", count: 1 } as const,
    changes: [],
    inverses: [],
    at: new Date(n).toISOString(),
  });
  const first = step(1);
  const saveSteps = (steps: readonly ReturnType<typeof step>[]) =>
    store.saveProject({ project: work("w"), steps, done: steps.length, savedAt: "x", sent: undefined });
  await saveSteps([first, step(2), step(3)]);
  await saveSteps([first]);
  expect((await store.openProject("w"))!.steps).toHaveLength(1);
  expect(await keeper.tables.keysUnder("steps", "w")).toEqual([0]);
});

test("a database that another tab holds in an older version is waited for, and nothing begins as if it were new", async () => {
  const old = await openDB<Kept>(databaseName, upgrades.length - 1, {
    upgrade(db, from, _new, tx) {
      for (const up of upgrades.slice(from, -1)) up(db, tx);
    },
    // As a tab that was put to sleep.
    blocking: () => {},
  });
  await expect(keptIn(new ModelDisk())).rejects.toMatchObject({ code: "storageHeld" });
  old.close();
  // Let go, it opens; what was given up on does not hold it in its turn.
  (await Database.open({ lost: () => {} })).close();
  const { keeper } = await keptIn(new ModelDisk());
  await keeper.close();
});

test("a database that stops answering is read no more: what was asked is answered from memory, and the change is kept", async () => {
  const disk = new ModelDisk();
  await filled(disk);
  const { keeper } = await keptIn(disk);
  jest.spyOn(keeper.tables, "get").mockReturnValue(new Promise(() => {}));
  jest.useFakeTimers({ doNotFake: ["nextTick", "setImmediate", "queueMicrotask"] });
  try {
    const need = { is: "workHere", projectId: "w1" } as const;
    const kept = keeper.commit([{ store: "spans", key: "s", value: { id: "s" } }], [need]);
    await jest.advanceTimersByTimeAsync(8_100);
    expect(await kept).toBeGreaterThan(0);
  } finally {
    jest.useRealTimers();
  }
  expect([...keeper.lines().keys()]).toContain('["spans","s"]');
  await keeper.close();
});
