import { ok, type Result, refused } from "#core/result";
import { tileIdsOf } from "../arrangements/index.ts";
import { checkLook, checkOwnGaps } from "../page/check-look.ts";
import { lookOf } from "../page/look.ts";
import { allTiles, groupsOf, mostTiles, type Page } from "../page/page.ts";
import { firstOnRight, formatOf, spreadsHold } from "../project/book.ts";
import { everyPage, type Project } from "../project/project.ts";
import { mostPages } from "./kinds/page-list.ts";
import type { ChangeTrouble } from "./kinds/trouble.ts";

/**
 * Whether a work still holds after changes: pages have room for their tiles, arrangements place just the tiles that they have, spreads
 * begin on the left. Only what changed is looked at.
 */
export function stillHolds(before: Project, after: Project): Result<Project, ChangeTrouble> {
  if (before === after) return ok(after);
  if (after.pages.length > mostPages && after.pages.length > before.pages.length)
    return refused("tooManyPages", { most: mostPages });
  if (after.kind === "book" && after.pages !== before.pages && !spreadsHold(after.pages, firstOnRight(after)))
    return refused("spreadSplit");
  const known = new Map(everyPage(before).map((p) => [p.id, p]));
  for (const page of everyPage(after)) {
    const was = known.get(page.id);
    if (was === page && before.style === after.style) continue;
    const trouble = pageHolds(before, was, after, page);
    if (!trouble.ok) return trouble;
  }
  return ok(after);
}

function pageHolds(before: Project, was: Page | undefined, after: Project, page: Page): Result<Page, ChangeTrouble> {
  const tiles = allTiles(page).length;
  if (tiles > mostTiles && tiles > (was ? allTiles(was).length : 0))
    return refused("tooManyTiles", { most: mostTiles, tiles });
  const groups = was ? groupsOf(was) : [];
  for (const group of groupsOf(page)) {
    const old = groups.find((g) => g.id === group.id);
    if (old?.tiles === group.tiles && old.arrangement === group.arrangement) continue;
    const placed = new Set(tileIdsOf(group.arrangement));
    if (placed.size !== group.tiles.length || !group.tiles.every((t) => placed.has(t.id)))
      return refused("noArrangement");
  }
  if (!was) return ok(page);
  // A page that comes from elsewhere is taken as it is; a look that somebody sets has to leave room.
  const [lookWas, look] = [lookOf(was, before.style), lookOf(page, after.style)];
  if (lookWas.gapMm === look.gapMm && sameSides(lookWas.margin, look.margin) && lookWas.border === look.border)
    return ok(page);
  const format = formatOf(after, page);
  const fits = checkLook(look, format, page);
  if (!fits.ok) return fits;
  const own = sameSides(lookWas.margin, look.margin) ? fits : checkOwnGaps(look, format, page);
  return own.ok ? ok(page) : own;
}

const sameSides = (a: Page["margin"], b: Page["margin"]): boolean =>
  a === b || (a?.top === b?.top && a?.right === b?.right && a?.bottom === b?.bottom && a?.left === b?.left);
