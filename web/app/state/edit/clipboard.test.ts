import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { arrangedTiles, barePage, freeTiles, noHistory, type Page, type Project, photoIdOf } from "#core/document";
import { newWords } from "#core/edit";
import { photo } from "../../../../core/check/check.fixture.ts";
import { collage, counter } from "../../../../core/document/project.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, ProjectSession } from "../session/project-session.ts";
import { createViewState } from "../view-state/view-state.ts";
import { chosenClip, cutChosen, duplicate, pasteClip, pasteText, readClip } from "./clipboard.ts";

const photos = Array.from({ length: 6 }, (_, i) => photo(`p${i}`));

/** An open project of which the photos with these ids are in the library. */
function opened(project: Project, known = photos) {
  const given = { project, steps: noHistory.steps, done: 0, savedAt: "2026-01-01T00:00:00.000Z", sent: undefined };
  const session = new ProjectSession(given, { store: openMemoryStore(), now: () => "2026-01-01T00:00:00.000Z" });
  const viewState = createViewState();
  const library = { state: { getState: () => ({ byId: new Map(known.map((p) => [p.id, p])), photos: known }) } };
  const services = { viewState, library: library as unknown as Services["library"], newId: counter("new") };
  const page = (): Page => openPage(session.state.getState());
  const choose = (...ids: string[]) => viewState.setState({ tiles: { ids: new Set(ids), anchor: ids[0] } });
  return { session, services, page, choose, chosen: () => [...viewState.getState().tiles.ids] };
}
const photosOn = (page: Page) => arrangedTiles(page).map((t) => photoIdOf(t));

/** A collage with two photos and words over them. */
function withWords() {
  const at = opened(collage([1.5, 0.7]));
  pasteText(at.services, at.session, "Tea at the lock");
  const [words] = freeTiles(at.page());
  return { ...at, words: words! };
}

test("text from elsewhere lies on the page as words, chosen, and no more of it than a story may hold", () => {
  const { session, page, words, chosen, services } = withWords();
  expect(words.filling).toMatchObject({ kind: "words", text: "Tea at the lock" });
  expect(chosen()).toEqual([words.id]);
  pasteText(services, session, "x".repeat(50_000));
  const long = freeTiles(page()).at(-1)!.filling;
  expect(long.kind === "words" && long.text.length).toBe(20_000);
  session.undo();
  session.undo();
  expect(freeTiles(page())).toEqual([]);
});

test("what is copied comes back through the clipboard as it was, under names of its own and a little beside", () => {
  const { session, services, page, words, chosen } = withWords();
  const clip = readClip(JSON.stringify(chosenClip(services, session)))!;
  pasteClip(services, session, clip);
  const [, copy] = freeTiles(page());
  expect(copy).toEqual({
    ...words,
    id: copy!.id,
    frame: { ...words.frame, centre: { x: words.frame.centre.x + 5, y: words.frame.centre.y + 5 } },
  });
  expect(copy!.id).not.toBe(words.id);
  expect(chosen()).toEqual([copy!.id]);
  session.undo();
  expect(freeTiles(page())).toEqual([words]);
});

test("cutting takes free tiles off the page and empties the others; undone, all is there", () => {
  const { session, services, page, words, choose } = withWords();
  const before = page();
  cutChosen(services, session);
  expect(freeTiles(page())).toEqual([]);
  session.undo();
  const [first, second] = arrangedTiles(page());
  choose(first!.id, words.id);
  cutChosen(services, session);
  expect(photosOn(page())).toEqual([undefined, photoIdOf(second!)]);
  session.undo();
  choose();
  cutChosen(services, session);
  expect(page()).toEqual(before);
});

