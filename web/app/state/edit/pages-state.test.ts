import { expect, test } from "@jest/globals";
import { leavesOf } from "#core/arrange";
import {
  arrangedOn,
  arrangedTiles,
  barePage,
  layTree,
  mainGroup,
  noHistory,
  type Page,
  type Project,
  photoIdOf,
  placePage,
  treeIn,
} from "#core/document";
import {
  allSlippedIn,
  asFirstMade,
  differsFromFirst,
  grownBy,
  inOrder,
  keptTogether,
  ledBy,
  locked,
  seedOf,
  solvedFrom,
} from "#core/edit";
import { findEvents, type Photo } from "#core/photo";
import { photoSchema } from "#core/photo/schema";
import { photoPlaces, shippedTemplates } from "#core/templates";
import { templateFile } from "#core/templates/schema";
import { collage, counter, squareFormat } from "../../../../core/document/project.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import { found, type TemplateFilter } from "../../screens/pages/shelf/template-filter.ts";
import type { Services } from "../../services.ts";
import { aspectsIn } from "../library/aspects.ts";
import { grouped } from "../library/group-photos.ts";
import { openPage, openPlaced, ProjectSession } from "../session/project-session.ts";
import { TemplateShelf } from "./template-shelf.ts";
import { keep, show } from "./tree-gestures.ts";

const photo = (i: number, takenAt = `2026-01-01T10:00:${String(i % 60).padStart(2, "0")}`): Photo =>
  photoSchema.parse({
    id: `p${i}`,
    name: `p${i}.jpg`,
    type: "image/jpeg",
    sizeBytes: 1,
    hash: i.toString(16).padStart(64, "0"),
    widthPx: i % 3 === 0 ? 2000 : 3000,
    heightPx: i % 3 === 0 ? 3000 : 2000,
    takenAt,
    takenFrom: "exif",
    caption: "",
    addedAt: "2026-01-02T10:00:00.000Z",
  });
const photos = Array.from({ length: 20 }, (_, i) => photo(i));
const library = {
  state: { getState: () => ({ byId: new Map(photos.map((p) => [p.id, p])), photos }) },
} as unknown as Services["library"];
const newId = counter("n");

function opened(project: Project): ProjectSession {
  const given = { project, steps: noHistory.steps, done: 0, savedAt: "2026-01-01T00:00:00.000Z", sent: undefined };
  return new ProjectSession(given, { store: openMemoryStore(), now: () => "2026-01-01T00:00:00.000Z" });
}

