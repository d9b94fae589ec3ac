import type { Rect } from "#core/geometry";
import { followedBy, photoIdsIn } from "../fillings/index.ts";
import type {
  Filling,
  Frame,
  FreeTile,
  Grid,
  Group,
  Look,
  Page,
  Piece,
  PocketArrangement,
  Rows,
  Tile,
  Tiling,
  Tree,
} from "../schema/page.ts";

export type {
  Border,
  DrawnLook,
  Filling,
  Frame,
  FreeTile,
  Grid,
  Group,
  Light,
  Look,
  Margin,
  Outline,
  Page,
  Piece,
  PocketArrangement,
  Print,
  Region,
  Room,
  Rows,
  Scatter,
  Shadow,
  Soft,
  Tile,
  Tiling,
  Tree,
  View,
  Waits,
  Words,
} from "../schema/page.ts";

export type Arrangement = Grid | Tree | Rows | PocketArrangement | Tiling;

/** What a page says of its look itself; what is missing it inherits from the work's style. */
export type OwnLook = Partial<Omit<Look, "light">>;

/** More than anybody can look at; beyond it work could not be read back either. */
export const mostTiles = 500;

export const isGroup = (piece: Piece): piece is Group => piece.kind === "group";
export const isFreeTile = (piece: Piece): piece is FreeTile => piece.kind === "tile";

export const groupsOf = (page: Page): readonly Group[] => page.pieces.filter(isGroup);
export const freeTiles = (page: Page): readonly FreeTile[] => page.pieces.filter(isFreeTile);
/** Tiles that an arrangement places. */
export const arrangedTiles = (page: Page): readonly Tile[] => groupsOf(page).flatMap((g) => g.tiles);
/** Everything that lies on the page, back to front. */
export const allTiles = (page: Page): readonly Tile[] => page.pieces.flatMap((p) => (isGroup(p) ? p.tiles : [p]));

/** The group that speaks for the page where none is named: the lowest one. */
export const mainGroup = (page: Page): Group | undefined => page.pieces.find(isGroup);
export const groupOfTile = (page: Page, tileId: string): Group | undefined =>
  page.pieces.find((p): p is Group => isGroup(p) && p.tiles.some((t) => t.id === tileId));

export const arrangementOf = (page: Page): Arrangement | undefined => mainGroup(page)?.arrangement;
export const treeIn = (group: Group | undefined): Tree | undefined =>
  group?.arrangement.kind === "tree" ? group.arrangement : undefined;
export const holdsPockets = (page: Page): boolean => arrangementOf(page)?.kind === "pockets";

export function findTile(page: Page, tileId: string): Tile | FreeTile | undefined {
  for (const piece of page.pieces) {
    const found = isGroup(piece) ? piece.tiles.find((t) => t.id === tileId) : piece.id === tileId ? piece : undefined;
    if (found) return found;
  }
  return undefined;
}

export const isFree = (page: Page, tileId: string): boolean =>
  page.pieces.some((p) => isFreeTile(p) && p.id === tileId);

/** Every photo that is drawn on the page, the one behind it included. */
export function photosOf(page: Page, style: Pick<Look, "backdrop">): readonly string[] {
  const backdrop = page.backdrop === undefined ? style.backdrop : page.backdrop;
  const behind = backdrop ? [backdrop.view.photoId] : [];
  return [...new Set([...behind, ...allTiles(page).flatMap((t) => photoIdsIn(t.filling))])];
}

export const photoIdOf = (tile: Pick<Tile, "filling">): string | undefined =>
  tile.filling.kind === "photo" ? tile.filling.view.photoId : undefined;

/** Photos that words on the page follow; they need not lie on it themselves. */
export const captionedOn = (page: Page): readonly string[] => allTiles(page).flatMap((t) => followedBy(t.filling));

