import { isGroup, mapTiles, type Page, type Tile } from "#core/document";

/** A tile as a list of all that is on a page tells of it. */
export interface Listed {
  readonly tile: Tile;
  /** It lies on its own, and can come further to the front or the back. */
  readonly free: boolean;
}

/** Every tile of a page, hidden ones too; what covers the others comes first. */
export const tilesFrontToBack = (page: Page): readonly Listed[] =>
  page.pieces
    .toReversed()
    .flatMap((piece): Listed[] =>
      isGroup(piece) ? piece.tiles.toReversed().map((tile) => ({ tile, free: false })) : [{ tile: piece, free: true }],
    );

/** Drawn again, or kept and not drawn. */
export const hiddenSet = (page: Page, tileId: string, hidden: boolean): Page =>
  mapTiles(page, (t) => {
    if (t.id !== tileId || (t.hidden ?? false) === hidden) return t;
    const { hidden: _, ...seen } = t;
    return (hidden ? { ...t, hidden: true } : seen) as typeof t;
  });

/** A name of one's own for a tile; none where nothing is left of it. */
export const namedTile = (page: Page, tileId: string, name: string): Page =>
  mapTiles(page, (t) => {
    const now = name.trim();
    if (t.id !== tileId || (t.name ?? "") === now) return t;
    const { name: _, ...bare } = t;
    return (now === "" ? bare : { ...t, name: now }) as typeof t;
  });

/** What lies freely one further to the front (1) or the back (-1); the page where it is there already. */
export function pieceMoved(page: Page, tileId: string, by: 1 | -1): Page {
  const from = page.pieces.findIndex((p) => p.id === tileId && !isGroup(p));
  const to = from + by;
  if (from < 0 || to < 0 || to >= page.pieces.length) return page;
  const pieces = [...page.pieces];
  [pieces[from], pieces[to]] = [pieces[to]!, pieces[from]!];
  return { ...page, pieces };
}
