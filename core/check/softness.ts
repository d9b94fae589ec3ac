import {
  alternativesOf,
  autoFramed,
  type Filling,
  findPlaced,
  groupAt,
  holdsPockets,
  isLocked,
  mapTiles,
  onGroup,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  withTree,
} from "#core/document";
import { sharpnessOf } from "#core/fit";
import { sharpnessOn } from "./placed-sharpness.ts";
import type { PageFacts } from "./rule.ts";

type Facts = Pick<PageFacts, "known" | "photo">;

/** Which tiles print visibly soft. */
function softOn(on: PlacedPage, facts: Facts): ReadonlySet<string> {
  const soft = sharpnessOn(on, facts).filter((s) => sharpnessOf(s.ppi, on.format) === "soft");
  return new Set(soft.map((s) => s.tileId));
}

/** Whether a change helps one photo and harms none. */
function helps(before: PlacedPage, after: PlacedPage, photoId: string, facts: Facts): boolean {
  const holds = (on: PlacedPage) => new Set([...softOn(on, facts)].map((id) => photoIdOf(findPlaced(on, id)!) ?? ""));
  const [was, is] = [holds(before), holds(after)];
  return !is.has(photoId) && [...is].every((id) => was.has(id));
}

/** The page with a soft photo and another one in each other's place, where both are sharp enough then. */
export function withSharperPlace(on: PlacedPage, tileId: string, facts: Facts): PlacedPage | undefined {
  const at = groupAt(on, tileId);
  const tile = at?.tiles.find((t) => t.id === tileId);
  const photoId = tile && photoIdOf(tile);
  if (!at || !tile || photoId === undefined || isLocked(tile.tile) || holdsPockets(on.page)) return undefined;
  const holding = (id: string): Filling => ({ kind: "photo", view: autoFramed(id) });
  const swaps = at.tiles.flatMap((other): { readonly page: PlacedPage; readonly off: number }[] => {
    const otherId = photoIdOf(other);
    if (other === tile || otherId === undefined || isLocked(other.tile) || otherId === photoId) return [];
    const page = mapTiles(on.page, (t) =>
      t.id === tile.id
        ? { ...t, filling: holding(otherId) }
        : t.id === other.id
          ? { ...t, filling: holding(photoId) }
          : t,
    );
    const shape = (t: typeof tile) => t.frame.width / t.frame.height;
    return [{ page: placeAgain(on, page), off: Math.abs(Math.log(shape(tile) / shape(other))) }];
  });
  // The likeliest place is the one most like its own, since the least is cut off there.
  return swaps.sort((a, b) => a.off - b.off).find((s) => helps(on, s.page, photoId, facts))?.page;
}

const ways = new WeakMap<PlacedPage, readonly PlacedPage[]>();

/** The page arranged in another way in which a soft photo is small enough to be sharp, and no other becomes soft. */
export function withSmallerTile(on: PlacedPage, tileId: string, facts: Facts): PlacedPage | undefined {
  const at = groupAt(on, tileId);
  const tile = at?.tiles.find((t) => t.id === tileId);
  const photoId = tile && photoIdOf(tile);
  if (!at || !tile || photoId === undefined || isLocked(tile.tile) || at.tiles.length < 2 || holdsPockets(on.page))
    return undefined;
  const known =
    ways.get(on) ??
    alternativesOf(at, (id) => facts.photo(id), 1).map((way) =>
      placeAgain(
        on,
        onGroup(on, at, ({ group }) => withTree(group, way.tree)),
      ),
    );
  ways.set(on, known);
  return known.find((other) => helps(on, other, photoId, facts));
}
