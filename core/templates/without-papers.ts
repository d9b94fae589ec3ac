import { isGroup, type Piece, type Tile } from "#core/document";
import type { Template } from "./schema/template.ts";

/** With places for papers in place of those that are only in the library where it was made. */
export const withoutPapers = (t: Template): Template => ({ ...t, pieces: t.pieces.map(withoutPaper) });

const withoutPaper = (p: Piece): Piece => (isGroup(p) ? { ...p, tiles: p.tiles.map(bared) } : bared(p));

const bared = <T extends Tile>(tile: T): T =>
  tile.filling.kind === "photo" ? { ...tile, filling: { kind: "empty", waits: { for: "paper" } } } : tile;
