import {
  barePage,
  copyPage,
  findTile,
  frontAndBack,
  holdsAnything,
  holdsPockets,
  type Look,
  matchedTo,
  mostPages,
  mostTiles,
  type Page,
  photoIdOf,
  placed,
  type RowChange,
  rowAfter,
  type StepName,
  sidesKept,
} from "#core/document";
import {
  type Dressed,
  facingPage,
  lookOnEvery,
  lookOnThese,
  mirroredLook,
  numbersShown,
  openingJoined,
  pagesEmptied,
  pagesForEach,
  pagesMoved,
  pagesPutIn,
  placeForNew,
  type RowEdit,
  spreadParted,
} from "#core/edit";
import type { Photo } from "#core/photo";
import { refused } from "#core/result";
import { book, changeTrouble, run } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { aspectsIn } from "../library/aspects.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";

/** What is done with the row of pages, each as one step. */

type Deps = Pick<Services, "viewState" | "newId">;

const placeOf = (session: ProjectSession, pageId: string): number =>
  session.state.getState().project.pages.findIndex((p) => p.id === pageId);

export function openThe(services: Deps, session: ProjectSession, page: Page | undefined): void {
  if (!page) return;
  services.viewState.setState({ tiles: nothingChosen, reframing: undefined });
  session.goTo(page.id);
}

/** Steps to the page before or after the one that is open. */
export function stepPage(services: Deps, session: ProjectSession, by: 1 | -1): void {
  const now = session.state.getState();
  openThe(services, session, now.project.pages[placeOf(session, openPage(now).id) + by]);
}

/** Keeps a change of the row; asks first where it would turn pages to the other side, and offers what does not. */
function keepRow(
  services: Pick<Services, "viewState">,
  session: ProjectSession,
  name: StepName,
  change: RowChange,
  keep?: { readonly words: string; readonly doIt: () => void },
): boolean {
  const { project } = session.state.getState();
  const row = rowAfter(project, change);
  const doIt = () => {
    services.viewState.setState({ tiles: nothingChosen, reframing: undefined, writing: undefined });
    session.commit(name, [change], { byProgram: true });
  };
  if (row.ok && sidesKept(project, row.value)) {
    doIt();
    return true;
  }
  if (row.ok || row.code === "spreadSplit")
    services.viewState.setState({ turning: { doIt: row.ok ? doIt : undefined, keep } });
  else notices.create({ title: changeTrouble(row, String), type: "info" });
  return false;
}

/** False where a person is asked first. */
function insert(services: Deps, session: ProjectSession, name: StepName, pages: readonly Page[], at?: number): boolean {
  const { project, pageId } = session.state.getState();
  const done = keepRow(services, session, name, pagesPutIn(pages, at ?? placeForNew(project, pageId, "after")));
  if (done) openThe(services, session, pages[0]);
  return done;
}

/** Pages that were made from something else, behind the open one. */
export const insertMade = insert;

/**
 * Opens a page that takes photos without losing any: the open one where it is bare or has pockets, else the first bare one, else a new
 * one at the end. False where a person is asked first.
 */
export function onFreshPage(services: Deps, session: ProjectSession): boolean {
  const now = session.state.getState();
  const open = openPage(now);
  const { pages, style } = now.project;
  if (!holdsAnything(open, style) || holdsPockets(open)) return true;
  const bare = pages.find((p) => !holdsAnything(p, style) && !p.blank);
  if (bare) {
    openThe(services, session, bare);
    return true;
  }
  return insert(services, session, { code: "addedPages", count: 1 }, [barePage(services.newId)], pages.length);
}

export type PageWhere = "before" | "after" | "end";

/** Bare pages that look as the open one does. In a book an odd number of them asks, since it turns all that follow. */
export function addPages(services: Deps, session: ProjectSession, count: number, where: PageWhere): void {
  const now = session.state.getState();
  const open = openPage(now);
  const at = placeForNew(now.project, open.id, where);
  const bare = (n: number) => Array.from({ length: n }, () => barePage(services.newId));
  const some = bare(count);
  const more = bare(count + 1);
  const add = (pages: readonly Page[]) => {
    session.commit({ code: "addedPages", count: pages.length }, [pagesPutIn(pages, at)]);
    openThe(services, session, pages[0]);
  };
  const keep = { words: book.keepSides.add(more.length), doIt: () => add(more) };
  if (keepRow(services, session, { code: "addedPages", count }, pagesPutIn(some, at), keep))
    openThe(services, session, some[0]);
}

/** A bare page after the open one, that looks as it does. */
export const addPage = (services: Deps, session: ProjectSession): void => addPages(services, session, 1, "after");

export function copyThePage(services: Deps, session: ProjectSession): void {
  insert(services, session, { code: "copiedPage", count: 1 }, [
    copyPage(openPage(session.state.getState()), services.newId),
  ]);
}

/** The open page; of pockets the whole leaf, since a front has its back. */
export function removeThePage(services: Deps, session: ProjectSession): void {
  const { project } = session.state.getState();
  const { id } = openPage(session.state.getState());
  removePages(services, session, project.kind === "pockets" ? frontAndBack(project, id).map((p) => p.id) : [id]);
}

