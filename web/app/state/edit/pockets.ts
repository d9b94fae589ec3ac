import {
  arrangedTiles,
  type Change,
  type PocketsOf,
  patternFromTiles,
  pocketLeaf,
  throughPockets,
} from "#core/document";
import {
  clearanceOf,
  frontPattern,
  leafPatterned,
  pageToDrawOn,
  placeBehindLeaf,
  pocketsFilled,
  pocketsSet,
} from "#core/edit";
import { aspectOf, type Photo } from "#core/photo";
import type { PocketPattern } from "#core/pockets";
import { pockets as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { insertMade } from "./page-list.ts";

/** Pages of pockets, each thing done to them as one step. */

type Deps = Pick<Services, "newId" | "viewState">;

/** Other pockets for the open leaf; what was in the old ones goes into the new, as they are read. */
export function choosePattern(services: Deps, session: ProjectSession, pattern: PocketPattern): void {
  const { project } = session.state.getState();
  const page = openPage(session.state.getState());
  services.viewState.setState({ tiles: nothingChosen });
  session.commit({ code: "arrangedAnew", count: 1 }, leafPatterned(project, page, pattern, services.newId));
  session.goTo(page.id);
}

export function addOwnPattern(services: Deps, session: ProjectSession, pattern: PocketPattern): void {
  const { project } = session.state.getState();
  if (!project.pockets) return;
  const page = openPage(session.state.getState());
  const own: Change = { type: "setProject", pockets: { ...project.pockets, own: [...project.pockets.own, pattern] } };
  session.commit({ code: "arrangedAnew", count: 1 }, [own, ...leafPatterned(project, page, pattern, services.newId)]);
  session.goTo(page.id);
}

/** A page that can be split and dragged into pockets. */
export function drawOwn(services: Deps, session: ProjectSession): void {
  const page = pageToDrawOn(openPlaced(session.state.getState()), services.newId);
  if (!page) return;
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
  const changes = pocketsSet(session.state.getState().project, change);
  if (changes.length > 0) session.commit({ code: "changedBook", count: 1 }, changes, { byProgram: true });
}

/** A bare leaf like the open one, behind it. */
export function addLeaf(services: Deps, session: ProjectSession): void {
  const { project } = session.state.getState();
  const page = openPage(session.state.getState());
  const pattern = frontPattern(project, page);
  if (!pattern) return;
  const leaf = pocketLeaf(pattern, clearanceOf(project), services.newId);
  insertMade(services, session, { code: "addedPages", count: 2 }, leaf, placeBehindLeaf(project, page));
}

/** Photos into pockets from the open page on, over backs and new leaves, as one step; says where they came to lie. */
export function fillPockets(services: Deps, session: ProjectSession, photos: readonly Photo[]): void {
  const now = session.state.getState();
  const { changes, photos: put, pages, leaves } = pocketsFilled(now.project, now.pageId, photos, services.newId);
  services.viewState.setState({ photos: nothingChosen });
  if (changes.length === 0) return;
  const { id } = openPage(now);
  session.commit({ code: "filledTiles", count: put }, changes);
  session.goTo(id);
  const left = photos.length - put;
  if (pages > 1 || leaves > 0) notices.create({ title: words.filledOn(put, pages, leaves), type: "info" });
  if (left > 0) notices.create({ title: words.left(left), type: "info" });
}

export function runThrough(session: ProjectSession, tileIds: readonly string[], photo: Photo): void {
  const on = openPlaced(session.state.getState());
  const next = throughPockets(on, tileIds, { id: photo.id, aspect: aspectOf(photo) });
  if (next !== on.page)
    session.commit({ code: "filledTiles", count: tileIds.length }, [{ type: "replacePage", page: next }]);
}
