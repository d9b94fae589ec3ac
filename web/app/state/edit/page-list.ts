import {
  arrangedTiles,
  barePage,
  type Change,
  copyPage,
  findTile,
  firstOnRight,
  flowPhotos,
  frontAndBack,
  holdsAnything,
  holdsPockets,
  joined,
  type Look,
  layTree,
  matchedTo,
  mostPages,
  mostTiles,
  openingOf,
  openingsOf,
  type Page,
  type Project,
  pagesBefore,
  pagesOf,
  parted,
  photoIdOf,
  placed,
  placePage,
  type RowChange,
  rowAfter,
  type StepName,
  saidBy,
  sidesKept,
} from "#core/document";
import { type Dressed, lookOnEvery, lookOnThese, mirroredLook, numbersShown } from "#core/edit";
import { type Photo, photoShape } from "#core/photo";
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

const insertAt = (pages: readonly Page[], at: number): RowChange => ({
  type: "insertPages",
  pages: pages.map((page, i) => ({ page, at: at + i })),
});

/** False where a person is asked first. */
function insert(services: Deps, session: ProjectSession, name: StepName, pages: readonly Page[], at?: number): boolean {
  const { project } = session.state.getState();
  const open = placeOf(session, openPage(session.state.getState()).id);
  // Behind the cover means at the end: in front of all others they would turn over.
  const place = at ?? (open < 0 ? project.pages.length : open + 1);
  const done = keepRow(services, session, name, insertAt(pages, place));
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
  const own = placeOf(session, open.id);
  const end = now.project.pages.length;
  const at = own < 0 || where === "end" ? end : where === "before" ? own : own + 1;
  const bare = (n: number) => Array.from({ length: n }, () => barePage(services.newId));
  const some = bare(count);
  const more = bare(count + 1);
  const add = (pages: readonly Page[]) => {
    session.commit({ code: "addedPages", count: pages.length }, [insertAt(pages, at)]);
    openThe(services, session, pages[0]);
  };
  const keep = { words: book.keepSides.add(more.length), doIt: () => add(more) };
  if (keepRow(services, session, { code: "addedPages", count }, insertAt(some, at), keep))
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
    const puts = project.pages.flatMap((p): Change[] => {
      if (!pageIds.includes(p.id)) return [];
      const page: Page = { ...barePage(() => p.id, p.span, saidBy(p)), blank: true };
      return [{ type: "replacePage", page }];
    });
    session.commit({ code: "removedPages", count: puts.length }, puts);
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
  if (project.kind === "pockets") {
    moveLeaves(session, project, pageIds, to);
    return;
  }
  const move = (ids: readonly string[], at: number): RowChange => ({ type: "movePages", pageIds: ids, to: at });
  const openings = project.kind === "book" ? openingsOf(project.pages, firstOnRight(project)) : [];
  const whole = openings
    .filter((o) => pagesOf(o).some((p) => pageIds.includes(p.id)))
    .flatMap((o) => pagesOf(o).map((p) => p.id));
  const rest = project.pages.filter((p) => !whole.includes(p.id));
  const target = project.pages.filter((p) => !pageIds.includes(p.id))[to];
  const opening = target && openings.find((o) => pagesOf(o).includes(target));
  const first = opening && pagesOf(opening).find((p) => !whole.includes(p.id));
  const wanted = first ? rest.indexOf(first) : rest.length;
  // Before the leaf alone that a book begins with, or behind the one that it ends with, even a whole opening would turn over.
  const kept = [wanted, wanted + 1, wanted - 1].find((at) => {
    if (at < 0 || at > rest.length) return false;
    const row = rowAfter(project, move(whole, at));
    return row.ok && sidesKept(project, row.value) && row.value.some((p, i) => p !== project.pages[i]);
  });
  const name: StepName = { code: "movedPage", count: pageIds.length };
  keepRow(
    services,
    session,
    name,
    move(pageIds, to),
    kept === undefined
      ? undefined
      : {
          words: whole.length === pageIds.length ? book.keepSides.moveNear : book.keepSides.move,
          doIt: () =>
            session.commit({ code: "movedPage", count: whole.length }, [move(whole, kept)], { byProgram: true }),
        },
  );
}

