import { z } from "zod";
import { tileIdsOf } from "../arrangements/index.ts";
import { barePageSchema, type Group, type Piece, pieceSchema } from "./page.ts";

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
function areWhole(pieces: readonly Piece[]): boolean {
  const ids = pieces.flatMap(idsIn);
  return (
    ids.length <= mostIds &&
    new Set(ids).size === ids.length &&
    pieces.every((p) => p.kind === "tile" || placesItsTiles(p))
  );
}

export const pageSchema = barePageSchema.refine((p) => areWhole(p.pieces), {
  path: ["pieces"],
  error: "piecesDoNotHold",
});

/** What lies on a page, by itself. */
export const piecesSchema = z
  .array(pieceSchema)
  .min(1)
  .max(500)
  .readonly()
  .refine(areWhole, { error: "piecesDoNotHold" });
