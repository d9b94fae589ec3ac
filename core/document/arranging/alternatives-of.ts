import { type Alternative, type AlternativesTask, alternatives, apart, judged } from "#core/arrange";
import type { PhotoShape } from "#core/fit";
import { isLocked, photoIdOf, treeIn } from "../page/page.ts";
import type { PlacedGroup } from "../page/place-page.ts";
import { cutsFace } from "./flow-photos.ts";
import { equalSetsIn, leadWeight } from "./lay-tree.ts";
import { refit } from "./solve-again.ts";

/** How many really different ones are looked for. */
const wanted = 8;

/**
 * Other ways to arrange a group's own tiles, the best first. A tile keeps its photo; an empty one keeps the shape it has.
 */
export function alternativesOf(
  at: PlacedGroup,
  framedOf: (photoId: string) => PhotoShape | undefined,
  seed: number,
): Alternative[] {
  const { group, room, gapMm } = at;
  const tree = treeIn(group);
  const tiles = at.tiles;
  const photos = tiles.map((tile) => framedOf(photoIdOf(tile) ?? ""));
  const leader = tree?.lead ? tiles.findIndex((t) => t.id === tree.lead!.tileId) : -1;
  const weight = (i: number) => (i === leader && tiles.length > 1 ? leadWeight(tree!.lead!.share, tiles.length) : 1);
  const equal = equalSetsIn(group);
  const task: AlternativesTask = {
    photos: tiles.map((tile, i) => ({
      tileId: tile.id,
      aspect: photos[i]?.aspect ?? tile.frame.width / tile.frame.height,
      weight: weight(i),
      equal: equal.get(tile.id),
    })),
    room,
    gap: gapMm,
    seed,
    order: tree?.order,
    together: tree?.together ?? [],
    ...(leader < 0 ? {} : { leader }),
    cutsFace: (i, tileAspect) => cutsFace(photos[i], tileAspect),
  };
  if (!group.tiles.some(isLocked)) return alternatives(task, wanted);
  const aspectOf = (tileId: string) => task.photos.find((p) => p.tileId === tileId)?.aspect;
  const around = Array.from({ length: 2 * wanted }, (_, k) => refit(at, { seed: seed + k, keepSet: false, aspectOf }));
  const ways = around.flatMap((g) => {
    const a = treeIn(g);
    return a ? [judged(task, "exact", a.tree, false)] : [];
  });
  return apart(ways, task, wanted);
}
