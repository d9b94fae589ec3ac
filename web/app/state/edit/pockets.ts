import {
  arrangedTiles,
  type Change,
  freeTiles,
  frontAndBack,
  layTree,
  mainGroup,
  mapTiles,
  type Page,
  type PocketsOf,
  type Project,
  patternFromTiles,
  patternSide,
  placeAgain,
  pocketLeaf,
  sideOf,
  throughPockets,
  withPattern,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import { backOf, type PocketPattern } from "#core/pockets";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { insertMade } from "./page-list.ts";

/** Pages of pockets, each thing done to them as one step. */

type Deps = Pick<Services, "newId" | "viewState">;

/** As the front of a leaf shows them, whichever side the page is. */
export function frontPattern(project: Project, page: Page): PocketPattern | undefined {
  const arrangement = mainGroup(page)?.arrangement;
  if (arrangement?.kind !== "pockets") return undefined;
  return sideOf(project, page.id) === "left" ? backOf(arrangement.pattern) : arrangement.pattern;
}

function withLeafPattern(project: Project, page: Page, pattern: PocketPattern, newId: () => string): Change[] {
  const clearanceMm = project.pockets?.cardClearanceMm ?? 2;
  return frontAndBack(project, page.id).map((p): Change => {
    const side = sideOf(project, p.id);
    return { type: "replacePage", page: withPattern(p, patternSide(pattern, side), clearanceMm, newId) };
  });
}

/** Other pockets for the open leaf; what was in the old ones goes into the new, as they are read. */
export function choosePattern(services: Deps, session: ProjectSession, pattern: PocketPattern): void {
  const { project } = session.state.getState();
  const page = openPage(session.state.getState());
  services.viewState.setState({ tiles: nothingChosen });
  session.commit({ code: "arrangedAnew", count: 1 }, withLeafPattern(project, page, pattern, services.newId));
  session.goTo(page.id);
}

export function addOwnPattern(services: Deps, session: ProjectSession, pattern: PocketPattern): void {
  const { project } = session.state.getState();
  if (!project.pockets) return;
  const page = openPage(session.state.getState());
  const own: Change = { type: "setProject", pockets: { ...project.pockets, own: [...project.pockets.own, pattern] } };
  session.commit({ code: "arrangedAnew", count: 1 }, [own, ...withLeafPattern(project, page, pattern, services.newId)]);
  session.goTo(page.id);
}

/** A page that can be split and dragged into pockets. */
export function drawOwn(services: Deps, session: ProjectSession): void {
  const now = session.state.getState();
  const on = openPlaced(now);
  const bare = { ...on.page, pieces: freeTiles(on.page), blank: false, paced: false, plain: false };
  const laid = layTree(placeAgain(on, bare), { photos: [{ id: "", aspect: 1 }], seed: 0, newId: services.newId });
  if (!laid.ok) return;
  const page = mapTiles(laid.value.page, (t) => ("frame" in t ? t : { ...t, filling: { kind: "empty" } }));
  services.viewState.setState({ tiles: nothingChosen });
  session.commit({ code: "arrangedAnew", count: 1 }, [{ type: "replacePage", page }]);
}

export function keepDrawn(services: Deps, session: ProjectSession, name: string): void {
  const now = session.state.getState();
  const page = openPage(now);
  if (arrangedTiles(page).length > 0)
    addOwnPattern(services, session, patternFromTiles(openPlaced(now), { id: services.newId(), name }));
}

export function setPockets(session: ProjectSession, change: Partial<PocketsOf>): void {
  const { project } = session.state.getState();
  if (!project.pockets) return;
  const pockets = { ...project.pockets, ...change };
  const { cardClearanceMm } = pockets;
  const pages =
    cardClearanceMm === project.pockets.cardClearanceMm
      ? []
      : project.pages.flatMap((p): Change[] => {
          const group = mainGroup(p);
          if (group?.arrangement.kind !== "pockets") return [];
          const arrangement = { ...group.arrangement, cardClearanceMm };
          return [{ type: "setGroups", pageId: p.id, items: [{ id: group.id, set: { arrangement } }] }];
        });
  session.commit({ code: "changedBook", count: 1 }, [{ type: "setProject", pockets }, ...pages], { byProgram: true });
}

/** A bare leaf like the open one, behind it. */
export function addLeaf(services: Deps, session: ProjectSession): void {
  const { project } = session.state.getState();
  const page = openPage(session.state.getState());
  const pattern = frontPattern(project, page);
  if (!pattern) return;
  const leaf = pocketLeaf(pattern, project.pockets?.cardClearanceMm ?? 2, services.newId);
  const i = project.pages.indexOf(page);
  const at = sideOf(project, page.id) === "right" ? Math.min(project.pages.length, i + 2) : i + 1;
  insertMade(services, session, { code: "addedPages", count: 2 }, leaf, at);
}

export function runThrough(session: ProjectSession, tileIds: readonly string[], photo: Photo): void {
  const on = openPlaced(session.state.getState());
  const next = throughPockets(on, tileIds, { id: photo.id, aspect: aspectOf(photo) });
  if (next !== on.page)
    session.commit({ code: "filledTiles", count: tileIds.length }, [{ type: "replacePage", page: next }]);
}
