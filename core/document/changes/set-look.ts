import { ok, type Result, refused } from "#core/result";
import { formatOf } from "../book.ts";
import { checkLook } from "../check-look.ts";
import { type Look, mapTiles, type Page } from "../page.ts";
import { findPage, type Project, withPage } from "../project.ts";
import { solvePage } from "../solve-page.ts";
import type { ChangeKind } from "./kind.ts";
import type { PutPage } from "./put-page.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Gives a page another gap, margin, corner, border or colour; the arrangement is solved again for it. */
export interface SetLook {
  readonly type: "setLook";
  readonly pageId: string;
  readonly look: Look;
}

function apply(project: Project, change: SetLook): Result<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const format = formatOf(project, page);
  const checked = checkLook(change.look, format, page.arrangement);
  if (!checked.ok) return checked;
  return ok(withPage(project, solvePage(dressed(page, change.look), format)));
}

/** Corner and border go to every tile only when they are what changed, so that a tile's own are kept otherwise. */
function dressed(page: Page, look: Look): Page {
  const { cornerMm, border } = look;
  const newCorner = cornerMm !== page.look.cornerMm;
  const newBorder = border.widthMm !== page.look.border.widthMm || border.colour !== page.look.border.colour;
  const tiles = mapTiles(page, (tile) =>
    newCorner || newBorder
      ? {
          ...tile,
          outline: newCorner ? { ...tile.outline, cornerMm } : tile.outline,
          edge: newBorder ? { ...tile.edge, border } : tile.edge,
        }
      : tile,
  ).tiles;
  return { ...page, look, tiles };
}

/** The page as it was, since tiles may have had a corner or border of their own. */
const invert = (before: Project, change: SetLook): PutPage => ({
  type: "putPage",
  page: findPage(before, change.pageId)!,
});

/** A look that gives tiles another corner or border leaves its trace in them, and stays a change of its own. */
function merge(first: SetLook, next: SetLook): SetLook | undefined {
  const [a, b] = [first.look, next.look];
  const sameDress =
    a.cornerMm === b.cornerMm && a.border.widthMm === b.border.widthMm && a.border.colour === b.border.colour;
  return first.pageId === next.pageId && sameDress ? next : undefined;
}

export const setLook: ChangeKind<SetLook, PutPage> = { apply, invert, merge, pageId: (change) => change.pageId };
