import type { DrawnShape } from "#core/drawings";
import type { PathData } from "#core/geometry";
import { newFreeTile } from "./new-tile.ts";
import { isGroup, type Piece, type Tile } from "./page.ts";
import type { PlacedTile } from "./place-page.ts";
import { noBorder } from "./plain-dress.ts";
import { tileLine } from "./tile-line.ts";
import { tileOfShape } from "./tile-of-shape.ts";

/** A tile as it lay when a drawing was made of it. */
export type DrawnTile = Pick<PlacedTile, "id" | "frame" | "outline" | "cornerMm" | "border">;

/** A line that was written and read again is off by less than this, in mm. */
const sameMm = 0.02;

/**
 * Pieces as a drawing of them has them now, in mm of the page: what nobody touched is as it was, shapes that were moved or changed lie freely where they
 * are now, what was taken out is gone, and what was added lies on top. Pieces that were not drawn stay.
 */
export function piecesAsDrawn(
  pieces: readonly Piece[],
  tiles: readonly DrawnTile[],
  shapes: readonly DrawnShape[],
  given: {
    readonly newId: () => string;
    /** Whether the drawing's lines are the tiles' borders. */
    readonly bordersDrawn: boolean;
  },
): readonly Piece[] {
  const placed = new Map(tiles.map((t) => [t.id, t]));
  const drawn = new Map(
    shapes.flatMap((s) => (s.tileId !== undefined && placed.has(s.tileId) ? [[s.tileId, s] as const] : [])),
  );
  const stays = (id: string): boolean => {
    const [tile, shape] = [placed.get(id), drawn.get(id)];
    if (!tile) return true;
    return shape !== undefined && (shape.path.length === 0 || samePath(tileLine(tile), shape.path));
  };
  const now = pieces.flatMap((p): readonly Piece[] => {
    if (isGroup(p) ? p.tiles.every((tile) => stays(tile.id)) : stays(p.id)) return [p];
    return (isGroup(p) ? p.tiles : [p]).flatMap((tile) => {
      const [at, shape] = [placed.get(tile.id), drawn.get(tile.id)];
      if (!at || !shape) return [];
      if (stays(tile.id)) return [lying(tile, at)];
      const changed = tileOfShape(shape, () => tile.id);
      if (!changed) return [];
      const { frame, outline, border = noBorder } = changed;
      return [{ ...lying(tile, at), frame, outline, cornerMm: 0, ...(given.bordersDrawn ? { border } : {}) }];
    });
  });
  const added = shapes.filter((s) => s.tileId === undefined || drawn.get(s.tileId) !== s);
  return [...now, ...added.flatMap((s) => tileOfShape(s, given.newId) ?? [])];
}

/** A tile of a group by itself, where it lay and as it looked. */
const lying = (tile: Tile, { frame, outline, cornerMm, border }: DrawnTile) => ({
  ...newFreeTile(frame, tile.filling, () => tile.id),
  ...tile,
  kind: "tile" as const,
  frame,
  outline,
  cornerMm,
  border,
});

function samePath(a: PathData, b: PathData): boolean {
  if (a.length !== b.length) return false;
  return a.every((s, i) => {
    const t = b[i]!;
    return s[0] === t[0] && s.slice(1).every((v, n) => Math.abs((v as number) - (t[n + 1] as number)) < sameMm);
  });
}
