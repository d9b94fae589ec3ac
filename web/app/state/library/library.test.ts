import { expect, jest, test } from "@jest/globals";
import fc from "fast-check";
import type { Photo } from "#core/photo";
import { counter } from "../../../../core/document/project.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import { type Store, StoreError } from "../../../storage/store.ts";
import type { PhotoJobs } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { Library } from "./library.ts";
import type { IncomingFile, LibraryDeed } from "./library-state.ts";

const pool = {
  run: async (_job: string, input: PhotoJobs["readPhoto"]["in"]) => {
    if (input.name.startsWith("bad")) throw new WorkerError("damagedPicture", input.name);
    const n = Number(/\d+/.exec(input.name)?.[0] ?? 0);
    const facts = {
      name: input.name,
      type: "image/jpeg",
      sizeBytes: 1,
      hash: String(n % 90).padStart(64, "0"),
      widthPx: 3,
      heightPx: 2,
      takenAt: `2026-01-01T10:00:${String(n % 60).padStart(2, "0")}`,
      takenFrom: "exif" as const,
      caption: "",
    };
    return { facts, small: new Blob() };
  },
} as unknown as ConstructorParameters<typeof Library>[0]["pool"];

const file = (name: string): IncomingFile => ({ name, open: async () => new File(["x"], name) });

function library(store: Store = openMemoryStore()): Library {
  let n = 0;
  return new Library({ store, pool, newId: () => `id${++n}`, now: () => "2026-01-01T00:00:00.000Z" });
}

const whenIdle = (lib: Library) =>
  new Promise<void>((done) => {
    const look = () => lib.state.getState().incoming === undefined && done();
    lib.state.subscribe(look);
    look();
  });

test("files come in, sorted by time; what is broken is named and the rest goes on", async () => {
  const lib = library();
  lib.bringIn(["p7.jpg", "bad1.jpg", "p3.jpg", "p97.jpg", "p5.jpg"].map(file));
  expect(lib.state.getState().incoming).toMatchObject({ total: 5 });
  await whenIdle(lib);
  const s = lib.state.getState();
  expect(s.photos.map((p) => p.name)).toEqual(["p3.jpg", "p5.jpg", "p7.jpg"]);
  expect(s.leftOut).toEqual([{ name: "bad1.jpg", code: "damagedPicture" }]);
  expect(s.alreadyHere).toBe(1);
});

test("papers and ornaments lie apart from the photos; a drawing is read by its own reader and what was taken out is told", async () => {
  const drawing = {
    facts: {
      name: "sprig.svg",
      type: "image/svg+xml",
      sizeBytes: 6,
      hash: "d".repeat(64),
      widthPx: 3000,
      heightPx: 2000,
      takenAt: "2026-01-01T10:00:00",
      takenFrom: "file" as const,
      caption: "",
    },
    small: new Blob(["s"]),
    cleaned: new Blob(["<svg/>"]),
    takenOut: 2,
  };
  let n = 0;
  const lib = new Library({
    store: openMemoryStore(),
    pool,
    readSvg: async (f) => (f.name.startsWith("bad") ? Promise.reject(new StoreError("recordDamaged")) : drawing),
    newId: () => `id${++n}`,
    now: () => "2026-01-01T00:00:00.000Z",
  });
  lib.bringIn([file("p3.jpg")]);
  await whenIdle(lib);
  lib.bringIn([file("p5.jpg"), file("p4.jpg")], "papers");
  await whenIdle(lib);
  lib.bringIn([file("sprig.svg"), file("bad.svg")], "ornaments");
  await whenIdle(lib);
  const s = lib.state.getState();
  expect(s.photos.map((p) => p.name)).toEqual(["p3.jpg"]);
  expect(s.papers.map((p) => p.name)).toEqual(["p4.jpg", "p5.jpg"]);
  expect(s.ornaments.map((p) => p.name)).toEqual(["sprig.svg"]);
  expect(s.byId.size).toBe(4);
  expect(s.cleaned).toEqual([{ name: "sprig.svg", takenOut: 2 }]);
  expect(s.leftOut).toEqual([{ name: "bad.svg", code: "recordDamaged" }]);
});

