import { tracksWithSeamAt } from "#core/arrange";
import { ok, type Result, refused } from "#core/result";
import { formatOf } from "../book.ts";
import { findPage, type Project, withPage } from "../project.ts";
import { roomRect, solvePage } from "../solve-page.ts";
import type { ChangeKind } from "./kind.ts";
import type { PutPage } from "./put-page.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Moves the seam after track `index` so that its middle lies at `atMm` on the page; both sides follow. */
export interface MoveSeam {
  readonly type: "moveSeam";
  readonly pageId: string;
  readonly axis: "columns" | "rows";
  readonly index: number;
  readonly atMm: number;
}

function apply(project: Project, change: MoveSeam): Result<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const grid = page.arrangement;
  if (grid?.kind !== "grid" || change.index < 0 || change.index >= grid[change.axis].length - 1)
    return refused("noArrangement");
  const format = formatOf(project, page);
  const room = roomRect(page.look, format);
  const [start, length] = change.axis === "columns" ? [room.x, room.w] : [room.y, room.h];
  const moved = tracksWithSeamAt(grid[change.axis], length, page.look.gapMm, change.index, change.atMm - start);
  if (moved === grid[change.axis]) return ok(project);
  const arrangement = { ...grid, [change.axis]: moved };
  return ok(withPage(project, solvePage({ ...page, arrangement }, format)));
}

/** The page as it was: the way back by distance would leave a rounding error. */
const invert = (before: Project, change: MoveSeam): PutPage => ({
  type: "putPage",
  page: findPage(before, change.pageId)!,
});

export const moveSeam: ChangeKind<MoveSeam, PutPage> = { apply, invert, pageId: (change) => change.pageId };
