import { renamedTree, withTileIds } from "../arrangements/index.ts";
import { isGroup, type Page, type Piece } from "./page.ts";

/** The same page once more, as things of its own. */
export const copyPage = (page: Page, newId: () => string): Page => ({
  ...page,
  pieces: copiedPieces(page.pieces, newId),
  id: newId(),
  paced: false,
});

/** Pieces under ids of their own. */
export function copiedPieces(pieces: readonly Piece[], newId: () => string): readonly Piece[] {
  const ties = new Map<string, string>();
  return pieces.map((piece): Piece => {
    if (!isGroup(piece)) {
      const { tieId: was } = piece;
      if (was !== undefined && !ties.has(was)) ties.set(was, newId());
      return { ...piece, id: newId(), ...(was === undefined ? {} : { tieId: ties.get(was)! }) };
    }
    const renamed = new Map(piece.tiles.map((t) => [t.id, newId()]));
    const idOf = (was: string) => renamed.get(was) ?? was;
    return {
      ...piece,
      id: newId(),
      tiles: piece.tiles.map((t) => ({ ...t, id: idOf(t.id) })),
      arrangement: withTileIds(piece.arrangement, idOf),
      ...(piece.first ? { first: renamedTree(piece.first, idOf) } : {}),
    };
  });
}
