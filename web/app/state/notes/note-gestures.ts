import { type Filling, findPlaced, framingOf, type PlacedTile, pictureRect, placed } from "#core/document";
import { tilesUnder } from "#core/edit";
import { framingShowing } from "#core/fit";
import type { Point } from "#core/geometry";
import { markOfPlace, type NoteFacts, type NotePlace, pointOn, shareOf, stretchIn, wordsIn } from "#core/notes";
import { photoShape } from "#core/photo";
import { notes as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { putPhoto, reframeChange } from "../edit/page-gestures.ts";
import { openPlaced, type ProjectSession, pageIn } from "../session/project-session.ts";
import { noNotesShown } from "../view-state/view-state.ts";
import { noteFactsOf } from "./note-facts.ts";
import { notesOf } from "./notes-shelf.ts";
import type { ShownNote } from "./shown-notes.ts";

/** What is done with notes. */

type Deps = Pick<Services, "library" | "viewState" | "store" | "newId" | "now">;

const factsOf = ({ library }: Deps, session: ProjectSession): NoteFacts =>
  noteFactsOf(library.state.getState().byId, session.state.getState().project.language);

const longestQuote = 1000;
/** Where a pin stands that is on a tile as a whole: near its corner, since what matters is in the middle. */
const besideFaces = { x: 0.4, y: -0.36 };

function onTile(deps: Deps, session: ProjectSession, pageId: string, tile: PlacedTile, at: Point): NotePlace {
  const base = { pageId, tileId: tile.id, within: shareOf(tile, at), near: at };
  const photo = tile.filling.kind === "photo" ? factsOf(deps, session).hashOf(tile.filling.view.photoId) : undefined;
  return photo === undefined ? { on: "tile", ...base } : { on: "photo", ...base, photo };
}

/** What lies under a point of a page: the tile that covers the others, or the page itself. */
export function placeAt(deps: Deps, session: ProjectSession, pageId: string, at: Point): NotePlace {
  const { project } = session.state.getState();
  const page = placed(project, pageIn(project, pageId));
  const [top] = tilesUnder(page, at);
  const tile = top === undefined ? undefined : findPlaced(page, top);
  return tile ? onTile(deps, session, pageId, tile, at) : { on: "point", pageId, at };
}

/** What a note would be about that is begun now: words that are marked, a tile that is chosen, else the open page. */
export function placeMeant(deps: Deps, session: ProjectSession): NotePlace {
  const { writing, marked, tiles } = deps.viewState.getState();
  const page = openPlaced(session.state.getState());
  const only = writing ?? (tiles.ids.size === 1 ? [...tiles.ids][0] : undefined);
  const tile = only === undefined ? undefined : findPlaced(page, only);
  if (!tile) return { on: "page", pageId: page.page.id };
  const place = onTile(deps, session, page.page.id, tile, pointOn(tile, besideFaces));
  if (writing === undefined || !marked || marked.from >= marked.to || place.on === "page") return place;
  const quote = wordsIn(tile, factsOf(deps, session)).slice(marked.from, marked.to).slice(0, longestQuote);
  if (!("tileId" in place)) return place;
  const { pageId, tileId, within, near } = place;
  return { on: "words", pageId, tileId, within, near, from: marked.from, to: marked.from + quote.length, quote };
}

/** Opens the notes with a new one on what is in hand. */
export function beginNote(deps: Deps, session: ProjectSession): true {
  const about = placeMeant(deps, session);
  deps.viewState.setState({ notes: { ...noNotesShown, open: true, about }, writing: undefined });
  return true;
}

export function pinNote(deps: Deps, session: ProjectSession, place: NotePlace, text: string): void {
  const { project } = session.state.getState();
  const mark = markOfPlace(project, place, factsOf(deps, session));
  const tidy = text.trim();
  if (tidy === "") return;
  const { made } = notesOf(deps).say(project.id, { does: "note", place, text: tidy, mark });
  deps.viewState.setState((s) => ({ notes: { ...s.notes, about: undefined, at: made[0]?.id } }));
}

/** Whether what a note speaks of is other than when it was written. */
export function hasChanged(deps: Deps, session: ProjectSession, { thread, where }: ShownNote): boolean {
  if (thread.mark === "" || where.gone) return false;
  return markOfPlace(session.state.getState().project, thread.place, factsOf(deps, session)) !== thread.mark;
}

/** The page of a note, with what it speaks of chosen. */
export function showPlace({ viewState }: Deps, session: ProjectSession, { thread, where }: ShownNote): void {
  if (where.pageId !== null && where.pageId !== session.state.getState().pageId) session.goTo(where.pageId);
  viewState.setState((s) => ({
    notes: { ...s.notes, at: thread.id, about: undefined },
    tiles: { ids: new Set(where.tileId === null ? [] : [where.tileId]), anchor: where.tileId ?? undefined },
    reframing: undefined,
    writing: undefined,
  }));
}

/** Opens the words that a note speaks of, with those marked that it quotes. */
export function writeThere(deps: Deps, session: ProjectSession, note: ShownNote): void {
  showPlace(deps, session, note);
  const { tileId } = note.where;
  if (tileId === null) return;
  const tile = findPlaced(openPlaced(session.state.getState()), tileId);
  const { place } = note.thread;
  const toMark = tile && place.on === "words" ? stretchIn(wordsIn(tile, factsOf(deps, session)), place) : undefined;
  deps.viewState.setState({ writing: tileId, toMark });
}

/** The photo that a note asks for, put where the note belongs. */
export function takeSwap(deps: Deps, session: ProjectSession, note: ShownNote, photoId: string): void {
  showPlace(deps, session, note);
  const { tileId } = note.where;
  if (tileId === null) return;
  putPhoto(session, tileId, photoId);
  notices.create({ title: words.swapDone, type: "success" });
}

/** The crop that a note asks for. */
export function takeCrop(deps: Deps, session: ProjectSession, note: ShownNote): void {
  showPlace(deps, session, note);
  const { crop } = note.thread;
  const page = openPlaced(session.state.getState());
  const tile = note.where.tileId === null ? undefined : findPlaced(page, note.where.tileId);
  if (!crop || tile?.filling.kind !== "photo") return;
  const { view } = tile.filling satisfies Filling;
  const photo = deps.library.state.getState().byId.get(view.photoId);
  if (!photo) return;
  const shape = photoShape(photo);
  const { w, h } = pictureRect(tile);
  const framing = framingShowing(shape.aspect, { w, h }, framingOf(view, shape, tile, page.format), crop);
  session.commit({ code: "reframed", count: 1 }, [reframeChange(page.page, tile.id, view, framing)]);
  notices.create({ title: words.cropDone, type: "success" });
}