export function removePages(services: Deps, session: ProjectSession, pageIds: readonly string[]): void {
  const { project } = session.state.getState();
  const bare = () => {
    const changes = pagesEmptied(project, pageIds);
    session.commit({ code: "removedPages", count: changes.length }, changes);
  };
  keepRow(
    services,
    session,
    { code: "removedPages", count: pageIds.length },
    { type: "removePages", pageIds },
    {
      words: book.keepSides.remove,
      doIt: bare,
    },
  );
}

/** Pages put where the `to`-th now stands, counted without them; all that face them come along where sides are to be kept. */
export function movePages(services: Deps, session: ProjectSession, pageIds: readonly string[], to: number): void {
  const { project } = session.state.getState();
  const { asked, keepingSides: kept } = pagesMoved(project, pageIds, to);
  const name = (count: number): StepName => ({ code: "movedPage", count });
  const keep = kept && {
    words: kept.count === pageIds.length ? book.keepSides.moveNear : book.keepSides.move,
    doIt: () => session.commit(name(kept.count), [kept.change], { byProgram: true }),
  };
  keepRow(services, session, name(pageIds.length), asked, keep);
}

/** Both pages of the open opening as one, or a spread as two again; tiles keep their places. */
export function joinPages(services: Deps, session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  keepRowEdit(services, session, { code: "madeSpread", count: 1 }, openingJoined(project, pageId));
}

export function splitSpread(services: Deps, session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  keepRowEdit(services, session, { code: "splitSpread", count: 1 }, spreadParted(project, pageId, services.newId));
}

function keepRowEdit(services: Deps, session: ProjectSession, name: StepName, edit: RowEdit | undefined): void {
  if (!edit) return;
  session.commit(name, [{ type: "replaceAll", pages: edit.pages }]);
  openThe(services, session, edit.open);
}

/** Marks on a page that are said of it alone: bare on purpose, without a number, to be left alone by pacing. */
export function markPage(session: ProjectSession, mark: Partial<Pick<Page, "blank" | "plain" | "paced">>): void {
  const page = openPage(session.state.getState());
  session.commit({ code: "markedPage", count: 1 }, [{ type: "setPages", items: [{ id: page.id, set: mark }] }]);
}

/** A page for each group: arranged by itself, or in the places of the page that is open. */
export function pageForEach(
  services: Deps,
  session: ProjectSession,
  groups: readonly (readonly Photo[])[],
  like: "fit" | "this",
): void {
  const now = session.state.getState();
  const tiles = Math.max(0, ...groups.map((g) => g.length));
  const trouble =
    tiles > mostTiles
      ? refused("tooManyTiles", { most: mostTiles, tiles })
      : now.project.pages.length + groups.length > mostPages
        ? refused("tooManyPages", { most: mostPages })
        : undefined;
  if (trouble) {
    notices.create({ title: changeTrouble(trouble, String), type: "error" });
    return;
  }
  const pages = pagesForEach(now.project, groups, { like, model: openPage(now), newId: services.newId });
  insert(services, session, { code: "addedPages", count: pages.length }, pages);
  services.viewState.setState({ photos: nothingChosen });
}

function keepDressed(session: ProjectSession, { changes, count, left }: Dressed): void {
  if (changes.length > 0) session.commit({ code: "dressedPages", count }, changes, { byProgram: true });
  if (left > 0) notices.create({ title: run.notDressed(left), type: "info" });
}

const openLook = (session: ProjectSession): Look => openPlaced(session.state.getState()).look;

/** Every page looks as the open one does; new pages will too. */
export const lookOnAll = (session: ProjectSession): void =>
  keepDressed(session, lookOnEvery(session.state.getState().project, openLook(session)));

/** These pages look as the open one does. */
export const lookOn = (session: ProjectSession, pages: readonly Page[]): void =>
  keepDressed(session, lookOnThese(session.state.getState().project, pages, openLook(session)));

/** The page that faces the open one looks as it does, sides mirrored. */
export function lookOnFacing(session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  const other = facingPage(project, pageId);
  if (!other) return;
  keepDressed(session, lookOnThese(project, [other], mirroredLook(openLook(session))));
  session.goTo(pageId);
}

/** The page that faces the open one made to go with it: gaps, dress and lines. */
export function matchFacing({ library }: Pick<Services, "library">, session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  const other = facingPage(project, pageId);
  if (!other) return;
  const model = openPlaced(session.state.getState());
  const shapeOf = aspectsIn({ library });
  const page = matchedTo(model, placed(project, other), (tileId) => shapeOf(photoIdOf(findTile(other, tileId)!) ?? ""));
  session.commit({ code: "matchedPages", count: 2 }, [{ type: "replacePage", page }]);
  session.goTo(pageId);
}

/** Page numbers on or off, with room for them at the foot. */
export function showNumbers(session: ProjectSession, shown: boolean): void {
  const { project } = session.state.getState();
  const { id } = openPage(session.state.getState());
  const changes = numbersShown(project, shown);
  if (changes.length > 0) session.commit({ code: "changedBook", count: 1 }, changes, { byProgram: true });
  session.goTo(id);
}
