import { emptyPlaces, holdsPockets } from "#core/document";
import type { PageRule } from "../facts.ts";
import { spot } from "../places.ts";

/** A place that was left open prints as a bare patch. Pockets may stay empty: something else goes in there. */
export const emptyTile: PageRule = ({ page }) =>
  holdsPockets(page.page)
    ? []
    : emptyPlaces(page).map((tile) => ({
        code: "emptyTile",
        severity: "wrong",
        spots: [spot(page, tile)],
        fixes: ["takeAway"],
      }));
