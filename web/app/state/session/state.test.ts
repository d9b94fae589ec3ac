import { expect, jest, test } from "@jest/globals";
import fc from "fast-check";
import { arrangedTiles, type Change, noHistory, placed, removeTiles, type Step } from "#core/document";
import type { Photo } from "#core/photo";
import { collage, counter } from "../../../../core/document/project.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import { type Store, StoreError } from "../../../storage/store.ts";
import type { PhotoJobs } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { Library } from "../library/library.ts";
import type { IncomingFile, LibraryDeed } from "../library/library-state.ts";
import { choose, chooseAll, nothingChosen } from "../view-state/choose.ts";
import { pagesOfPhotos } from "./placed-photos.ts";
import { isSent, ProjectSession } from "./project-session.ts";

const list = ["a", "b", "c", "d", "e"];
const plain = { shift: false, ctrl: false };
const ids = (c: { ids: ReadonlySet<string> }) => [...c.ids].sort().join("");

test("a click chooses one, ctrl adds and takes away, shift chooses up to there", () => {
  const b = choose(nothingChosen, list, "b", plain);
  expect(ids(b)).toBe("b");
  expect(ids(choose(b, list, "d", { shift: true, ctrl: false }))).toBe("bcd");
  expect(ids(choose(b, list, "a", { shift: true, ctrl: false }))).toBe("ab");
  const bd = choose(b, list, "d", { shift: false, ctrl: true });
  expect(ids(bd)).toBe("bd");
  expect(ids(choose(bd, list, "b", { shift: false, ctrl: true }))).toBe("d");
  expect(ids(choose(bd, list, "e", { shift: true, ctrl: true }))).toBe("bde");
  expect(ids(choose(b, list, "b", plain))).toBe("");
  expect(ids(chooseAll(list))).toBe("abcde");
});

test("a range from an anchor that is gone chooses the clicked one alone", () => {
  expect(ids(choose({ ids: new Set(["x"]), anchor: "x" }, list, "c", { shift: true, ctrl: false }))).toBe("c");
});

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
  const looking = (answer: () => Promise<Photo["focus"] & object>) =>
    new Library({
      store,
      pool,
      finder: { run: answer },
      newId: () => `id${asked}`,
      now: () => "2026-01-01T00:00:00.000Z",
    });
  const lib = looking(async () => {
    asked += 1;
    return { faces: [], point, from: "interest" };
  });
  lib.bringIn([file("p1.jpg")]);
  await whenIdle(lib);
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

const session = (store: Store) => {
  let ms = 0;
  const now = () => {
    ms += 10_000;
    return new Date(ms).toISOString();
  };
  return new ProjectSession(
    { project: collage([1.5, 1]), steps: noHistory.steps, done: 0, savedAt: now(), sent: undefined },
    { store, now },
  );
};
const rename = (s: ProjectSession, name: string) =>
  s.commit({ code: "renamed", count: 1 }, [{ type: "setProject", name }]);

test("whatever order things are done in, the newest state ends up in storage", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.constantFrom("commit", "undo", "redo"), { maxLength: 12 }), async (acts) => {
      const store = openMemoryStore();
      const s = session(store);
      for (const [i, act] of acts.entries())
        act === "commit" ? rename(s, `n${i}`) : act === "undo" ? s.undo() : s.redo();
      await s.settled();
      const kept = await store.openProject(s.state.getState().project.id);
      if (kept)
        expect([kept.project.name, kept.done]).toEqual([
          s.state.getState().project.name,
          s.state.getState().history.done,
        ]);
      expect(s.state.getState().keeping.is).toBe("kept");
    }),
    { numRuns: 25 },
  );
});

test("a step out of storage that makes no sense ends the history when it is about to be undone, and that is said", async () => {
  const store = openMemoryStore();
  const s = session(store);
  for (const name of ["One", "Two", "Three"]) rename(s, name);
  const { project, history } = s.state.getState();
  const [one, two, three] = JSON.parse(JSON.stringify(history.steps)) as Step[];
  const broken = { ...two!, inverses: [{ type: "setProject", name: 7 } as unknown as Change] };
  let cuts = 0;
  const opened = { project, steps: [one!, broken, three!], done: 3, savedAt: "", sent: undefined };
  const again = new ProjectSession(opened, { store, now: () => "2026-01-01T00:00:00.000Z", onCut: () => (cuts += 1) });
  again.undo();
  expect(again.state.getState()).toMatchObject({ project: { name: "Two" }, history: { done: 2 } });
  again.undo();
  expect(again.state.getState()).toMatchObject({ project: { name: "Two" }, history: { done: 0 } });
  expect(again.state.getState().history.steps).toHaveLength(1);
  expect(cuts).toBe(1);
  again.redo();
  expect(again.state.getState().project.name).toBe("Three");
  again.setReadOnly(true);
  for (const refused of [again.undo(), again.preview([{ type: "setProject", name: "Four" }]), rename(again, "Five")])
    expect(refused).toMatchObject({ ok: false, code: "lookedAtOnly" });
  expect(again.state.getState()).toMatchObject({ project: { name: "Three" }, draft: undefined });
});

