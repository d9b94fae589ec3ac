import { hiddenAtEdges, type PageFormat } from "#core/lab";
import { ok, type Result, refused } from "#core/result";
import { tracksOf, widestGapOf } from "../arrangements/index.ts";
import { arrangementOf, type DrawnLook, groupsOf, type Page } from "./page.ts";
import { type PlacedGroup, roomRect } from "./place-page.ts";

/** No tile may end up narrower than this, in mm: less is a line, not a picture. */
const leastTileMm = 2;

/** Whether a page would still have room for its tiles with this margin and gap; says the most that would fit. */
export function checkLook<L extends DrawnLook>(
  look: L,
  format: PageFormat,
  page: Page,
): Result<L, "marginTooWide" | "gapTooWide" | "lessThanNothing"> {
  const { columns, rows } = tracksOf(arrangementOf(page));
  const { top, right, bottom, left } = look.margin;
  if (Math.min(look.gapMm, look.cornerMm, look.border.widthMm, top, right, bottom, left) < 0)
    return refused("lessThanNothing");
  const hidden = hiddenAtEdges(format);
  const mostAcross = (format.widthMm - hidden.left - hidden.right - columns * leastTileMm) / 2;
  const mostDown = (format.heightMm - rows * leastTileMm) / 2;
  if ((left + right) / 2 > mostAcross || (top + bottom) / 2 > mostDown)
    return refused("marginTooWide", { mostMm: Math.max(0, Math.min(mostAcross, mostDown)) });
  const widest = groupsOf(page)
    .filter((g) => g.gapMm === undefined)
    .map((g) => widestGapOf(g.arrangement, roomRect(g.room, look, format), leastTileMm));
  const mostMm = Math.min(...widest);
  return look.gapMm > mostMm ? refused("gapTooWide", { mostMm }) : ok(look);
}

/** Whether a group would still have room for its tiles with this gap of its own, in mm; says the most that would fit. */
export function checkGroupGap(
  { group, room }: PlacedGroup,
  gapMm: number,
): Result<number, "gapTooWide" | "lessThanNothing"> {
  if (gapMm < 0) return refused("lessThanNothing");
  const mostMm = widestGapOf(group.arrangement, room, leastTileMm);
  return gapMm > mostMm ? refused("gapTooWide", { mostMm }) : ok(gapMm);
}

/** The page with as wide a gap as there is room for, where its own is too wide. */
export function withGapThatFits(
  page: Page,
  look: DrawnLook,
  format: PageFormat,
): { readonly page: Page; readonly gapNow?: number } {
  const fits = checkLook(look, format, page);
  if (fits.ok || fits.code !== "gapTooWide") return { page };
  const gapNow = Math.max(0, Math.floor(Number(fits.facts.mostMm) * 10) / 10);
  return { page: { ...page, gapMm: gapNow }, gapNow };
}
