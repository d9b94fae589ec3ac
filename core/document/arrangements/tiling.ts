import { type Cell, tilingCells } from "#core/arrange";
import { allSides, aroundPoints, pathInShares, pathOfRings, type Rect, type Ring, type Sides } from "#core/geometry";
import type { Outline, Tiling } from "../schema/page.ts";
import type { ArrangementKind, ShapedPlace } from "./kind.ts";

const none = allSides(0);

const cellsOf = (a: Tiling, room: Rect, gapMm: number, reach: Sides): readonly Cell[] =>
  tilingCells({ ...a, count: a.tileIds.length, room, gapMm, reach });

function placeOf(cell: Cell): ShapedPlace {
  if ("circle" in cell) {
    const { x, y, r } = cell.circle;
    return { rect: { x: x - r, y: y - r, w: 2 * r, h: 2 * r }, outline: { kind: "ellipse" } };
  }
  const rect = aroundPoints(cell.ring);
  return { rect, outline: asOutline(cell.ring, rect) };
}

const asOutline = (ring: Ring, box: Rect): Outline => ({
  kind: "path",
  bleeds: true,
  path: pathInShares(pathOfRings([ring]), box),
});

/** Cells of one pattern: as many as there are tiles, in the order in which they are read. */
export const tiling: ArrangementKind<Tiling> = {
  tileIds: (a) => a.tileIds,
  renamed: (a, idOf) => ({ ...a, tileIds: a.tileIds.map(idOf) }),
  place: (a, room, gapMm) => new Map([...shaped(a, room, gapMm, none)].map(([id, { rect }]) => [id, rect])),
  shaped,
  withTiles: (a, tileIds) => ({ ...a, tileIds }),
  widestGap(a, room, leastMm) {
    const holds = (gapMm: number): boolean => {
      const cells = cellsOf(a, room, gapMm, none).map(placeOf);
      return cells.length === a.tileIds.length && cells.every(({ rect }) => Math.min(rect.w, rect.h) >= leastMm);
    };
    let [low, high] = [0, Math.min(room.w, room.h) / 2];
    for (let i = 0; i < 12; i += 1) {
      const middle = (low + high) / 2;
      if (holds(middle)) low = middle;
      else high = middle;
    }
    return low;
  },
  asTree: () => undefined,
  bleeds: false,
};

function shaped(a: Tiling, room: Rect, gapMm: number, reach: Sides): ReadonlyMap<string, ShapedPlace> {
  const cells = cellsOf(a, room, gapMm, reach);
  return new Map(cells.map((cell, i) => [a.tileIds[i]!, placeOf(cell)]));
}
