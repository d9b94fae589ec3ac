import { gridRects, treeFromRects, widestGap } from "#core/arrange";
import type { Grid } from "../page/page.ts";
import type { ArrangementKind } from "./kind.ts";

export const grid: ArrangementKind<Grid> = {
  tileIds: (a) => a.cells.map((c) => c.tileId),
  renamed: (a, idOf) => ({ ...a, cells: a.cells.map((c) => ({ ...c, tileId: idOf(c.tileId) })) }),
  place(a, room, gapMm) {
    const rects = gridRects(a, room, gapMm);
    return new Map(a.cells.map((cell, i) => [cell.tileId, rects[i]!]));
  },
  widestGap: (a, room, leastMm) => widestGap(room, a.columns.length, a.rows.length, leastMm),
  asTree: (a, room, gapMm) => treeFromRects([...grid.place(a, room, gapMm)].map(([tileId, r]) => ({ tileId, ...r }))),
  tracks: (a) => ({ columns: a.columns.length, rows: a.rows.length }),
  bleeds: true,
};
