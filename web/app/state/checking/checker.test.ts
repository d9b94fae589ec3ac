import { afterEach, beforeEach, expect, jest, test } from "@jest/globals";
import { createStore } from "zustand/vanilla";
import { checkPage, checkProject, type ProjectFacts } from "#core/check";
import { arrangedTiles, barePage, copyPage, mapTiles, type Page, type Project } from "#core/document";
import type { Photo } from "#core/photo";
import { factsOf, photo } from "../../../../core/check/check.fixture.ts";
import { collage, counter } from "../../../../core/document/project.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import { noOwnFonts } from "../../../words/font-shelf.ts";
import type { PagesToCheck, ProjectToCheck } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import type { Services } from "../../services.ts";
import { ProjectSession } from "../session/project-session.ts";
import { Checker, openFindings } from "./checker.ts";

beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

const at = "2026-01-01T00:00:00.000Z";

/** The check's worker without a thread: it remembers what it was told, and can be made to die. */
function worker() {
  const asked: { readonly job: string; readonly pages: readonly string[]; readonly told: boolean }[] = [];
  let known: ProjectFacts | undefined;
  let dying = 0;
  const jobs = {
    checkPages: ({ pages, photos }: PagesToCheck) =>
      pages.map((p) => ({ pageId: p.page.id, findings: checkPage(p, factsOf(photos)), sharpness: [] })),
    checkProject: ({ project, facts = known }: ProjectToCheck) => {
      if (!facts) throw new WorkerError("factsMissing", "");
      known = facts;
      return checkProject(project, facts);
    },
    beyondSrgb: (blobs: readonly Blob[]) => blobs.map(() => 0),
  };
  const run = async (job: keyof typeof jobs, input: never) => {
    const { pages, facts } = input as Partial<PagesToCheck & ProjectToCheck>;
    asked.push({ job, pages: pages?.map((p) => p.page.id) ?? [], told: facts !== undefined });
    if (dying > 0) {
      dying -= 1;
      known = undefined;
      throw new WorkerError("workerDied", "");
    }
    return jobs[job](input);
  };
  return {
    asked,
    line: { run } as unknown as ConstructorParameters<typeof Checker>[1]["line"],
    die: (times: number) => {
      dying = times;
      known = undefined;
    },
  };
}

/** Three pages of two photos each, with a first tile that is empty on each. */
function threePages(): Project {
  const base = collage([1.5, 1.5]);
  const page = (id: string): Page => {
    const copy = { ...copyPage(base.pages[0]!, counter(`${id}-`)), id };
    return mapTiles(copy, (t) => (t.id === `${id}-1` ? { ...t, filling: { kind: "empty" } } : t));
  };
  return { ...base, pages: ["a", "b", "c"].map(page) };
}

function opened(project: Project, photos: readonly Photo[] = [photo("p0"), photo("p1")]) {
  const store = Object.assign(openMemoryStore(), { originals: async () => photos.map((p) => p.id) });
  const session = new ProjectSession(
    { project, steps: [], done: 0, savedAt: at, sent: undefined },
    { store, now: () => at },
  );
  const library = createStore(() => ({ photos, byId: new Map(photos.map((p) => [p.id, p])), piles: [], spans: [] }));
  const { asked, line, die } = worker();
  const checker = new Checker(session, {
    library: { state: library } as unknown as Services["library"],
    store,
    fonts: { watch: () => () => {}, own: () => noOwnFonts } as unknown as Services["fonts"],
    newId: counter("n"),
    line,
    labCards: async () => [],
  });
  const rest = async () => jest.advanceTimersByTimeAsync(4000);
  return { session, checker, library, asked, die, rest };
}

const emptyOn = (checker: Checker) =>
  checker.state
    .getState()
    .findings.filter((f) => f.code === "emptyTile")
    .map((f) => f.spots[0]!.pageId)
    .sort();
const pagesAsked = (asked: ReturnType<typeof worker>["asked"]) =>
  asked.filter((a) => a.job === "checkPages").map((a) => a.pages);