test("photos go into the empty places that are chosen, else among the others, else a bare page is arranged", () => {
  const { session, services, page, choose } = opened(collage([1.5, 0.7]));
  const [first, second] = arrangedTiles(page());
  choose(first!.id, second!.id);
  const clip = chosenClip(services, session)!;
  expect(clip.free).toEqual([]);
  expect(clip.fillings.map((filling) => photoIdOf({ filling }))).toEqual(photosOn(page()));
  choose(first!.id);
  cutChosen(services, session);
  choose(first!.id);
  pasteClip(services, session, { free: [], fillings: clip.fillings.slice(1) });
  expect(photosOn(page())).toEqual([photoIdOf(second!), photoIdOf(second!)]);
  choose();
  pasteClip(services, session, { free: [], fillings: clip.fillings.slice(0, 1) });
  expect(photosOn(page()).sort()).toEqual([photoIdOf(first!), photoIdOf(second!), photoIdOf(second!)].sort());

  const bare = opened({ ...collage([1.5]), pages: [barePage(counter("bare"))] });
  pasteClip(bare.services, bare.session, clip);
  expect(photosOn(bare.page()).sort()).toEqual(clip.fillings.map((filling) => photoIdOf({ filling })).sort());
});

test("photos that this browser does not have are left out, and nothing is done where none is left", () => {
  const { session, services, page, choose } = opened(collage([1.5, 0.7]), []);
  const before = page();
  choose(arrangedTiles(before)[0]!.id);
  pasteClip(services, session, chosenClip(services, session)!);
  expect(page()).toBe(before);
  pasteClip(services, session, { free: [], fillings: [] });
  expect(page()).toBe(before);
});

test("nothing chosen is no clip; chosen photos of the shelf are one", () => {
  const { session, services } = opened(collage([1.5]));
  expect(chosenClip(services, session)).toBeUndefined();
  services.viewState.setState({ photos: { ids: new Set(["p3", "p4"]), anchor: "p3" } });
  expect(chosenClip(services, session)?.fillings.map((filling) => photoIdOf({ filling }))).toEqual(["p3", "p4"]);
});

test("free tiles are made once more beside themselves, and without a choice the page is", () => {
  const { session, services, page, words, choose } = withWords();
  duplicate(services, session);
  expect(freeTiles(page())).toHaveLength(2);
  choose();
  const on = page().id;
  duplicate(services, session);
  const { pages } = session.state.getState().project;
  expect(pages).toHaveLength(2);
  expect(pages.map((p) => p.id)).toContain(on);
  expect(freeTiles(pages[1]!).map((t) => t.filling)).toEqual([words.filling, words.filling]);
});

test("whatever a stranger puts into the clipboard is refused or a whole clip, and never lies beside the page", () => {
  const { format } = openPlaced(opened(collage([1.5])).session.state.getState());
  const tile = newWords(format, "journal", collage([1.5]).words.journal, counter("w"));
  for (const text of ["", "{", "null", "[]", '{"free":[]}', '{"free":{},"fillings":[]}', '{"free":[{}],"fillings":[]}'])
    expect([text, readClip(text)]).toEqual([text, undefined]);
  expect(readClip(JSON.stringify({ free: Array(501).fill(tile), fillings: [] }))).toBeUndefined();
  expect(readClip(JSON.stringify({ free: [{ ...tile, frame: null }], fillings: [] }))).toBeUndefined();
  fc.assert(
    fc.property(fc.jsonValue(), (value) => {
      const clip = readClip(JSON.stringify(value));
      expect(clip === undefined || (Array.isArray(clip.free) && Array.isArray(clip.fillings))).toBe(true);
    }),
  );
  const far = { ...tile, frame: { ...tile.frame, centre: { x: 9000, y: -9000 } } };
  const { session, services, page } = opened(collage([1.5]));
  pasteClip(services, session, readClip(JSON.stringify({ free: [far, far, far], fillings: [] }))!);
  for (const { frame } of freeTiles(page())) {
    expect(frame.centre.x).toBeLessThanOrEqual(format.widthMm);
    expect(frame.centre.y).toBeGreaterThanOrEqual(0);
  }
});
