import { alternativesOf, autoFramed, type Filling, findTile, type Page, photoIdOf, withTree } from "#core/document";
import { sharpnessOf } from "#core/fit";
import type { PageFormat } from "#core/lab";
import type { PageFacts } from "./facts.ts";
import { sharpnessOn } from "./placed-sharpness.ts";

type Facts = Pick<PageFacts, "known" | "photo">;

/** Which tiles print visibly soft. */
function softOn(page: Page, format: PageFormat, facts: Facts): ReadonlySet<string> {
  const soft = sharpnessOn(page, format, facts).filter((s) => sharpnessOf(s.ppi, format) === "soft");
  return new Set(soft.map((s) => s.tileId));
}

/** Whether a change helps one photo and harms none. */
function helps(before: Page, after: Page, photoId: string, format: PageFormat, facts: Facts): boolean {
  const holds = (page: Page, ids: ReadonlySet<string>) =>
    new Set([...ids].map((id) => photoIdOf(findTile(page, id)!) ?? ""));
  const [was, is] = [holds(before, softOn(before, format, facts)), holds(after, softOn(after, format, facts))];
  return !is.has(photoId) && [...is].every((id) => was.has(id));
}

/** The page with a soft photo and another one in each other's place, where both are sharp enough then. */
export function withSharperPlace(page: Page, format: PageFormat, tileId: string, facts: Facts): Page | undefined {
  const tile = page.tiles.find((t) => t.id === tileId);
  const photoId = tile && photoIdOf(tile);
  if (!tile || photoId === undefined || tile.locked || page.arrangement?.kind === "pockets") return undefined;
  const holding = (id: string): Filling => ({ kind: "photo", view: autoFramed(id) });
  const swaps = page.tiles.flatMap((other): { readonly page: Page; readonly off: number }[] => {
    const otherId = photoIdOf(other);
    if (other === tile || otherId === undefined || other.locked || otherId === photoId) return [];
    const tiles = page.tiles.map((t) =>
      t === tile ? { ...t, filling: holding(otherId) } : t === other ? { ...t, filling: holding(photoId) } : t,
    );
    const shape = (t: typeof tile) => t.frame.width / t.frame.height;
    return [{ page: { ...page, tiles }, off: Math.abs(Math.log(shape(tile) / shape(other))) }];
  });
  // The likeliest place is the one most like its own, since the least is cut off there.
  return swaps.sort((a, b) => a.off - b.off).find((s) => helps(page, s.page, photoId, format, facts))?.page;
}

const ways = new WeakMap<Page, readonly Page[]>();

/** The page arranged in another way in which a soft photo is small enough to be sharp, and no other becomes soft. */
export function withSmallerTile(page: Page, format: PageFormat, tileId: string, facts: Facts): Page | undefined {
  const tile = page.tiles.find((t) => t.id === tileId);
  const photoId = tile && photoIdOf(tile);
  if (photoId === undefined || tile?.locked || page.tiles.length < 2 || page.arrangement?.kind === "pockets")
    return undefined;
  const known =
    ways.get(page) ??
    alternativesOf(page, format, (id) => facts.photo(id), 1).map((way) => withTree(page, format, way.tree));
  ways.set(page, known);
  return known.find((other) => helps(page, other, photoId, format, facts));
}
