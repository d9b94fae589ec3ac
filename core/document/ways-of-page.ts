import { otherWays, type Way } from "#core/arrange";
import type { Framed } from "#core/fit";
import type { PageFormat } from "#core/lab";
import { leadWeight } from "./lay-tree.ts";
import { type Page, photoIdOf } from "./page.ts";
import { roomFor } from "./solve-page.ts";

/** How many really different ones are looked for. */
const wanted = 8;

/**
 * Other ways to arrange a page's own tiles, the best first. A tile keeps its photo; an empty one keeps the shape it has.
 */
export function waysOfPage(
  page: Page,
  format: PageFormat,
  framedOf: (photoId: string) => Framed | undefined,
  seed: number,
): Way[] {
  const tree = page.arrangement?.kind === "tree" ? page.arrangement : undefined;
  const photos = page.tiles.map((tile) => framedOf(photoIdOf(tile) ?? ""));
  const leader = tree?.lead ? page.tiles.findIndex((t) => t.id === tree.lead!.tileId) : -1;
  const weight = (i: number) =>
    i === leader && page.tiles.length > 1 ? leadWeight(tree!.lead!.share, page.tiles.length) : 1;
  return otherWays(
    {
      photos: page.tiles.map((tile, i) => ({
        tileId: tile.id,
        aspect: photos[i]?.aspect ?? tile.frame.width / tile.frame.height,
        weight: weight(i),
      })),
      room: roomFor(page.look, format),
      gap: page.look.gapMm,
      seed,
      ...(leader < 0 ? {} : { leader }),
      cutsFace: (i, tileAspect) => cutsFace(photos[i], tileAspect),
    },
    wanted,
  );
}

/** Whether the faces in a photo lie further apart than a tile of this shape can show. */
function cutsFace(photo: Framed | undefined, tileAspect: number): boolean {
  const faces = photo?.focus?.faces ?? [];
  if (!photo || faces.length === 0) return false;
  const narrow = tileAspect < photo.aspect;
  const seen = narrow ? tileAspect / photo.aspect : photo.aspect / tileAspect;
  const from = Math.min(...faces.map((f) => (narrow ? f.x : f.y)));
  const to = Math.max(...faces.map((f) => (narrow ? f.x + f.w : f.y + f.h)));
  return to - from > seen;
}
