import type { Page, Tile } from "./page.ts";

/** Tiles that lie on their own over the arrangement. */

export const withFree = (page: Page, tile: Tile): Page => ({ ...page, over: [...page.over, tile] });

/** The same page where none of them lies on it freely. */
export function withoutFree(page: Page, tileIds: readonly string[]): Page {
  const over = page.over.filter((t) => !tileIds.includes(t.id));
  return over.length === page.over.length ? page : { ...page, over };
}

/** Behind all others that lie freely. */
export function withFreeAtBack(page: Page, tileId: string): Page {
  const tile = page.over.find((t) => t.id === tileId);
  return !tile || page.over[0] === tile ? page : { ...page, over: [tile, ...page.over.filter((t) => t !== tile)] };
}

export const isFree = (page: Page, tileId: string): boolean => page.over.some((t) => t.id === tileId);

export const areWords = (tile: Tile): boolean => tile.filling.kind === "words";
