import { expect, jest, test } from "@jest/globals";
import fc from "fast-check";
import { arrangedTiles, type Change, noHistory, placed, removeTiles, type Step } from "#core/document";
import { collage } from "../../../../core/document/project.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import { type Store, StoreError } from "../../../storage/store.ts";
import { pagesOfPhotos } from "./placed-photos.ts";
import { isSent, ProjectSession } from "./project-session.ts";

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
