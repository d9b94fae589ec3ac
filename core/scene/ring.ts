import { groupAt, type PlacedPage, type PlacedTile } from "#core/document";
import { combinedRings, flattened, offsetRings, pathOfRings, type Ring, ringArea, transformed } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { ownToPage } from "./soft.ts";
import type { DrawStep } from "./steps.ts";
import { ownLine } from "./tile-lines.ts";

/** What keeps tiles apart that only just touch. */
const closeMm = 0.05;
/** Tiles further apart than this are not one shape, whatever the gap. */
const mostGapMm = 20;

/**
 * Borders around several tiles as if they were one shape, by the last of these tiles: what lies between them up to the page's gap belongs to the
 * shape. Each lies outside of it, and so covers nothing that is in them.
 */
export function ringsAfter(page: PlacedPage): ReadonlyMap<PlacedTile, DrawStep> {
  const found = new Map<PlacedTile, DrawStep>();
  for (const id of new Set(page.tiles.flatMap((t) => t.tile.ring?.id ?? []))) {
    const tiles = page.tiles.filter((t) => t.tile.ring?.id === id && t.filling.kind !== "empty");
    const [last] = tiles.slice(-1);
    const { widthMm, colour, awayMm } = last?.tile.ring ?? { widthMm: 0, colour: "#000000", awayMm: 0 };
    if (!last || widthMm <= 0) continue;
    const gapMm = Math.min(mostGapMm, groupAt(page, last.id)?.gapMm ?? page.look.gapMm);
    const shape = asOne(tiles, page.format, gapMm);
    const path = [...pathOfRings(offset(shape, awayMm + widthMm)), ...pathOfRings(offset(shape, awayMm))];
    found.set(last, { draw: "fill", path, rule: "evenodd", colour });
  }
  return found;
}

const offset = (rings: readonly Ring[], byMm: number): readonly Ring[] =>
  byMm === 0 ? rings : offsetRings(rings, byMm, "mitre");

/** The tiles' outlines together, with the gaps between them closed. */
function asOne(tiles: readonly PlacedTile[], format: PageFormat, gapMm: number): readonly Ring[] {
  const outlines = tiles.map((t) =>
    flattened(transformed(ownLine(t, format, "bordered"), ownToPage(t))).map(clockwise),
  );
  const all = outlines.reduce<readonly Ring[]>((sum, rings) => combinedRings(sum, rings, "union"), []);
  const by = gapMm / 2 + closeMm;
  return offsetRings(offsetRings(all, by, "mitre"), -by, "mitre");
}

/** Outlines that overlap are one only where they run the same way round. */
const clockwise = (ring: Ring): Ring => (ringArea(ring) < 0 ? [...ring].reverse() : ring);