/** A page of photos by exact fit. */
function session(count: number): ProjectSession {
  const base = collage([1.5]);
  const bare = placePage(barePage(counter("page")), squareFormat, base.style);
  const given = photos.slice(0, count).map((p) => ({ id: p.id, aspect: p.widthPx / p.heightPx }));
  const laid = layTree(bare, { photos: given, seed: 0, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return opened({ ...base, pages: [laid.value.page] });
}
const page = (s: ProjectSession): Page => openPage(s.state.getState());
const placedOn = (s: ProjectSession) => openPlaced(s.state.getState());
const ids = (p: Page) => arrangedTiles(p).map((t) => t.id);

test("the page that a step touches lies open, back and forth", () => {
  const s = session(3);
  const [first] = s.state.getState().project.pages;
  const other = barePage(counter("other"));
  s.commit({ code: "addedPages", count: 1 }, [{ type: "insertPages", pages: [{ page: other, at: 1 }] }]);
  expect(page(s).id).toBe(other.id);
  s.goTo(first!.id);
  s.undo();
  expect(page(s).id).toBe(first!.id);
  s.redo();
  expect(page(s).id).toBe(other.id);
  s.commit({ code: "removedPages", count: 1 }, [{ type: "removePages", pageIds: [other.id] }]);
  expect(page(s).id).toBe(first!.id);
  expect(s.commit({ code: "removedPages", count: 1 }, [{ type: "removePages", pageIds: [first!.id] }])).toMatchObject({
    ok: false,
    code: "lastPage",
  });
  s.commit({ code: "renamed", count: 1 }, [{ type: "setProject", name: "Other" }]);
  expect(page(s).id).toBe(first!.id);
});

test("looking at another way changes nothing; keeping it is one step", () => {
  const s = session(7);
  const before = s.state.getState().project;
  show(s, solvedFrom(aspectsIn({ library }), 1));
  expect(s.state.getState().project).toBe(before);
  expect(s.state.getState().draft).toBeDefined();
  keep(s, "shuffled", 7, solvedFrom(aspectsIn({ library }), 1));
  expect(seedOf(page(s))).toBe(1);
  expect(s.state.getState()).toMatchObject({ draft: undefined, history: { done: 1 } });
  keep(s, "shuffled", 7, solvedFrom(aspectsIn({ library }), -1));
  expect(page(s)).toEqual(before.pages[0]!);
  keep(s, "shuffled", 7, (on) => on.page);
  expect(s.state.getState().history.done).toBe(2);
});

test("a leader leads through a shuffle, and locked tiles stay through both", () => {
  const s = session(8);
  const [one, two] = ids(page(s));
  const frameOf = (id: string) => arrangedOn(placedOn(s)).find((t) => t.id === id)!.frame;
  const share = (id: string) => {
    const area = (t: { frame: { width: number; height: number } }) => t.frame.width * t.frame.height;
    return area({ frame: frameOf(id) }) / arrangedOn(placedOn(s)).reduce((sum, t) => sum + area(t), 0);
  };
  keep(s, "ledBy", 1, ledBy(aspectsIn({ library }), { tileId: one!, share: 0.4 }));
  expect(share(one!)).toBeGreaterThan(0.33);
  keep(s, "shuffled", 8, solvedFrom(aspectsIn({ library }), 3));
  expect(share(one!)).toBeGreaterThan(0.33);
  keep(s, "lockedTiles", 1, locked([two!], true));
  const before = frameOf(two!);
  keep(s, "shuffled", 8, solvedFrom(aspectsIn({ library }), 1));
  for (const k of ["width", "height"] as const) expect(frameOf(two!)[k]).toBeCloseTo(before[k], 6);
  keep(s, "ledBy", 1, ledBy(aspectsIn({ library }), null));
  expect(frameOf(two!).centre.x).toBeCloseTo(before.centre.x, 6);
});

test("neighbours are kept and let go; the order can be freed", () => {
  const s = session(9);
  const pair = [ids(page(s))[0]!, ids(page(s))[6]!];
  const asked = () => treeIn(mainGroup(page(s)));
  keep(s, "keptTogether", 2, keptTogether(aspectsIn({ library }), pair));
  expect(asked()).toMatchObject({ together: [pair] });
  keep(s, "changedOrder", 9, inOrder(aspectsIn({ library }), "free"));
  expect(asked()).toMatchObject({ order: "free", together: [pair] });
  keep(s, "keptTogether", 2, keptTogether(aspectsIn({ library }), pair));
  expect(asked()).toMatchObject({ together: [] });
});

test("photos added make room for themselves; slipped in, they lie in a row; first made comes back", () => {
  const s = session(5);
  const was = page(s);
  keep(s, "slippedIn", 3, grownBy(aspectsIn({ library }), photos.slice(10, 13), newId));
  expect(arrangedTiles(page(s)).map(photoIdOf)).toEqual(["p0", "p1", "p2", "p3", "p4", "p10", "p11", "p12"]);
  s.undo();
  keep(s, "slippedIn", 2, allSlippedIn(photos.slice(10, 12), ids(was)[2]!, "bottom", newId));
  expect(arrangedTiles(page(s))).toHaveLength(7);
  expect(leavesOf(treeIn(mainGroup(page(s)))!.tree)).toHaveLength(7);
  expect(differsFromFirst(page(s))).toBe(true);
  s.undo();
  keep(s, "resetArrangement", 5, asFirstMade);
  expect(page(s)).toEqual(was);
});

test("photos are grouped by events of the whole library, or so many at a time", () => {
  const days = [photo(0, "2026-01-01T10:00:00"), photo(1, "2026-01-01T11:00:00"), photo(2, "2026-02-01T10:00:00")];
  const events = findEvents(days, []);
  const names = (groups: readonly (readonly Photo[])[]) => groups.map((g) => g.map((p) => p.id));
  expect(names(grouped(days, { by: "event" }, events))).toEqual([["p0", "p1"], ["p2"]]);
  expect(names(grouped(days, { by: "count", each: 2 }, events))).toEqual([["p0", "p1"], ["p2"]]);
  expect(names(grouped(days, { by: "count", each: 0 }, events))).toEqual([["p0"], ["p1"], ["p2"]]);
  expect(grouped([], { by: "count", each: 4 }, events)).toEqual([]);
});

test("templates are narrowed by name, number, family, shape and favourites; what suits comes first", () => {
  const all = shippedTemplates();
  const open: TemplateFilter = { text: "", photos: "any", family: "", shape: "any", starred: false };
  const ground = { format: squareFormat, photos: 6, favourites: new Set([all[3]!.id]), own: [all[5]!] };
  expect(found(all, open, ground)).toHaveLength(all.length);
  expect(photoPlaces(found(all, open, ground)[0]!)).toBe(6);
  expect(found(all, { ...open, photos: "page" }, ground).every((t) => photoPlaces(t) === 6)).toBe(true);
  expect(found(all, { ...open, photos: "9" }, ground).every((t) => photoPlaces(t) === 9)).toBe(true);
  expect(found(all, { ...open, family: "Quilt" }, ground).every((t) => t.family === "Quilt")).toBe(true);
  expect(found(all, { ...open, family: "own" }, ground)).toEqual([all[5]]);
  expect(found(all, { ...open, starred: true }, ground)).toEqual([all[3]]);
  expect(found(all, { ...open, text: "  PATCHES" }, ground).length).toBeGreaterThan(5);
  expect(found(all, { ...open, shape: "upright" }, ground).every((t) => t.page.widthMm < t.page.heightMm)).toBe(true);
});

test("own templates and favourites are kept and found again; a file brings copies in", async () => {
  const store = openMemoryStore();
  const shelf = new TemplateShelf(store, newId);
  const [one, two] = shippedTemplates();
  await shelf.load();
  await shelf.keep([{ ...one!, id: "mine" }]);
  await shelf.toggleFavourite("mine");
  const file = new File([templateFile([one!, two!])], "templates.json");
  expect(await shelf.bringIn(file)).toMatchObject({ ok: true });
  expect(await shelf.bringIn(new File(["no"], "no.json"))).toMatchObject({ ok: false, code: "notTemplates" });
  const again = new TemplateShelf(store, newId);
  await again.load();
  expect(again.state.getState().own).toHaveLength(3);
  expect(new Set(again.state.getState().own.map((t) => t.id)).size).toBe(3);
  expect(again.state.getState().favourites).toEqual(new Set(["mine"]));
  await again.remove("mine");
  await again.toggleFavourite("mine");
  expect(await store.templates()).toHaveLength(2);
  expect(await store.favourites()).toEqual([]);
});