/** Of pockets whole leaves move: to where the leaf of the `to`-th page stands. */
function moveLeaves(session: ProjectSession, project: Project, pageIds: readonly string[], to: number): void {
  const ids = project.pages.flatMap((p) =>
    frontAndBack(project, p.id).some((m) => pageIds.includes(m.id)) ? [p.id] : [],
  );
  const rest = project.pages.filter((p) => !ids.includes(p.id));
  const at = Math.min(rest.length, 2 * Math.ceil(to / 2));
  session.commit({ code: "movedPage", count: ids.length }, [{ type: "movePages", pageIds: ids, to: at }], {
    byProgram: true,
  });
}

/** Both pages of the open opening as one, or a spread as two again; tiles keep their places. */
export function joinPages(services: Deps, session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  const opening = openingOf(project, pageId);
  if (!opening?.left || !opening.right) return;
  const page = joined(project, opening.left, opening.right);
  const at = project.pages.indexOf(opening.left);
  const pages = project.pages.toSpliced(at, 2, page);
  session.commit({ code: "madeSpread", count: 1 }, [{ type: "replaceAll", pages }]);
  openThe(services, session, page);
}

export function splitSpread(services: Deps, session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  const spread = project.pages.find((p) => p.id === pageId);
  if (spread?.span !== 2) return;
  const [left, right] = parted(project, spread, services.newId);
  const pages = project.pages.toSpliced(project.pages.indexOf(spread), 1, left, right);
  session.commit({ code: "splitSpread", count: 1 }, [{ type: "replaceAll", pages }]);
  openThe(services, session, left);
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
  const open = openPage(now);
  const { format, style } = now.project;
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
  const pages = groups.map((group) => {
    if (like === "this" && arrangedTiles(open).length > 0) {
      const photos = group.map((p) => ({ id: p.id, ...photoShape(p) }));
      const copy = placePage(copyPage(open, services.newId), format, style);
      return flowPhotos(copy, { photos, newId: services.newId }).page;
    }
    const bare = barePage(services.newId, 1, saidBy(open));
    const photos = group.map((p) => ({ id: p.id, aspect: photoShape(p).aspect }));
    const laid = layTree(placePage(bare, format, style), { photos, seed: 0, newId: services.newId });
    return laid.ok ? laid.value.page : bare;
  });
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

/** The pages that one of these numbers is printed on. */
export function pagesNumbered(session: ProjectSession, numbers: ReadonlySet<number>): readonly Page[] {
  const { pages } = session.state.getState().project;
  const before = pagesBefore(pages);
  return pages.filter((p, i) =>
    Array.from({ length: p.span }, (_, k) => before[i]! + k + 1).some((n) => numbers.has(n)),
  );
}

/** These pages look as the open one does. */
export const lookOn = (session: ProjectSession, pages: readonly Page[]): void =>
  keepDressed(session, lookOnThese(session.state.getState().project, pages, openLook(session)));

/** The page that faces the open one looks as it does, sides mirrored. */
export function lookOnFacing(session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  const opening = openingOf(project, pageId);
  const other = opening && pagesOf(opening).find((p) => p.id !== pageId);
  if (!other) return;
  keepDressed(session, lookOnThese(project, [other], mirroredLook(openLook(session))));
  session.goTo(pageId);
}

/** The page that faces the open one made to go with it: gaps, dress and lines. */
export function matchFacing({ library }: Pick<Services, "library">, session: ProjectSession): void {
  const { project, pageId } = session.state.getState();
  const opening = openingOf(project, pageId);
  const other = opening && pagesOf(opening).find((p) => p.id !== pageId);
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