test("a disk that is full names the photo and why, and a file that vanished does too", async () => {
  const store: Store = Object.assign(openMemoryStore(), {
    addPhoto: async () => Promise.reject(new StoreError("storageFull")),
  });
  const lib = library(store);
  lib.bringIn([
    file("p1.jpg"),
    { name: "gone.jpg", open: async () => Promise.reject(new DOMException("", "NotFoundError")) },
  ]);
  await whenIdle(lib);
  expect(
    lib.state
      .getState()
      .leftOut.map((f) => f.code)
      .sort(),
  ).toEqual(["storageFull", "unreadableFile"]);
});

test("stopping keeps what is in and leaves nothing waiting", async () => {
  const lib = library();
  lib.bringIn(Array.from({ length: 50 }, (_, i) => file(`p${i}.jpg`)));
  lib.cancel();
  await whenIdle(lib);
  expect(lib.state.getState().photos.length).toBeLessThan(50);
  expect(lib.state.getState().leftOut).toEqual([]);
});

test("what is done to photos is kept as one step, undone and done again; what stays the same is no step", async () => {
  const store = openMemoryStore();
  const lib = library(store);
  lib.bringIn(["p1.jpg", "p2.jpg", "p3.jpg"].map(file));
  await whenIdle(lib);
  const ids = lib.state.getState().photos.map((p) => p.id);
  const stars = async () => (await store.photos()).photos.map((p) => p.stars).sort();
  await lib.edit("starred", ids.slice(0, 2), (p) => ({ ...p, stars: 4 }));
  expect(await stars()).toEqual([0, 4, 4]);
  await lib.edit("starred", ids, (p) => p);
  expect(lib.state.getState().undoable).toHaveLength(1);
  await lib.undo();
  expect(await stars()).toEqual([0, 0, 0]);
  await lib.redo();
  expect(await stars()).toEqual([0, 4, 4]);
  await lib.nameSpans([{ id: "s", name: "Lock day", from: "2026-01-01T10:00:00", to: "2026-01-01T11:00:00" }]);
  await lib.undo();
  expect(await store.spans()).toEqual([]);
});

const deeds: readonly [LibraryDeed, (p: Photo, n: number) => Photo][] = [
  ["starred", (p, n) => ({ ...p, stars: n % 6 })],
  ["hid", (p) => ({ ...p, hidden: true })],
  ["captioned", (p, n) => ({ ...p, caption: `caption ${n % 3}` })],
  ["retimed", (p, n) => ({ ...p, takenAt: `2026-02-0${1 + (n % 9)}T10:00:00`, takenFrom: "you" })],
  ["removed", (p) => ({ ...p, removed: true })],
];

test("whatever was done to photos, in any order, is undone to what was and done again to what became of it; storage has the same", async () => {
  const anyDeed = fc.tuple(fc.nat(deeds.length - 1), fc.nat(50), fc.array(fc.nat(7), { minLength: 1, maxLength: 4 }));
  await fc.assert(
    fc.asyncProperty(fc.array(anyDeed, { maxLength: 10 }), async (wanted) => {
      const store = openMemoryStore();
      const lib = library(store);
      lib.bringIn(Array.from({ length: 8 }, (_, i) => file(`p${i}.jpg`)));
      await whenIdle(lib);
      const ids = lib.state.getState().photos.map((p) => p.id);
      const shown = () => lib.state.getState().photos;
      const kept = async () => {
        const { photos } = await store.photos();
        return photos.filter((p) => !p.removed).toSorted((a, b) => a.id.localeCompare(b.id));
      };
      const first = shown();
      for (const [which, n, at] of wanted) {
        const [deed, change] = deeds[which]!;
        await lib.edit(
          deed,
          at.map((i) => ids[i]!),
          (p) => change(p, n),
        );
      }
      const last = shown();
      expect(await kept()).toEqual(last.toSorted((a, b) => a.id.localeCompare(b.id)));
      while (lib.state.getState().undoable.length > 0) await lib.undo();
      expect(shown()).toEqual(first);
      while (lib.state.getState().redoable.length > 0) await lib.redo();
      expect(shown()).toEqual(last);
    }),
    { numRuns: 25 },
  );
});