test("everything is looked at once, and after a change only the page that changed", async () => {
  const { session, checker, asked, rest } = opened(threePages());
  const stop = checker.start();
  expect(checker.state.getState()).toMatchObject({ looking: true, looked: false });
  await rest();
  expect(checker.state.getState()).toMatchObject({ looking: false, looked: true });
  expect(emptyOn(checker)).toEqual(["a", "b", "c"]);
  expect(pagesAsked(asked)).toEqual([["a", "b", "c"]]);
  asked.length = 0;
  session.commit({ code: "emptiedTiles", count: 1 }, [
    {
      type: "setTiles",
      pageId: "b",
      items: [{ id: "b-1", set: { filling: { kind: "colour", colour: "#102030" } } }],
    },
  ]);
  expect(checker.state.getState().looking).toBe(true);
  await rest();
  expect(pagesAsked(asked)).toEqual([["b"]]);
  expect(emptyOn(checker)).toEqual(["a", "c"]);
  stop();
  session.undo();
  asked.length = 0;
  await rest();
  expect(asked).toEqual([]);
});

test("a photo that becomes known otherwise has the pages looked at that it lies on; the library is told anew only then", async () => {
  const project = threePages();
  const lone: Project = {
    ...project,
    pages: project.pages.map((p) => (p.id === "c" ? barePage(() => "c") : p)),
  };
  const { session, library, asked, checker, rest } = opened(lone);
  checker.start();
  await rest();
  asked.length = 0;
  session.commit({ code: "renamed", count: 1 }, [{ type: "setProject", name: "Another" }]);
  await rest();
  expect(asked).toEqual([{ job: "checkProject", pages: [], told: false }]);
  asked.length = 0;
  const smaller = [photo("p0"), photo("p1", { widthPx: 300, heightPx: 200 })];
  library.setState({ photos: smaller, byId: new Map(smaller.map((p) => [p.id, p])) });
  await rest();
  expect(pagesAsked(asked)).toEqual([["a", "b"]]);
  expect(asked.filter((a) => a.job === "checkProject").map((a) => a.told)).toEqual([true]);
  expect(checker.state.getState().findings.some((f) => f.code === "soft")).toBe(true);
});

test("a worker that died is asked again, and one that came after it is told everything", async () => {
  const { session, checker, asked, die, rest } = opened(threePages());
  checker.start();
  die(1);
  await rest();
  expect(emptyOn(checker)).toEqual(["a", "b", "c"]);
  die(0);
  asked.length = 0;
  session.commit({ code: "renamed", count: 1 }, [{ type: "setProject", name: "Another" }]);
  await rest();
  expect(asked.map((a) => a.told)).toEqual([false, true]);
  expect(checker.state.getState().looking).toBe(false);
});

test("what is accepted stays so until its place changes, and can be taken back", async () => {
  const { session, checker, rest } = opened(threePages());
  checker.start();
  await rest();
  const open = () =>
    openFindings(checker.state.getState().findings, session.state.getState().project)
      .filter((f) => f.code === "emptyTile")
      .map((f) => f.spots[0]!.pageId)
      .sort();
  const [onA] = checker.state.getState().findings.filter((f) => f.spots[0]?.pageId === "a" && f.code === "emptyTile");
  checker.accept([onA!], "a card goes there");
  await rest();
  expect(open()).toEqual(["b", "c"]);
  session.commit({ code: "changedCorner", count: 1 }, [
    { type: "setTiles", pageId: "a", items: [{ id: "a-1", set: { cornerMm: 4 } }] },
  ]);
  await rest();
  expect(open()).toEqual(["a", "b", "c"]);
  const now = checker.state.getState().findings.find((f) => f.key === onA!.key)!;
  checker.accept([now], "still");
  checker.accept([now], undefined);
  expect(open()).toEqual(["a", "b", "c"]);
});

test("many are mended as one step; what cannot be is left and said", async () => {
  const base = collage([1.5, 0.7, 1.2]);
  const emptied: Project = {
    ...base,
    pages: base.pages.map((p) =>
      mapTiles(p, (t) => (t.id === arrangedTiles(p)[0]!.id ? { ...t, filling: { kind: "empty" } } : t)),
    ),
  };
  const photos = ["p0", "p1", "p2"].map((id) => photo(id));
  const { session, checker, rest } = opened(emptied, photos);
  checker.start();
  await rest();
  const bare = checker.state.getState().findings.filter((f) => f.code === "emptyTile");
  expect(bare).toHaveLength(1);
  jest.useRealTimers();
  expect(await checker.fix(bare, "takeAway")).toBe(true);
  expect(arrangedTiles(session.state.getState().project.pages[0]!)).toHaveLength(2);
  expect(await checker.fix(bare, "takeAway")).toBe(false);
  session.undo();
  expect(session.state.getState().project).toEqual(emptied);
});
