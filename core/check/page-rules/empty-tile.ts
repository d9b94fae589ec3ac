import { emptyPlaces, findTile, holdsPockets, removeTiles } from "#core/document";
import { spot } from "../places.ts";
import type { PageRule } from "../rule.ts";

/** A place that was left open prints as a bare patch. Pockets may stay empty: something else goes in there. */
export const emptyTile: PageRule<{ readonly code: "emptyTile" }, "takeAway"> = {
  looksAt: "page",
  find: ({ page }) =>
    holdsPockets(page.page)
      ? []
      : emptyPlaces(page).map((tile) => ({
          code: "emptyTile",
          severity: "wrong",
          spots: [spot(page, tile)],
          fixes: ["takeAway"],
        })),
  fixes: {
    takeAway: ({ on, spot }) => {
      // Asked for twice, the second time there is nothing to take away.
      const there = spot.tileIds.filter((id) => findTile(on.page, id));
      return there.length === 0 ? [] : [{ type: "replacePage", page: removeTiles(on, there) }];
    },
  },
};