test("a removed photo is gone from sight, comes back by undo, by its file and from among the removed, and goes after its time", async () => {
  const store = openMemoryStore();
  const lib = library(store);
  lib.bringIn(["p1.jpg", "p2.jpg"].map(file));
  await whenIdle(lib);
  const [first, second] = lib.state.getState().photos;
  const remove = (id: string, removedAt = "2026-01-01T00:00:00.000Z") =>
    lib.edit("removed", [id], (p) => ({ ...p, removed: true, removedAt }));
  await remove(first!.id);
  expect(lib.state.getState().photos.map((p) => p.id)).toEqual([second!.id]);
  await lib.undo();
  expect(lib.state.getState().photos).toHaveLength(2);
  await remove(first!.id);
  lib.bringIn([file("p1.jpg")]);
  await whenIdle(lib);
  expect(lib.state.getState().byId.has(first!.id)).toBe(true);
  await remove(second!.id);
  // Another tab, or the same one loaded again: it is still whole, its original too.
  const next = library(store);
  await next.load();
  expect(next.state.getState().removed.map((p) => p.id)).toEqual([second!.id]);
  expect(await store.original(second!.id)).toBeDefined();
  await lib.undo();
  expect(lib.state.getState().photos).toHaveLength(2);
  await remove(second!.id);
  await lib.bringBack([second!.id]);
  expect(lib.state.getState().byId.get(second!.id)).toEqual(second);
  await remove(second!.id, "2025-11-30T00:00:00.000Z");
  const muchLater = library(store);
  await muchLater.load();
  await Promise.resolve();
  expect((await store.photos()).photos.map((p) => p.id)).toEqual([first!.id]);
});

test("piles stay as they are when what was learnt of a photo makes no others", async () => {
  jest.useFakeTimers();
  try {
    let found: readonly (readonly string[])[] = [];
    const piling = {
      run: async (job: string, input: never) =>
        job === "findPiles" ? found.map((p) => [...p]) : pool.run(job as "readPhoto", input),
    } as unknown as typeof pool;
    const lib = new Library({ store: openMemoryStore(), pool: piling, newId: counter("id"), now: () => "2026-01-01" });
    lib.bringIn(["p1.jpg", "p2.jpg"].map(file));
    await jest.advanceTimersByTimeAsync(1000);
    const [a, b] = lib.state.getState().photos.map((p) => p.id);
    const after = async () => {
      await jest.advanceTimersByTimeAsync(1000);
      return lib.state.getState().piles;
    };
    found = [[a!, b!]];
    await lib.edit("starred", [a!], (p) => ({ ...p, stars: 1 }));
    const first = await after();
    expect(first).toEqual([[a, b]]);
    await lib.edit("starred", [b!], (p) => ({ ...p, stars: 2 }));
    expect(await after()).toBe(first);
    found = [[b!, a!]];
    await lib.edit("starred", [b!], (p) => ({ ...p, stars: 3 }));
    expect(await after()).toEqual([[b, a]]);
  } finally {
    jest.useRealTimers();
  }
});

test("what a finder sees is kept, never over what a person set, and a finder without its model stops quietly", async () => {
  const point = { x: 0.3, y: 0.4 };
  const store = Object.assign(openMemoryStore(), { preview: async () => new Blob(["x"]) });
  let asked = 0;
  let making = true;
  const looking = (answer: () => Promise<Photo["focus"] & object>) =>
    new Library({
      store,
      pool,
      finder: { run: answer },
      making: () => making,
      newId: () => `id${asked}`,
      now: () => "2026-01-01T00:00:00.000Z",
    });
  const lib = looking(async () => {
    asked += 1;
    return { faces: [], point, from: "interest" };
  });
  lib.bringIn([file("p1.jpg")]);
  await whenIdle(lib);
  // Whoever waits for a print file comes first.
  await new Promise((later) => setTimeout(later, 300));
  expect(asked).toBe(0);
  making = false;
  await new Promise<void>((seen) => lib.state.subscribe((s) => s.photos[0]?.focus && seen()));
  await lib.edit("focused", [lib.state.getState().photos[0]!.id], (p) => ({
    ...p,
    focus: { faces: [], point: { x: 0.9, y: 0.9 }, from: "you" },
  }));
  await lib.load();
  expect(asked).toBe(1);
  expect((await store.photos()).photos[0]!.focus?.from).toBe("you");
  const blind = looking(async () => {
    asked += 1;
    throw new WorkerError("finderMissing", "no model");
  });
  blind.bringIn(["p5.jpg", "p6.jpg"].map(file));
  await whenIdle(blind);
  expect(blind.state.getState().photos.every((p) => p.focus === null)).toBe(true);
});
