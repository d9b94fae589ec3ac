import {
  allTiles,
  autoFramed,
  type Filling,
  liesOn,
  mapTiles,
  type Page,
  type PlacedPage,
  type PlacedTile,
  showsPart,
  type View,
} from "#core/document";
import { type Framing, framedThrough, type PhotoShape, sliceFraming } from "#core/fit";
import { boundsOf } from "./free/frames.ts";

/** One photo that runs through several tiles, as one that is seen through the panes of a window. */

/** Tiles that words or locked fillings are in stay as they are. */
const canShow = ({ tile, filling }: PlacedTile): boolean => filling.kind !== "words" && tile.lock?.filling !== true;

/** The page with these tiles filled by one photo, which lies so that heads come to lie in tiles and not between them. */
export function runThrough(
  on: PlacedPage,
  tileIds: readonly string[],
  photo: PhotoShape & { readonly id: string },
  newId: () => string,
): Page {
  const these = on.tiles.filter((t) => tileIds.includes(t.id) && canShow(t));
  if (these.length < 2) return on.page;
  const box = boundsOf(these.map((t) => t.frame));
  const holds = (p: { readonly x: number; readonly y: number }) => {
    const at = { x: box.x + p.x * box.w, y: box.y + p.y * box.h };
    return these.some((t) => liesOn(t, at));
  };
  const shown = these.flatMap((t) => (t.filling.kind === "photo" ? [t.filling.view] : []));
  const before = shown.find((v) => v.photoId === photo.id);
  const view: View = { ...autoFramed(photo.id, before), ...framedThrough(photo, box, holds), byHand: true };
  const through = { id: newId(), view };
  const ids = new Set(these.map((t) => t.id));
  return mapTiles(on.page, (t) => (ids.has(t.id) ? { ...t, filling: { kind: "photo", view }, through } : t));
}

/** The page with the photo that runs through those tiles in another place, or larger. */
export function throughReframed(page: Page, id: string, framing: Framing): Page {
  return mapTiles(page, (t) => {
    if (t.through?.id !== id) return t;
    const { zoom, centre, turn, flip } = framing;
    const view: View = { ...t.through.view, zoom, centre, turn, flip, byHand: true };
    const filling: Filling = showsPart(t) ? { kind: "photo", view } : t.filling;
    return { ...t, filling, through: { id, view } };
  });
}

/** The tiles that belong to a photo that runs through them, those that hold something else as well. */
export const throughTiles = (page: Page, id: string): readonly string[] =>
  allTiles(page).flatMap((t) => (t.through?.id === id ? [t.id] : []));

/** Tiles that took something else show their part of the photo again. */
export const givenBack = (page: Page, tileIds: readonly string[]): Page =>
  mapTiles(page, (t) =>
    t.through && tileIds.includes(t.id) && !showsPart(t)
      ? { ...t, filling: { kind: "photo", view: t.through.view } as const }
      : t,
  );

/** The photo comes apart: each tile keeps what it shows of it as a view of its own. */
export function throughApart(on: PlacedPage, id: string, aspectOf: (photoId: string) => number | undefined): Page {
  const placed = new Map(on.tiles.map((t) => [t.id, t]));
  return mapTiles(on.page, (t) => {
    if (t.through?.id !== id) return t;
    const { through, ...rest } = t;
    const at = placed.get(t.id);
    const aspect = aspectOf(through.view.photoId);
    if (!showsPart(t) || !at?.through || aspect === undefined) return rest as typeof t;
    const { slice: _, ...own } = sliceFraming(aspect, at.through, through.view, at.frame);
    return { ...rest, filling: { kind: "photo", view: { ...through.view, ...own } } } as typeof t;
  });
}
