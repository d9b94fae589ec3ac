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
import { type AspectOf, seedOf } from "./tree-edits.ts";

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

/** What arranging pages anew needs. */
interface Deps {
  readonly aspectOf: AspectOf;
  readonly newId: () => string;
}

/** A page arranged anew with just these photos, as far as they are known. */
function withPhotos(project: Project, page: Page, ids: readonly string[], { aspectOf, newId }: Deps): Change {
  const photos = ids.flatMap((id) => {
    const aspect = aspectOf(id);
    return aspect === undefined ? [] : [{ id, aspect }];
  });
  const laid = layTree(placed(project, page), { photos, seed: seedOf(page), newId });
  return { type: "replacePage", page: laid.ok ? laid.value.page : page };
}

/** Changes, and how many photos they are about. */
export interface PhotosMoved {
  readonly count: number;
  readonly changes: readonly Change[];
}

/** The last photos of a page to the next, or (`by` above 0) the first of the next to it; both are arranged again. */
export function breakMoved(
  project: Project,
  [leftId, rightId]: readonly [string, string],
  by: number,
  deps: Deps,
): PhotosMoved | undefined {
  const [left, right] = [findPage(project, leftId), findPage(project, rightId)];
  if (!left || !right || !breakable(left, right)) return undefined;
  const [least, most] = breakRange(left, right);
  const steps = Math.max(least, Math.min(most, by));
  if (steps === 0) return undefined;
  const all = [...photoIdsOn(left), ...photoIdsOn(right)];
  const at = photoIdsOn(left).length + steps;
  const changes = [withPhotos(project, left, all.slice(0, at), deps), withPhotos(project, right, all.slice(at), deps)];
  return { count: Math.abs(steps), changes };
}

/** Photos taken off one page and put among those of another; both are arranged again. */
export function photosMoved(
  project: Project,
  fromId: string,
  tileIds: readonly string[],
  toId: string,
  deps: Deps,
): PhotosMoved | undefined {
  const [from, to] = [findPage(project, fromId), findPage(project, toId)];
  if (!from || !to || from === to) return undefined;
  const goes = new Set(tileIds);
  const photosIn = (going: boolean) =>
    arrangedTiles(from).flatMap((t) => (goes.has(t.id) === going ? (photoIdOf(t) ?? []) : []));
  const moved = photosIn(true);
  if (moved.length === 0) return undefined;
  const changes = [
    withPhotos(project, from, photosIn(false), deps),
    withPhotos(project, { ...to, blank: false }, [...photoIdsOn(to), ...moved], deps),
  ];
  return { count: moved.length, changes };
}