export const isLocked = (tile: Pick<Tile, "lock">): boolean => tile.lock?.place === true;
/** Whether what is in it is to stay in it. */
export const keepsFilling = (tile: Pick<Tile, "lock">): boolean => tile.lock?.filling === true;
/** A tile with one of its locks set or let go, the other as it is; no lock at all is nothing said. */
export function withLock<T extends Tile>(tile: T, part: "place" | "filling", on: boolean): T {
  if ((tile.lock?.[part] === true) === on) return tile;
  const { lock: { [part]: _, ...rest } = {}, ...free } = tile;
  const lock = on ? { ...rest, [part]: true as const } : rest;
  return (Object.keys(lock).length > 0 ? { ...free, lock } : free) as T;
}
export const areWords = (tile: Pick<Tile, "filling">): boolean => tile.filling.kind === "words";

/** Whether it is empty, and not kept for something else than a photo. */
export const waitsForPhoto = (filling: Filling): boolean =>
  filling.kind === "empty" && (filling.waits === undefined || filling.waits.for === "photo");

export const frameRect = (f: Frame): Rect => ({
  x: f.centre.x - f.width / 2,
  y: f.centre.y - f.height / 2,
  w: f.width,
  h: f.height,
});

/** The page with `edit` done to each tile; the same page when no tile changed. */
export function mapTiles(page: Page, edit: <T extends Tile>(tile: T) => T): Page {
  return withPieces(
    page,
    page.pieces.map((piece) => {
      if (!isGroup(piece)) return edit(piece);
      const tiles = piece.tiles.map(edit);
      return tiles.every((t, i) => t === piece.tiles[i]) ? piece : { ...piece, tiles };
    }),
  );
}

/** The same page where all pieces are those that it has. */
function withPieces(page: Page, pieces: readonly Piece[]): Page {
  const same = pieces.length === page.pieces.length && pieces.every((p, i) => p === page.pieces[i]);
  return same ? page : { ...page, pieces };
}

/** A group in the place of the one with its id, or behind everything where there is none; without tiles it is gone. */
export function withGroup(page: Page, group: Group): Page {
  const there = page.pieces.some((p) => p.id === group.id);
  if (group.tiles.length === 0) return withoutPieces(page, [group.id]);
  return withPieces(page, there ? page.pieces.map((p) => (p.id === group.id ? group : p)) : [group, ...page.pieces]);
}

/** The same page where none of them lies on it. */
export const withoutPieces = (page: Page, ids: readonly string[]): Page =>
  withPieces(
    page,
    page.pieces.filter((p) => !ids.includes(p.id)),
  );

/** In front of everything. */
export const withFree = (page: Page, tile: FreeTile): Page => ({ ...page, pieces: [...page.pieces, tile] });

/** The page with one of its free tiles over all others. */
export function withFreeAtFront(page: Page, tileId: string): Page {
  const tile = freeTiles(page).find((t) => t.id === tileId);
  return tile && page.pieces.at(-1) !== tile
    ? { ...page, pieces: [...page.pieces.filter((p) => p !== tile), tile] }
    : page;
}

/** The same page where none of them lies on it freely. */
export const withoutFree = (page: Page, tileIds: readonly string[]): Page =>
  withoutPieces(
    page,
    freeTiles(page).flatMap((t) => (tileIds.includes(t.id) ? [t.id] : [])),
  );

/** Behind all others that lie freely, and in front of the arrangement that they lie on. */
export function withFreeAtBack(page: Page, tileId: string): Page {
  const tile = freeTiles(page).find((t) => t.id === tileId);
  if (!tile) return page;
  const others = page.pieces.filter((p) => p !== tile);
  const at = others.findLastIndex(isGroup) + 1;
  return withPieces(page, others.toSpliced(at, 0, tile));
}

/** A page with nothing on it, that looks as the work's style has it. */
export const barePage = (newId: () => string, span: 1 | 2 = 1, own: OwnLook = {}): Page => ({
  id: newId(),
  pieces: [],
  span,
  blank: false,
  paced: false,
  plain: false,
  ...own,
});
