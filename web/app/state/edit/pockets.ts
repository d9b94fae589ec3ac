import {
  barePage,
  type Change,
  formatOf,
  frontAndBack,
  layTree,
  type Page,
  type PocketsOf,
  type Project,
  patternFromTiles,
  patternSide,
  pocketLeaf,
  sideOf,
  throughPockets,
  withPattern,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import { backOf, type PocketPattern } from "#core/pockets";
import type { Services } from "../../services.ts";
import { openFormat, openPage, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { insertMade } from "./page-list.ts";

/** Pages of pockets, each thing done to them as one step. */

type Deps = Pick<Services, "newId" | "viewState">;

/** As the front of a leaf shows them, whichever side the page is. */
export function frontPattern(project: Project, page: Page): PocketPattern | undefined {
  if (page.arrangement?.kind !== "pockets") return undefined;
  return sideOf(project, page.id) === "left" ? backOf(page.arrangement.pattern) : page.arrangement.pattern;
}

function withLeafPattern(project: Project, page: Page, pattern: PocketPattern, newId: () => string): Change[] {
  const lessMm = project.pockets?.lessMm ?? 2;
  return frontAndBack(project, page.id).map((p): Change => {
    const side = sideOf(project, p.id);
    return { type: "putPage", page: withPattern(p, formatOf(project, p), patternSide(pattern, side), lessMm, newId) };
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
  const page = openPage(now);
  const bare = { ...barePage(page.look, () => page.id), over: page.over };
  const laid = layTree(bare, openFormat(now), { photos: [{ id: "", aspect: 1 }], seed: 0, newId: services.newId });
  if (!laid.ok) return;
  const tiles = laid.value.page.tiles.map((t) => ({ ...t, filling: { kind: "empty" } as const }));
  services.viewState.setState({ tiles: nothingChosen });
  session.commit({ code: "arrangedAnew", count: 1 }, [{ type: "putPage", page: { ...laid.value.page, tiles } }]);
}

export function keepDrawn(services: Deps, session: ProjectSession, name: string): void {
  const now = session.state.getState();
  const page = openPage(now);
  if (page.tiles.length > 0)
    addOwnPattern(services, session, patternFromTiles(page, openFormat(now), { id: services.newId(), name }));
}

export function setPockets(session: ProjectSession, change: Partial<PocketsOf>): void {
  const { project } = session.state.getState();
  if (!project.pockets) return;
  const pockets = { ...project.pockets, ...change };
  const { lessMm } = pockets;
  const pages =
    lessMm === project.pockets.lessMm
      ? []
      : project.pages.flatMap((p): Change[] => {
          if (p.arrangement?.kind !== "pockets") return [];
          const fresh = withPattern(p, formatOf(project, p), p.arrangement.pattern, lessMm, () => "");
          return [{ type: "putPage", page: fresh }];
        });
  session.commit({ code: "changedBook", count: 1 }, [{ type: "setProject", pockets }, ...pages], { byProgram: true });
}

/** A bare leaf like the open one, behind it. */
export function addLeaf(services: Deps, session: ProjectSession): void {
  const { project } = session.state.getState();
  const page = openPage(session.state.getState());
  const pattern = frontPattern(project, page);
  if (!pattern) return;
  const leaf = pocketLeaf(project, pattern, project.pockets?.lessMm ?? 2, services.newId);
  const i = project.pages.indexOf(page);
  const at = sideOf(project, page.id) === "right" ? Math.min(project.pages.length, i + 2) : i + 1;
  insertMade(services, session, { code: "addedPages", count: 2 }, leaf, at);
}

export function runThrough(session: ProjectSession, tileIds: readonly string[], photo: Photo): void {
  const page = openPage(session.state.getState());
  const next = throughPockets(page, tileIds, { id: photo.id, aspect: aspectOf(photo) });
  if (next !== page) session.commit({ code: "filledTiles", count: tileIds.length }, [{ type: "putPage", page: next }]);
}
