import { allTiles, type Change, type Page, type Tile } from "#core/document";

export type Ring = NonNullable<Tile["ring"]>;

/** Tiles with a border around them as one; `undefined` takes it away. Those that had it with them before, and are not among them, go without. */
export function ringChange(page: Page, tileIds: readonly string[], ring: Ring | undefined): Change {
  const these = new Set(tileIds);
  return {
    type: "setTiles",
    pageId: page.id,
    items: allTiles(page).flatMap((t) => {
      if (these.has(t.id)) return [ring ? { id: t.id, set: { ring } } : { id: t.id, unset: ["ring" as const] }];
      return ring && t.ring?.id === ring.id ? [{ id: t.id, unset: ["ring" as const] }] : [];
    }),
  };
}

/** All tiles within the same border as any of these, or these themselves where none has one. */
export function ringedWith(page: Page, tileIds: readonly string[]): readonly string[] {
  const ids = new Set(allTiles(page).flatMap((t) => (tileIds.includes(t.id) && t.ring ? [t.ring.id] : [])));
  if (ids.size === 0) return tileIds;
  return allTiles(page).flatMap((t) => (tileIds.includes(t.id) || (t.ring && ids.has(t.ring.id)) ? [t.id] : []));
}
