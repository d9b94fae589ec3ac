import type { Colour } from "#core/colour";
import {
  allTiles,
  autoFramed,
  type Change,
  emptyPlaces,
  type Filling,
  fillEmpty,
  findTile,
  keepsFilling,
  movedElsewhere,
  type Page,
  type Project,
  photoIdOf,
  showsPart,
  type View,
} from "#core/document";
import { runThrough, takenAway, throughReframed, throughTiles } from "#core/edit";
import type { Framing } from "#core/fit";
import { type Photo, photoShape } from "#core/photo";
import { pages as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { keep } from "./tree-gestures.ts";

/** What a hand does on the page, each as one step. */

const pageOf = (session: ProjectSession): Page => openPage(session.state.getState());

const fill = (page: Page, fillings: readonly { readonly tileId: string; readonly filling: Filling }[]): Change => ({
  type: "setTiles",
  pageId: page.id,
  items: fillings.map(({ tileId, filling }) => ({ id: tileId, set: { filling } })),
});

/** Of these tiles those that may lose what is in them; of others it is said that they keep it. */
export function unlockedOf(session: ProjectSession, tileIds: readonly string[]): readonly string[] {
  const page = pageOf(session);
  const able = tileIds.filter((id) => !keepsFilling(findTile(page, id) ?? {}));
  if (able.length < tileIds.length)
    notices.create({ title: words.keptInside(tileIds.length - able.length), type: "info" });
  return able;
}

export function putPhoto(session: ProjectSession, tileId: string, photoId: string): void {
  const page = pageOf(session);
  const tile = findTile(page, tileId);
  if (!tile || photoIdOf(tile) === photoId || unlockedOf(session, [tileId]).length === 0) return;
  const filling: Filling = { kind: "photo", view: autoFramed(photoId) };
  session.commit({ code: "filledTiles", count: 1 }, [fill(page, [{ tileId, filling }])]);
}

/** Photos into places in order, one into each; a single one into all of them. How many places took one. */
export function putInOrder(session: ProjectSession, tileIds: readonly string[], photoIds: readonly string[]): number {
  const page = pageOf(session);
  const able = unlockedOf(
    session,
    tileIds.filter((id) => findTile(page, id)?.filling.kind !== "words"),
  );
  const fillings = able.flatMap((tileId, i) => {
    const photoId = photoIds.length === 1 ? photoIds[0] : photoIds[i];
    return photoId === undefined ? [] : [{ tileId, filling: { kind: "photo", view: autoFramed(photoId) } as Filling }];
  });
  if (fillings.length > 0) session.commit({ code: "filledTiles", count: fillings.length }, [fill(page, fillings)]);
  return fillings.length;
}

/** Each photo is framed anew in its new tile, since the old framing was made for another shape. */
export function swapPhotos(session: ProjectSession, tileId: string, withTileId: string): void {
  const page = pageOf(session);
  const [a, b] = [findTile(page, tileId), findTile(page, withTileId)];
  if (!a || !b || unlockedOf(session, [tileId, withTileId]).length < 2) return;
  const fillings = [
    { tileId, filling: movedElsewhere(b.filling) },
    { tileId: withTileId, filling: movedElsewhere(a.filling) },
  ];
  session.commit({ code: "swappedPhotos", count: 2 }, [fill(page, fillings)]);
}

export function emptyThem(session: ProjectSession, tileIds: readonly string[]): void {
  const page = pageOf(session);
  const holding = (id: string) => ["photo", "words"].includes(findTile(page, id)?.filling.kind ?? "");
  const full = unlockedOf(session, tileIds.filter(holding));
  if (full.length === 0) return;
  const fillings = full.map((tileId) => ({ tileId, filling: { kind: "empty" } as Filling }));
  session.commit({ code: "emptiedTiles", count: full.length }, [fill(page, fillings)]);
}

/** The photos into the empty tiles, or into those of them that are chosen, each where it suits; says how many found none. */
export function fillWith(session: ProjectSession, photos: readonly Photo[], chosen?: ReadonlySet<string>): number {
  const page = pageOf(session);
  const on = openPlaced(session.state.getState());
  const named = emptyPlaces(on).some((t) => chosen?.has(t.id)) ? chosen : undefined;
  const { fillings, left } = fillEmpty(
    on,
    photos.map((p) => ({ id: p.id, ...photoShape(p) })),
    named,
  );
  if (fillings.length > 0) session.commit({ code: "filledTiles", count: fillings.length }, [fill(page, fillings)]);
  return left;
}

export function reframeChange(page: Page, tileId: string, view: View, framing: Framing): Change {
  const tile = findTile(page, tileId);
  // All of a photo moves that runs through several tiles.
  if (tile?.through && showsPart(tile))
    return { type: "replacePage", page: throughReframed(page, tile.through.id, framing) };
  const { zoom, centre, turn, flip, whole = view.whole } = framing;
  const framed: View = { ...view, zoom, centre, turn, flip, whole, byHand: true };
  return fill(page, [{ tileId, filling: { kind: "photo", view: framed } }]);
}

export function resetFraming(session: ProjectSession, tileId: string, photo?: Photo): void {
  const page = pageOf(session);
  const tile = findTile(page, tileId);
  if (tile?.filling.kind !== "photo") return;
  if (photo && tile.through && showsPart(tile)) {
    const { id } = tile.through;
    const on = openPlaced(session.state.getState());
    const next = runThrough(on, throughTiles(page, id), { id: photo.id, ...photoShape(photo) }, () => id);
    session.commit({ code: "resetFraming", count: 1 }, [{ type: "replacePage", page: next }]);
    return;
  }
  const filling: Filling = { kind: "photo", view: autoFramed(tile.filling.view.photoId, tile.filling.view) };
  session.commit({ code: "resetFraming", count: 1 }, [fill(page, [{ tileId, filling }])]);
}

export const fillWithColourChange = (page: Page, tileIds: readonly string[], colour: Colour | undefined): Change =>
  fill(
    page,
    tileIds.map((tileId) => ({ tileId, filling: colour ? { kind: "colour", colour } : { kind: "empty" } })),
  );

/** A plain colour in place of photos; without one the tiles are empty again. */
export function fillWithColour(session: ProjectSession, tileIds: readonly string[], colour: Colour | undefined): void {
  const free = unlockedOf(session, tileIds);
  if (free.length === 0) return;
  const change = fillWithColourChange(pageOf(session), free, colour);
  session.commit({ code: "changedHold", count: free.length }, [change]);
}

/** In how many tiles of the whole work a photo lies. */
export const placesOf = (project: Project, photoId: string): number =>
  project.pages.reduce((sum, page) => sum + allTiles(page).filter((t) => photoIdOf(t) === photoId).length, 0);

/** One photo in the place of another, on all pages; each is framed anew. */
export function replaceEverywhere(session: ProjectSession, photoId: string, byId: string): void {
  const { project } = session.state.getState();
  const changes = project.pages.flatMap((page) => {
    const tiles = allTiles(page).filter((t) => photoIdOf(t) === photoId && !keepsFilling(t));
    const filling: Filling = { kind: "photo", view: autoFramed(byId) };
    return tiles.length > 0
      ? [
          fill(
            page,
            tiles.map((t) => ({ tileId: t.id, filling })),
          ),
        ]
      : [];
  });
  session.commit({ code: "filledTiles", count: placesOf(project, photoId) }, changes);
}

/** Tiles go, and those beside them take their room. */
export function takeAway(session: ProjectSession, tileIds: readonly string[]): void {
  const ids = unlockedOf(session, tileIds);
  if (ids.length > 0) keep(session, "tookAway", ids.length, takenAway(ids));
}
