import { tileIdsOf } from "../arrangements/index.ts";
import { barePageSchema, type Group, type Page, type Piece } from "./page.ts";

/** Far more than a page may be given by hand. */
const mostIds = 3000;

const idsIn = (piece: Piece): readonly string[] =>
  piece.kind === "group" ? [piece.id, ...piece.tiles.map((t) => t.id)] : [piece.id];

/** A tile that its arrangement does not know would never be drawn. */
function placesItsTiles({ arrangement, tiles }: Group): boolean {
  const placed = new Set(tileIdsOf(arrangement));
  return placed.size === tiles.length && tiles.every((t) => placed.has(t.id));
}

/** What holds between the parts of a page: every piece has an id of its own, and groups place just the tiles that they have. */
function isWhole({ pieces }: Page): boolean {
  const ids = pieces.flatMap(idsIn);
  return (
    ids.length <= mostIds &&
    new Set(ids).size === ids.length &&
    pieces.every((p) => p.kind === "tile" || placesItsTiles(p))
  );
}

export const pageSchema = barePageSchema.refine(isWhole, { path: ["pieces"], error: "piecesDoNotHold" });
