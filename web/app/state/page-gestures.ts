import {
  type Change,
  type Filling,
  fillEmpty,
  findTile,
  type Page,
  photoIdOf,
  unframed,
  type View,
} from "#core/document";
import type { Framing } from "#core/fit";
import type { ProjectSession } from "./project-session.ts";

/** What a hand does on the page, each as one step. */

const pageOf = (session: ProjectSession): Page => session.state.getState().project.pages[0]!;

const fill = (page: Page, fillings: readonly { readonly tileId: string; readonly filling: Filling }[]): Change => ({
  type: "fillTiles",
  pageId: page.id,
  fillings,
});

export function putPhoto(session: ProjectSession, tileId: string, photoId: string): void {
  const page = pageOf(session);
  const tile = findTile(page, tileId);
  if (!tile || photoIdOf(tile) === photoId) return;
  const filling: Filling = { kind: "photo", view: unframed(photoId) };
  session.commit({ code: "filledTiles", count: 1 }, [fill(page, [{ tileId, filling }])]);
}

/** Each photo is framed anew in its new tile, since the old framing was made for another shape. */
export function swapPhotos(session: ProjectSession, tileId: string, withTileId: string): void {
  const page = pageOf(session);
  const [a, b] = [findTile(page, tileId), findTile(page, withTileId)];
  if (!a || !b) return;
  const fillings = [
    { tileId, filling: framedAnew(b.filling) },
    { tileId: withTileId, filling: framedAnew(a.filling) },
  ];
  session.commit({ code: "swappedPhotos", count: 2 }, [fill(page, fillings)]);
}

const framedAnew = (filling: Filling): Filling =>
  filling.kind === "photo" ? { kind: "photo", view: unframed(filling.view.photoId) } : filling;

export function emptyThem(session: ProjectSession, tileIds: readonly string[]): void {
  const page = pageOf(session);
  const full = tileIds.filter((id) => findTile(page, id)?.filling.kind === "photo");
  if (full.length === 0) return;
  const fillings = full.map((tileId) => ({ tileId, filling: { kind: "empty" } as Filling }));
  session.commit({ code: "emptiedTiles", count: full.length }, [fill(page, fillings)]);
}

/** The photos into the empty tiles, in order; says how many found none. */
export function fillWith(session: ProjectSession, photoIds: readonly string[]): number {
  const page = pageOf(session);
  const { fillings, left } = fillEmpty(page, photoIds);
  if (fillings.length > 0) session.commit({ code: "filledTiles", count: fillings.length }, [fill(page, fillings)]);
  return left;
}

export function reframeChange(page: Page, tileId: string, view: View, framing: Framing): Change {
  return fill(page, [{ tileId, filling: { kind: "photo", view: { ...view, ...framing, byHand: true } } }]);
}

export function resetFraming(session: ProjectSession, tileId: string): void {
  const page = pageOf(session);
  const tile = findTile(page, tileId);
  if (tile?.filling.kind !== "photo") return;
  const filling: Filling = { kind: "photo", view: unframed(tile.filling.view.photoId) };
  session.commit({ code: "resetFraming", count: 1 }, [fill(page, [{ tileId, filling }])]);
}
