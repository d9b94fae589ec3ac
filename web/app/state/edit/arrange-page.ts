import {
  arrangedTiles,
  canSolveAgain,
  groupOfTile,
  holdsPockets,
  mainGroup,
  mostTiles,
  type Page,
  type Tree,
  treeIn,
} from "#core/document";
import { ledBy, madeEqual, seedOf, solvedFrom } from "#core/edit";
import { refused } from "#core/result";
import { changeTrouble, arranged as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { aspectsIn } from "../library/aspects.ts";
import { openPage, type ProjectSession } from "../session/project-session.ts";
import { keep } from "./tree-gestures.ts";

/** The page arranged anew, each as one step; says so where everything on it is locked. */

type Deps = Pick<Services, "library">;

function free(session: ProjectSession): boolean {
  const page = openPage(session.state.getState());
  if (arrangedTiles(page).length === 0) return false;
  if (canSolveAgain(page)) return true;
  notices.create({ title: words.allLocked, type: "info" });
  return false;
}

/** Whether so many more tiles fit on the open page; says so where they do not. */
export function holdsMore(session: ProjectSession, more: number): boolean {
  const tiles = arrangedTiles(openPage(session.state.getState())).length + more;
  if (tiles <= mostTiles) return true;
  notices.create({ title: changeTrouble(refused("tooManyTiles", { most: mostTiles, tiles }), String), type: "error" });
  return false;
}

/** The same photos from another start: another arrangement of the same kind. `by` -1 goes back to the last one. */
export function shuffle({ library }: Deps, session: ProjectSession, by: 1 | -1): void {
  const page = openPage(session.state.getState());
  if (!free(session) || seedOf(page) + by < 0) return;
  keep(session, "shuffled", arrangedTiles(page).length, solvedFrom(aspectsIn({ library }), by));
}

/** What is neither locked nor set by hand, arranged again. */
export function solveAgain({ library }: Deps, session: ProjectSession): void {
  const page = openPage(session.state.getState());
  if (free(session)) keep(session, "arrangedAnew", arrangedTiles(page).length, solvedFrom(aspectsIn({ library }), 0));
}

/** The tile that leads the page, if one does. */
export const leadOf = (page: Page): Tree["lead"] => treeIn(mainGroup(page))?.lead ?? null;

/** Makes a tile lead the page with a share of its room; with no tile, none leads any more. */
export function lead({ library }: Deps, session: ProjectSession, tileId: string | undefined, share: number): void {
  if (!free(session)) return;
  const next = tileId === undefined ? null : { tileId, share: Math.min(0.8, Math.max(0.1, share)) };
  keep(session, tileId === undefined ? "arrangedAnew" : "ledBy", 1, ledBy(aspectsIn({ library }), next));
}

/** Whether the arranger can be asked something of these tiles together: several of one group, which are not the pockets of a pattern. */
export function areOfOneGroup(page: Page, tileIds: readonly string[]): boolean {
  const group = groupOfTile(page, tileIds[0] ?? "");
  return tileIds.length > 1 && !holdsPockets(page) && tileIds.every((id) => group?.tiles.some((t) => t.id === id));
}

/** The arranger keeps these tiles equally large from now on, or no more. */
export function makeEqual({ library }: Deps, session: ProjectSession, ids: readonly string[], equal: boolean): void {
  if (free(session))
    keep(session, equal ? "madeEqual" : "freedSizes", ids.length, madeEqual(aspectsIn({ library }), ids, equal));
}
