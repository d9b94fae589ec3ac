import type { Rect } from "#core/geometry";
import type { GridPlan } from "./arranger.ts";
import { gridRects, seamMiddles } from "./tracks.ts";

/** A stretch of a seam that a hand can take hold of. Lengths in mm on the page. */
export interface SeamStretch {
  readonly axis: "columns" | "rows";
  /** The seam after this track. */
  readonly index: number;
  /** Where its middle lies: x for columns, y for rows. */
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/** Every stretch of every seam, leaving out where a cell reaches across it. */
export function seamStretches(plan: GridPlan, room: Rect, gap: number): SeamStretch[] {
  const found: SeamStretch[] = [];
  const rects = gridRects(plan, room, gap);
  for (const axis of ["columns", "rows"] as const) {
    const across = axis === "columns";
    const middles = seamMiddles(plan[axis], across ? room.w : room.h, gap);
    for (const [index, middle] of middles.entries()) {
      const sides: { from: number; to: number }[] = [];
      for (const [i, cell] of plan.cells.entries()) {
        const last = across ? cell.column + cell.columns - 1 : cell.row + cell.rows - 1;
        const r = rects[i]!;
        // Every stretch has a cell that ends at it; touching cells make one stretch together.
        if (last === index) sides.push(across ? { from: r.y, to: r.y + r.h } : { from: r.x, to: r.x + r.w });
      }
      sides.sort((a, b) => a.from - b.from);
      const at = (across ? room.x : room.y) + middle;
      for (const side of sides) {
        const before = found.at(-1);
        if (before && before.axis === axis && before.index === index && side.from - before.to <= gap + 1e-6)
          found[found.length - 1] = { ...before, to: side.to };
        else found.push({ axis, index, at, ...side });
      }
    }
  }
  return found;
}
