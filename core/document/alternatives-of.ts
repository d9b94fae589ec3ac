import { type Alternative, type AlternativesTask, alternatives, apart, judged } from "#core/arrange";
import type { PhotoShape } from "#core/fit";
import type { PageFormat } from "#core/lab";
import { cutsFace } from "./flow-photos.ts";
import { leadWeight } from "./lay-tree.ts";
import { type Page, photoIdOf } from "./page.ts";
import { refit } from "./solve-again.ts";
import { roomRect } from "./solve-page.ts";

/** How many really different ones are looked for. */
const wanted = 8;

/**
 * Other ways to arrange a page's own tiles, the best first. A tile keeps its photo; an empty one keeps the shape it has.
 */
export function alternativesOf(
  page: Page,
  format: PageFormat,
  framedOf: (photoId: string) => PhotoShape | undefined,
  seed: number,
): Alternative[] {
  const tree = page.arrangement?.kind === "tree" ? page.arrangement : undefined;
  const photos = page.tiles.map((tile) => framedOf(photoIdOf(tile) ?? ""));
  const leader = tree?.lead ? page.tiles.findIndex((t) => t.id === tree.lead!.tileId) : -1;
  const weight = (i: number) =>
    i === leader && page.tiles.length > 1 ? leadWeight(tree!.lead!.share, page.tiles.length) : 1;
  const task: AlternativesTask = {
    photos: page.tiles.map((tile, i) => ({
      tileId: tile.id,
      aspect: photos[i]?.aspect ?? tile.frame.width / tile.frame.height,
      weight: weight(i),
    })),
    room: roomRect(page.look, format),
    gap: page.look.gapMm,
    seed,
    order: tree?.order,
    together: tree?.together ?? [],
    ...(leader < 0 ? {} : { leader }),
    cutsFace: (i, tileAspect) => cutsFace(photos[i], tileAspect),
  };
  if (!page.tiles.some((t) => t.locked)) return alternatives(task, wanted);
  const aspectOf = (tileId: string) => task.photos.find((p) => p.tileId === tileId)?.aspect;
  const around = Array.from({ length: 2 * wanted }, (_, k) =>
    refit(page, format, { seed: seed + k, keepSet: false, aspectOf }),
  );
  const ways = around.flatMap(({ arrangement: a }) =>
    a?.kind === "tree" ? [judged(task, "exact", a.tree, false)] : [],
  );
  return apart(ways, task, wanted);
}
