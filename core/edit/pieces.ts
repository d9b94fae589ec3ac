import { type FreeTile, type Group, isGroup, mapTiles, type Page, type Piece, type Tile } from "#core/document";

/** What a list of all that is on a page has a row for: a group, a tile of the group above it, or a tile that lies freely. */
export type Listed =
  | { readonly what: "group"; readonly group: Group }
  | { readonly what: "arranged"; readonly tile: Tile }
  | { readonly what: "free"; readonly tile: FreeTile };

/** Everything on a page, hidden pieces too; what covers the others comes first, a group before its tiles. */
export const listedFrontToBack = (page: Page): readonly Listed[] =>
  page.pieces.toReversed().flatMap((piece): readonly Listed[] => {
    if (!isGroup(piece)) return [{ what: "free", tile: piece }];
    return [
      { what: "group", group: piece },
      ...piece.tiles.toReversed().map((tile) => ({ what: "arranged", tile }) as const),
    ];
  });

/** Drawn again, or kept and not drawn: a tile, or a group with all its tiles. */
export const hiddenSet = (page: Page, id: string, hidden: boolean): Page =>
  mapNamed(page, id, (of) => {
    if ((of.hidden ?? false) === hidden) return of;
    const { hidden: _, ...seen } = of;
    return (hidden ? { ...of, hidden: true } : seen) as typeof of;
  });

/** A name of one's own for a tile or a group; none where nothing is left of it. */
export const named = (page: Page, id: string, name: string): Page =>
  mapNamed(page, id, (of) => {
    const now = name.trim();
    if ((of.name ?? "") === now) return of;
    const { name: _, ...bare } = of;
    return (now === "" ? bare : { ...of, name: now }) as typeof of;
  });

/** The page with `edit` done to the tile or group with that id. */
function mapNamed(page: Page, id: string, edit: <T extends Tile | Group>(of: T) => T): Page {
  const group = page.pieces.find((p): p is Group => isGroup(p) && p.id === id);
  if (!group) return mapTiles(page, (t) => (t.id === id ? edit(t) : t));
  const next = edit(group);
  return next === group ? page : { ...page, pieces: page.pieces.map((p) => (p === group ? next : p)) };
}

/** A group, or what lies freely, one further to the front (1) or the back (-1); the page where it is there already. */
export function pieceMoved(page: Page, id: string, by: 1 | -1): Page {
  const from = page.pieces.findIndex((p) => p.id === id);
  const to = from + by;
  if (from < 0 || to < 0 || to >= page.pieces.length) return page;
  const pieces: Piece[] = [...page.pieces];
  [pieces[from], pieces[to]] = [pieces[to]!, pieces[from]!];
  return { ...page, pieces };
}
