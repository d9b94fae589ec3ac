import {
  arrangedTiles,
  barePage,
  type Change,
  copyPage,
  firstOnRight,
  flowPhotos,
  frontAndBack,
  joined,
  layTree,
  type Opening,
  openingOf,
  openingsOf,
  type Page,
  type Project,
  pagesBefore,
  pagesOf,
  parted,
  placePage,
  type RowChange,
  rowAfter,
  saidBy,
  sidesKept,
} from "#core/document";
import { type Photo, photoShape } from "#core/photo";

/** Pages put in one after the other, from the `at`-th place on. */
export const pagesPutIn = (pages: readonly Page[], at: number): RowChange => ({
  type: "insertPages",
  pages: pages.map((page, i) => ({ page, at: at + i })),
});

/** Where new pages come; behind the cover means at the end, since in front of all others they would turn over. */
export function placeForNew(project: Project, openId: string, where: "before" | "after" | "end"): number {
  const own = project.pages.findIndex((p) => p.id === openId);
  return own < 0 || where === "end" ? project.pages.length : where === "before" ? own : own + 1;
}

/** The pages of the project, emptied where they stand instead of being taken out. */
export const pagesEmptied = (project: Project, pageIds: readonly string[]): Change[] =>
  project.pages.flatMap((p) =>
    pageIds.includes(p.id)
      ? [{ type: "replacePage", page: { ...barePage(() => p.id, p.span, saidBy(p)), blank: true } }]
      : [],
  );

/** A move as it was asked for, and in a book the nearest one that leaves every page on its side. */
export interface PagesMoved {
  readonly asked: RowChange;
  readonly keepingSides: { readonly change: RowChange; readonly count: number } | undefined;
}

/** Pages put where the `to`-th now stands, counted without them; of pockets whole leaves. */
export function pagesMoved(project: Project, pageIds: readonly string[], to: number): PagesMoved {
  const move = (ids: readonly string[], at: number): RowChange => ({ type: "movePages", pageIds: ids, to: at });
  if (project.kind === "pockets") return { asked: leavesMoved(project, pageIds, to), keepingSides: undefined };
  const openings = project.kind === "book" ? openingsOf(project.pages, firstOnRight(project)) : [];
  const idsOf = (o: Opening) => pagesOf(o).map((p) => p.id);
  const whole = openings.map(idsOf).flatMap((ids) => (ids.some((id) => pageIds.includes(id)) ? ids : []));
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
  return {
    asked: move(pageIds, to),
    keepingSides: kept === undefined ? undefined : { change: move(whole, kept), count: whole.length },
  };
}

/** Whole leaves moved to where the leaf of the `to`-th page stands. */
function leavesMoved(project: Project, pageIds: readonly string[], to: number): RowChange {
  const ids = project.pages.flatMap((p) =>
    frontAndBack(project, p.id).some((m) => pageIds.includes(m.id)) ? [p.id] : [],
  );
  const left = project.pages.length - ids.length;
  return { type: "movePages", pageIds: ids, to: Math.min(left, 2 * Math.ceil(to / 2)) };
}

/** What the row is after an edit, and the page to open then. */
export interface RowEdit {
  readonly pages: readonly Page[];
  readonly open: Page;
}

/** Both pages of an opening as one spread; tiles keep their places. */
export function openingJoined(project: Project, pageId: string): RowEdit | undefined {
  const opening = openingOf(project, pageId);
  if (!opening?.left || !opening.right) return undefined;
  const open = joined(project, opening.left, opening.right);
  return { pages: project.pages.toSpliced(project.pages.indexOf(opening.left), 2, open), open };
}

/** A spread as two pages again. */
export function spreadParted(project: Project, pageId: string, newId: () => string): RowEdit | undefined {
  const spread = project.pages.find((p) => p.id === pageId);
  if (spread?.span !== 2) return undefined;
  const [left, right] = parted(project, spread, newId);
  return { pages: project.pages.toSpliced(project.pages.indexOf(spread), 1, left, right), open: left };
}

/** A page for each group of photos: arranged by itself, or in the places of a page. */
export function pagesForEach(
  { format, style }: Project,
  groups: readonly (readonly Photo[])[],
  { like, model, newId }: { readonly like: "fit" | "this"; readonly model: Page; readonly newId: () => string },
): readonly Page[] {
  return groups.map((group) => {
    const photos = group.map((p) => ({ id: p.id, ...photoShape(p) }));
    if (like === "this" && arrangedTiles(model).length > 0)
      return flowPhotos(placePage(copyPage(model, newId), format, style), { photos, newId }).page;
    const bare = barePage(newId, 1, saidBy(model));
    const laid = layTree(placePage(bare, format, style), { photos, seed: 0, newId });
    return laid.ok ? laid.value.page : bare;
  });
}

/** The pages that one of these numbers is printed on. */
export function pagesNumbered({ pages }: Project, numbers: ReadonlySet<number>): readonly Page[] {
  const before = pagesBefore(pages);
  return pages.filter((p, i) =>
    Array.from({ length: p.span }, (_, k) => before[i]! + k + 1).some((n) => numbers.has(n)),
  );
}

/** The page that faces another. */
export function facingPage(project: Project, pageId: string): Page | undefined {
  const opening = openingOf(project, pageId);
  return opening && pagesOf(opening).find((p) => p.id !== pageId);
}
