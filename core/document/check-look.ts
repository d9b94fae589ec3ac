import { widestGap, widestTreeGap } from "#core/arrange";
import { hiddenAtEdges, type PageFormat } from "#core/lab";
import { ok, type Result, refused } from "#core/result";
import type { DrawnLook, Grid, PocketArrangement, Tree } from "./page.ts";
import { roomRect } from "./solve-page.ts";

/** No tile may end up narrower than this, in mm: less is a line, not a picture. */
const leastTileMm = 2;

/** Whether the page still has room for its tiles with this margin and gap; says the most that would fit. */
export function checkLook(
  look: DrawnLook,
  format: PageFormat,
  arrangement: Pick<Grid, "columns" | "rows"> | Tree | PocketArrangement | null,
): Result<DrawnLook, "marginTooWide" | "gapTooWide" | "lessThanNothing"> {
  const grid = arrangement && "columns" in arrangement ? arrangement : null;
  const [columns, rows] = grid ? [grid.columns.length, grid.rows.length] : [1, 1];
  const { top, right, bottom, left } = look.margin;
  if (Math.min(look.gapMm, look.cornerMm, look.border.widthMm, top, right, bottom, left) < 0)
    return refused("lessThanNothing");
  const hidden = hiddenAtEdges(format);
  const mostAcross = (format.widthMm - hidden.left - hidden.right - columns * leastTileMm) / 2;
  const mostDown = (format.heightMm - rows * leastTileMm) / 2;
  if ((left + right) / 2 > mostAcross || (top + bottom) / 2 > mostDown)
    return refused("marginTooWide", { mostMm: Math.max(0, Math.min(mostAcross, mostDown)) });
  const room = roomRect(look, format);
  const tree = arrangement && "tree" in arrangement ? arrangement.tree : undefined;
  const mostMm = tree ? widestTreeGap(tree, room, leastTileMm) : widestGap(room, columns, rows, leastTileMm);
  return look.gapMm > mostMm ? refused("gapTooWide", { mostMm }) : ok(look);
}
