import { widestGap } from "#core/arrange";
import type { PageFormat } from "#core/lab";
import { done, type Outcome, refused } from "#core/outcome";
import type { Grid, Look } from "./page.ts";
import { roomFor } from "./solve-page.ts";

/** No tile may end up narrower than this, in mm: less is a line, not a picture. */
export const leastTileMm = 2;

/** Whether the page still has room for its tiles with this margin and gap; says the most that would fit. */
export function checkLook(
  look: Look,
  format: PageFormat,
  grid: Pick<Grid, "columns" | "rows"> | null,
): Outcome<Look, "marginTooWide" | "gapTooWide"> {
  const [columns, rows] = grid ? [grid.columns.length, grid.rows.length] : [1, 1];
  const { top, right, bottom, left } = look.margin;
  const mostAcross = (format.widthMm - columns * leastTileMm) / 2;
  const mostDown = (format.heightMm - rows * leastTileMm) / 2;
  if ((left + right) / 2 > mostAcross || (top + bottom) / 2 > mostDown)
    return refused("marginTooWide", { mostMm: Math.max(0, Math.min(mostAcross, mostDown)) });
  const mostMm = widestGap(roomFor(look, format), columns, rows, leastTileMm);
  return look.gapMm > mostMm ? refused("gapTooWide", { mostMm }) : done(look);
}
