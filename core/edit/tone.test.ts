import { expect, test } from "@jest/globals";
import { allTiles, autoFramed, type Page, photoIdOf } from "#core/document";
import { namedTones } from "#core/tone";
import { applied, collage, counter, firstPlaced } from "../document/project.fixture.ts";
import { inTone, photosBeside, runThrough, tonesChange } from "./index.ts";

const { grey } = namedTones;
const page = (): Page => collage([1.5, 1, 0.7, 1.2, 1]).pages[0]!;
const toneOf = (p: Page, id: string) => {
  const { filling } = allTiles(p).find((t) => t.id === id)!;
  return filling.kind === "photo" ? filling.view.tone : undefined;
};

test("a view takes a tone and gives it back, and what does nothing is no tone", () => {
  const view = autoFramed("p");
  expect(inTone(view, grey)).toEqual({ ...view, tone: grey });
  expect(inTone(inTone(view, grey), undefined)).toEqual(view);
  expect(inTone(inTone(view, grey), { exposure: 0, strength: 1 })).toEqual(view);
});

test("only the chosen photos change; one that runs through several tiles changes in all of them", () => {
  const project = collage([1.5, 1, 0.7, 1.2, 1]);
  const on = firstPlaced(project);
  const [a, b, c] = on.tiles.map((t) => t.id);
  const through = runThrough(on, [a!, b!], { id: "wide", aspect: 2, focus: null }, counter("through"));
  const change = tonesChange(through, [a!, c!], (view) => (view.photoId === "wide" ? grey : { warmth: 0.2 }));
  const after = applied({ ...project, pages: [through] }, [change]).pages[0]!;
  expect([a, b, c].map((id) => toneOf(after, id!))).toEqual([grey, grey, { warmth: 0.2 }]);
  for (const t of allTiles(after)) if (t.through) expect(t.through.view.tone).toEqual(grey);
  const rest = on.tiles.slice(3).map((t) => toneOf(after, t.id));
  expect(rest).toEqual([undefined, undefined]);
  // Framed anew, it keeps its tone.
  const again = runThrough(
    { ...on, page: after, tiles: firstPlaced({ ...project, pages: [after] }).tiles },
    [a!, b!],
    { id: "wide", aspect: 2, focus: null },
    counter("other"),
  );
  expect(toneOf(again, a!)).toEqual(grey);
});

test("the nearest photos are beside a tile, never itself nor those that are left out", () => {
  const on = firstPlaced({ ...collage([1, 1, 1, 1, 1, 1, 1]), pages: [page()] });
  const [first, second] = on.tiles;
  const far = (t: (typeof on.tiles)[number]) =>
    Math.hypot(t.frame.centre.x - first!.frame.centre.x, t.frame.centre.y - first!.frame.centre.y);
  const beside = photosBeside(on, first!, [second!.id]);
  expect(beside.map((t) => t.id)).not.toContain(first!.id);
  expect(beside.map((t) => t.id)).not.toContain(second!.id);
  const others = on.tiles.filter((t) => !beside.includes(t) && t.id !== first!.id && t.id !== second!.id);
  expect(beside.length).toBe(Math.min(4, on.tiles.length - 2));
  for (const o of others) expect(far(o)).toBeGreaterThanOrEqual(Math.max(...beside.map(far)));
  for (const t of beside) expect(photoIdOf(t)).toBeDefined();
});

test("a tile that holds another photo meanwhile keeps what it gives back, and its own tone is its own", () => {
  const project = collage([1.5, 1, 0.7, 1.2, 1]);
  const on = firstPlaced(project);
  const [a, b] = on.tiles.map((t) => t.id);
  const run = runThrough(on, [a!, b!], { id: "wide", aspect: 2, focus: null }, counter("through"));
  const other = { kind: "photo", view: autoFramed("other") } as const;
  const start = { ...project, pages: [run] };
  const mixed = applied(start, [{ type: "setTiles", pageId: run.id, items: [{ id: b!, set: { filling: other } }] }]);
  const after = (ids: readonly string[]) =>
    allTiles(applied(mixed, [tonesChange(mixed.pages[0]!, ids, () => grey)]).pages[0]!);
  const own = after([b!]).find((t) => t.id === b)!;
  expect(own.filling).toEqual({ kind: "photo", view: { ...other.view, tone: grey } });
  expect([own.through?.view.photoId, own.through?.view.tone]).toEqual(["wide", undefined]);
  expect(toneOf({ ...run, pieces: mixed.pages[0]!.pieces }, a!)).toBeUndefined();
  const given = after([a!]).find((t) => t.id === b)!;
  expect(given.filling).toEqual(other);
  expect(given.through?.view).toMatchObject({ photoId: "wide", tone: grey });
});
