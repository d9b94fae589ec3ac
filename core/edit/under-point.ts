import { liesOn, type PlacedPage } from "#core/document";
import type { Point } from "#core/geometry";

/** Every tile that lies under a point of the page, what covers the others first. `at` in mm. */
export const tilesUnder = (on: PlacedPage, at: Point): readonly string[] =>
  on.tiles.toReversed().flatMap((t) => (liesOn(t, at) ? [t.id] : []));
