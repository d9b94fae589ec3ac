import { mapLeaves } from "#core/arrange";
import type { Look, Page } from "./page.ts";

export const barePage = (look: Look, newId: () => string): Page => ({
  id: newId(),
  look,
  tiles: [],
  arrangement: null,
});

/** The same page once more, as things of its own. */
export function copyPage(page: Page, newId: () => string): Page {
  const renamed = new Map(page.tiles.map((t) => [t.id, newId()]));
  const idOf = (was: string) => renamed.get(was) ?? was;
  const leaf = <L extends { readonly tileId: string }>(l: L): L => ({ ...l, tileId: idOf(l.tileId) });
  const { arrangement: a } = page;
  return {
    ...page,
    id: newId(),
    tiles: page.tiles.map((t) => ({ ...t, id: idOf(t.id) })),
    arrangement:
      a?.kind === "grid"
        ? { ...a, cells: a.cells.map(leaf) }
        : a && {
            ...a,
            tree: mapLeaves(a.tree, leaf),
            first: mapLeaves(a.first, leaf),
            lead: a.lead && leaf(a.lead),
            together: a.together.map((group) => group.map(idOf)),
          },
  };
}
