import type { Rect } from "#core/geometry";
import type { Frame, Grid, Look, Page, PocketArrangement, Tile, Tree } from "./schema/page.ts";

export type {
  Border,
  DrawnLook,
  Filling,
  Frame,
  Grid,
  Look,
  Outline,
  Page,
  PocketArrangement,
  Tile,
  Tree,
  View,
  Words,
} from "./schema/page.ts";

export type Arrangement = Grid | Tree | PocketArrangement;

/** More than anybody can look at; beyond it work could not be read back either. */
export const mostTiles = 500;

export const findTile = (page: Page, tileId: string): Tile | undefined =>
  page.tiles.find((t) => t.id === tileId) ?? page.over.find((t) => t.id === tileId);

/** Everything that lies on the page, back to front. */
export const allTiles = (page: Page): readonly Tile[] =>
  page.over.length === 0 ? page.tiles : [...page.tiles, ...page.over];

/** Every photo that is drawn on the page, the one behind it included. */
export function photosOf(page: Page): readonly string[] {
  const behind = page.look.backdrop ? [page.look.backdrop.view.photoId] : [];
  return [...new Set([...behind, ...allTiles(page).flatMap((t) => photoIdOf(t) ?? [])])];
}

export const photoIdOf = (tile: Tile): string | undefined =>
  tile.filling.kind === "photo" ? tile.filling.view.photoId : undefined;

/** Photos that words on the page follow; they need not lie on it themselves. */
export const captionedOn = (page: Page): readonly string[] =>
  allTiles(page).flatMap((t) => (t.filling.kind === "words" && t.filling.from ? [t.filling.from.photoId] : []));

export const emptyTiles = (page: Page): readonly Tile[] => page.tiles.filter((t) => t.filling.kind === "empty");

export const frameRect = (f: Frame): Rect => ({
  x: f.centre.x - f.width / 2,
  y: f.centre.y - f.height / 2,
  w: f.width,
  h: f.height,
});

/** The page with `edit` done to each tile; the same page when no tile changed. */
export function mapTiles(page: Page, edit: (tile: Tile) => Tile): Page {
  const tiles = mapped(page.tiles, edit);
  const over = mapped(page.over, edit);
  return tiles === page.tiles && over === page.over ? page : { ...page, tiles, over };
}

function mapped(tiles: readonly Tile[], edit: (tile: Tile) => Tile): readonly Tile[] {
  const next = tiles.map(edit);
  return next.every((t, i) => t === tiles[i]) ? tiles : next;
}

/** A page with nothing on it. */
export const barePage = (look: Look, newId: () => string, leaves: 1 | 2 = 1): Page => ({
  id: newId(),
  look,
  tiles: [],
  over: [],
  arrangement: null,
  leaves,
  blank: false,
  paced: false,
  plain: false,
});
