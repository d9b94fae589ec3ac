import { mapLeaves } from "#core/arrange";
import { allTiles, type Page } from "./page.ts";

/** The same page once more, as things of its own. */
export function copyPage(page: Page, newId: () => string): Page {
  const renamed = new Map(allTiles(page).map((t) => [t.id, newId()]));
  const idOf = (was: string) => renamed.get(was) ?? was;
  const leaf = <L extends { readonly tileId: string }>(l: L): L => ({ ...l, tileId: idOf(l.tileId) });
  const { arrangement: a } = page;
  return {
    ...page,
    id: newId(),
    paced: false,
    over: page.over.map((t) => ({ ...t, id: idOf(t.id) })),
    tiles: page.tiles.map((t) => ({ ...t, id: idOf(t.id) })),
    arrangement:
      a?.kind === "grid"
        ? { ...a, cells: a.cells.map(leaf) }
        : a?.kind === "pockets"
          ? { ...a, places: a.places.map(leaf) }
          : a && {
              ...a,
              tree: mapLeaves(a.tree, leaf),
              first: mapLeaves(a.first, leaf),
              lead: a.lead && leaf(a.lead),
              together: a.together.map((group) => group.map(idOf)),
            },
  };
}