test("a refused save says so and loses nothing; trying again keeps it", async () => {
  let full = true;
  const memory = openMemoryStore();
  const saveProject = memory.saveProject.bind(memory);
  const store = Object.assign(memory, {
    saveProject: async (save: Parameters<typeof saveProject>[0]) =>
      full ? Promise.reject(new StoreError("storageFull")) : saveProject(save),
  });
  const s = session(store);
  rename(s, "Kept in mind");
  await s.settled();
  expect(s.state.getState()).toMatchObject({
    keeping: { is: "failed", code: "storageFull" },
    project: { name: "Kept in mind" },
  });
  full = false;
  await s.tryAgain();
  await s.settled();
  expect(s.state.getState().keeping.is).toBe("kept");
});

test("a save that is not answered for long counts as not kept until it is answered", async () => {
  jest.useFakeTimers();
  try {
    let answer = () => {};
    const answered = new Promise<void>((done) => {
      answer = done;
    });
    const s = session(Object.assign(openMemoryStore(), { saveProject: () => answered }));
    rename(s, "Kept in mind");
    jest.advanceTimersByTime(19_000);
    expect(s.state.getState().keeping).toEqual({ is: "keeping" });
    jest.advanceTimersByTime(2_000);
    expect(s.state.getState().keeping).toEqual({ is: "failed", code: "storageSilent" });
    answer();
    await s.settled();
    expect(s.state.getState().keeping.is).toBe("kept");
  } finally {
    jest.useRealTimers();
  }
});

test("storage that hangs is given up and asked again, and not for ever", async () => {
  const memory = openMemoryStore();
  const saveProject = memory.saveProject.bind(memory);
  let hangs = 3;
  let asked = 0;
  const s = session(
    Object.assign(memory, {
      saveProject: (save: Parameters<typeof saveProject>[0]) => {
        asked += 1;
        hangs -= 1;
        return hangs >= 0
          ? Promise.reject(new StoreError(asked === 1 ? "storageSilent" : "storageHeld"))
          : saveProject(save);
      },
    }),
  );
  rename(s, "Kept at the fourth try");
  await s.settled();
  expect(s.state.getState().keeping.is).toBe("kept");
  expect((await memory.openProject(s.state.getState().project.id))?.project.name).toBe("Kept at the fourth try");
  hangs = Infinity;
  asked = 0;
  rename(s, "Never kept");
  await s.settled();
  expect(s.state.getState().keeping).toEqual({ is: "failed", code: "storageSilent" });
  expect(asked).toBe(4);
});

test("a preview shows without being done; a read-only session changes nothing", async () => {
  const s = session(openMemoryStore());
  s.preview([{ type: "setProject", name: "Maybe" }]);
  expect(s.state.getState()).toMatchObject({ draft: { name: "Maybe" }, project: { name: "A year" } });
  s.dropPreview();
  s.setReadOnly(true);
  rename(s, "No");
  expect(s.undo()).toMatchObject({ ok: false, code: "lookedAtOnly" });
  s.preview([{ type: "setProject", name: "No" }]);
  expect(s.state.getState()).toMatchObject({ draft: undefined, project: { name: "A year" } });
});

test("what was sent counts as sent until the next step, and again when that is undone", () => {
  const s = session(openMemoryStore());
  rename(s, "First");
  expect(isSent(s.state.getState())).toBe(false);
  s.markSent(s.state.getState().history, "disk");
  expect(isSent(s.state.getState())).toBe(true);
  rename(s, "Second");
  expect(isSent(s.state.getState())).toBe(false);
  s.undo();
  expect(isSent(s.state.getState())).toBe(true);
});

test("a photo knows the pages that it lies on", () => {
  const one = collage([1.5, 1]);
  const on = placed(one, one.pages[0]!);
  const second = { ...removeTiles(on, [arrangedTiles(on.page)[0]!.id]), id: "second" };
  const twice = { ...one, pages: [one.pages[0]!, second] };
  expect([...pagesOfPhotos(twice)]).toEqual([
    ["p0", [1]],
    ["p1", [1, 2]],
  ]);
});
