import {
  arrangedTiles,
  type Change,
  findPage,
  isLocked,
  layTree,
  type Page,
  type Project,
  photoIdOf,
  placed,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { seedOf } from "./tree-gestures.ts";

/** Photos of a page in the order in which they are read. */
export const photoIdsOn = (page: Page): string[] => arrangedTiles(page).flatMap((t) => photoIdOf(t) ?? []);

/** Between these two a break may be moved: both have photos, and nothing else that a new arrangement would lose. */
export function breakable(left: Page | undefined, right: Page | undefined): boolean {
  const free = (p: Page | undefined) =>
    p !== undefined &&
    !p.blank &&
    arrangedTiles(p).length > 0 &&
    arrangedTiles(p).every((t) => t.filling.kind === "photo" && !isLocked(t));
  return free(left) && free(right);
}

/** How far the break can go: at least one photo stays on each page. */
export const breakRange = (left: Page, right: Page): readonly [least: number, most: number] => [
  1 - photoIdsOn(left).length,
  photoIdsOn(right).length - 1,
];

function withPhotos(
  project: Project,
  page: Page,
  ids: readonly string[],
  byId: ReadonlyMap<string, Photo>,
  newId: () => string,
): Page {
  const photos = ids.flatMap((id) => {
    const photo = byId.get(id);
    return photo ? [{ id, aspect: aspectOf(photo) }] : [];
  });
  const laid = layTree(placed(project, page), { photos, seed: seedOf(page), newId });
  return laid.ok ? laid.value.page : page;
}

/** The last photos of a page to the next, or (`by` above 0) the first of the next to it; both are arranged again. */
export function moveBreak(
  services: Pick<Services, "library" | "newId">,
  session: ProjectSession,
  leftId: string,
  rightId: string,
  by: number,
): void {
  const { project } = session.state.getState();
  const [left, right] = [findPage(project, leftId), findPage(project, rightId)];
  if (!left || !right || !breakable(left, right)) return;
  const [least, most] = breakRange(left, right);
  const steps = Math.max(least, Math.min(most, by));
  if (steps === 0) return;
  const all = [...photoIdsOn(left), ...photoIdsOn(right)];
  const at = photoIdsOn(left).length + steps;
  const { byId } = services.library.state.getState();
  const put = (page: Page, ids: readonly string[]): Change => ({
    type: "replacePage",
    page: withPhotos(project, page, ids, byId, services.newId),
  });
  session.commit(
    { code: "movedBreak", count: Math.abs(steps) },
    [put(left, all.slice(0, at)), put(right, all.slice(at))],
    { byProgram: true },
  );
}

/** Photos taken off one page and put among those of another; both are arranged again. */
export function movePhotosTo(
  services: Pick<Services, "library" | "newId">,
  session: ProjectSession,
  tileIds: readonly string[],
  toPageId: string,
): void {
  const { project, pageId } = session.state.getState();
  const [from, to] = [findPage(project, pageId), findPage(project, toPageId)];
  if (!from || !to || from === to) return;
  const { byId } = services.library.state.getState();
  const goes = new Set(tileIds);
  const moved = arrangedTiles(from)
    .filter((t) => goes.has(t.id))
    .flatMap((t) => photoIdOf(t) ?? []);
  if (moved.length === 0) return;
  const stays = arrangedTiles(from).flatMap((t) => (goes.has(t.id) ? [] : (photoIdOf(t) ?? [])));
  session.commit({ code: "movedTiles", count: moved.length }, [
    { type: "replacePage", page: withPhotos(project, from, stays, byId, services.newId) },
    {
      type: "replacePage",
      page: withPhotos(project, { ...to, blank: false }, [...photoIdsOn(to), ...moved], byId, services.newId),
    },
  ]);
}
