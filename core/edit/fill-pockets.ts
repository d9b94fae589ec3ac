import {
  type Change,
  emptyPlaces,
  type Filling,
  fillEmpty,
  findPage,
  holdsPockets,
  mapTiles,
  mostPages,
  type Page,
  type Project,
  placed,
  pocketLeaf,
} from "#core/document";
import { type Photo, photoShape } from "#core/photo";
import { clearanceOf, frontPattern } from "./pocket-leaves.ts";

export interface PocketsFilled {
  readonly changes: readonly Change[];
  /** Photos that found a pocket. */
  readonly photos: number;
  /** Pages that took some, new ones among them. */
  readonly pages: number;
  /** Leaves that were not there before. */
  readonly leaves: number;
}

/**
 * Photos into the empty pockets of a page, then into those of the pages behind it, backs among them, then into new leaves with the same
 * pockets at the end. Each page takes the next ones in their order, each where it suits.
 */
export function pocketsFilled(
  project: Project,
  pageId: string,
  photos: readonly Photo[],
  newId: () => string,
): PocketsFilled {
  const from = findPage(project, pageId);
  const pattern = from && frontPattern(project, from);
  const changes: Change[] = [];
  let [now, rest, pages, leaves] = [project, photos, 0, 0];
  const take = (page: Page): ReadonlyMap<string, Filling> => {
    const on = placed(now, page);
    const next = rest.slice(0, emptyPlaces(on).length);
    const { fillings } = fillEmpty(
      on,
      next.map((p) => ({ id: p.id, ...photoShape(p) })),
    );
    rest = rest.slice(next.length);
    if (fillings.length > 0) pages += 1;
    return new Map(fillings.map((f) => [f.tileId, f.filling]));
  };
  const start = project.pages.findIndex((p) => p.id === pageId);
  for (const page of start < 0 ? [] : project.pages.slice(start)) {
    if (rest.length === 0) break;
    if (!holdsPockets(page)) continue;
    const items = [...take(page)].map(([id, filling]) => ({ id, set: { filling } }));
    if (items.length > 0) changes.push({ type: "setTiles", pageId: page.id, items });
  }
  while (pattern && pattern.pockets.length > 0 && rest.length > 0 && now.pages.length + 2 <= mostPages) {
    const leaf = pocketLeaf(pattern, clearanceOf(project), newId);
    const at = now.pages.length;
    now = { ...now, pages: [...now.pages, ...leaf] };
    const filled = leaf.map((page) => {
      const taken = take(page);
      return mapTiles(page, (t) => ({ ...t, filling: taken.get(t.id) ?? t.filling }));
    });
    changes.push({ type: "insertPages", pages: filled.map((page, i) => ({ page, at: at + i })) });
    leaves += 1;
  }
  return { changes, photos: photos.length - rest.length, pages, leaves };
}
