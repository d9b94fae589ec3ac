import { type FreeTile, freeTiles, mapTiles, type Page } from "#core/document";

/** Tiles that lie freely and are tied together: chosen, moved, sized and turned as one. */

/** Tied to each other, and to nothing else that they were tied to before. */
export function tied(page: Page, tileIds: readonly string[], newId: () => string): Page {
  const ids = new Set(tileIds);
  if (freeTiles(page).filter((t) => ids.has(t.id)).length < 2) return page;
  const tieId = newId();
  return mapTiles(page, (t) => ("frame" in t && ids.has(t.id) ? { ...t, tieId } : t));
}

/** Every tie of these tiles undone, for those too that are tied to them. */
export function untied(page: Page, tileIds: readonly string[]): Page {
  const ids = withTied(page, tileIds);
  return mapTiles(page, (t) => {
    if (!ids.has(t.id) || !("tieId" in t)) return t;
    const { tieId: _, ...own } = t;
    return own as typeof t;
  });
}

/** These tiles, and all that are tied to any of them. */
export function withTied(page: Page, tileIds: Iterable<string>): ReadonlySet<string> {
  const ids = new Set(tileIds);
  const all = freeTiles(page);
  const ties = new Set(all.flatMap((t) => (ids.has(t.id) && t.tieId !== undefined ? [t.tieId] : [])));
  if (ties.size > 0) for (const t of all) if (t.tieId !== undefined && ties.has(t.tieId)) ids.add(t.id);
  return ids;
}

/** Whether they are all tied to each other. */
export function areTied(page: Page, tileIds: readonly string[]): boolean {
  const all = new Map(freeTiles(page).map((t) => [t.id, t.tieId]));
  const [first] = tileIds;
  const tie = first === undefined ? undefined : all.get(first);
  return tie !== undefined && tileIds.every((id) => all.get(id) === tie);
}

/**
 * What is chosen after a click on a tile, where choosing tile by tile would have chosen `next`: all that are tied to it with it, or it alone where they
 * all were chosen already.
 */
export function chosenTied(
  page: Page,
  clicked: string,
  before: ReadonlySet<string>,
  next: ReadonlySet<string>,
): ReadonlySet<string> {
  const mates = withTied(page, [clicked]);
  if (mates.size < 2) return next;
  if (next.size === 1 && next.has(clicked)) {
    const again = before.size === mates.size && [...mates].every((id) => before.has(id));
    return again ? next : mates;
  }
  return next.has(clicked) ? new Set([...next, ...mates]) : new Set([...next].filter((id) => !mates.has(id)));
}

/** Copies are tied to each other as what they were copied from is, and not to that. */
export function tiedAnew(tiles: readonly FreeTile[], newId: () => string): readonly FreeTile[] {
  const ids = new Map<string, string>();
  return tiles.map((t) => {
    if (t.tieId === undefined) return t;
    const tieId = ids.get(t.tieId) ?? newId();
    ids.set(t.tieId, tieId);
    return { ...t, tieId };
  });
}
