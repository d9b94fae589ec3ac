import { allSides } from "#core/geometry";
import { hiddenAtEdges, type PageFormat } from "#core/lab";
import { ok, type Result, refused } from "#core/result";
import { tracksOf, widestGapOf } from "../arrangements/index.ts";
import { arrangementOf, type DrawnLook, type Group, groupsOf, isGroup, type Page } from "./page.ts";
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
    .map((g) => widestIn(g, look, format));
  const mostMm = Math.min(...widest);
  return look.gapMm > mostMm ? refused("gapTooWide", { mostMm }) : ok(look);
}

const widestIn = ({ arrangement, room }: Group, look: DrawnLook, format: PageFormat): number =>
  widestGapOf(arrangement, roomRect(room, look, format), leastTileMm);

const bisections = 30;

/** Whether groups with a gap of their own would still have room for it inside this margin; says the widest even margin that leaves it. */
export function checkOwnGaps(look: DrawnLook, format: PageFormat, page: Page): Result<DrawnLook, "marginTooWide"> {
  const own = groupsOf(page).filter((g) => g.gapMm !== undefined);
  const leavesRoom = (tried: DrawnLook) => own.every((g) => g.gapMm! <= widestIn(g, tried, format));
  if (leavesRoom(look)) return ok(look);
  let [mostMm, tooWide] = [0, Math.max(look.margin.top, look.margin.right, look.margin.bottom, look.margin.left)];
  for (let i = 0; i < bisections; i += 1) {
    const mm = (mostMm + tooWide) / 2;
    if (leavesRoom({ ...look, margin: allSides(mm) })) mostMm = mm;
    else tooWide = mm;
  }
  return refused("marginTooWide", { mostMm });
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

/** The page and its groups with as wide gaps as there is room for, where their own are too wide; `gapNow` is the narrowest that came of it. */
export function withGapThatFits(
  page: Page,
  look: DrawnLook,
  format: PageFormat,
): { readonly page: Page; readonly gapNow?: number } {
  const set: number[] = [];
  const narrower = (mostMm: number): number => {
    const gapMm = Math.max(0, Math.floor(mostMm * 10) / 10);
    set.push(gapMm);
    return gapMm;
  };
  const pieces = page.pieces.map((p) => {
    if (!isGroup(p) || p.gapMm === undefined) return p;
    const mostMm = widestIn(p, look, format);
    return p.gapMm <= mostMm ? p : { ...p, gapMm: narrower(mostMm) };
  });
  const fits = checkLook(look, format, page);
  const gap = !fits.ok && fits.code === "gapTooWide" ? { gapMm: narrower(Number(fits.facts.mostMm)) } : {};
  return set.length === 0 ? { page } : { page: { ...page, pieces, ...gap }, gapNow: Math.min(...set) };
}
