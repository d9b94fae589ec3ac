import {
  allTiles,
  autoFramed,
  type FreeTile,
  mostTiles,
  newFreeTile,
  type Page,
  type PlacedPage,
} from "#core/document";
import type { OraLayer, OraPicture } from "#core/drawings";
import { ok, type Result, refused } from "#core/result";
import { laidOut } from "./from-drawing.ts";

/** A layer whose picture is in the library by now. Lengths in pixels of the whole picture. */
export interface LayerPhoto extends OraLayer {
  readonly photoId: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

const mmPerIn = 25.4;

/**
 * The page with each layer as a tile where it lies in the picture, from back to front: by the picture's own density where it says one, else as large as
 * the page, and never larger. Failure code: `tooManyTiles`.
 */
export function layersOnPage(
  on: PlacedPage,
  picture: Omit<OraPicture, "layers">,
  layers: readonly LayerPhoto[],
  newId: () => string,
): Result<{ readonly page: Page; readonly tileIds: readonly string[] }, "tooManyTiles"> {
  const { widthPx, heightPx, ppi } = picture;
  const { widthMm, heightMm } = on.format;
  const mmPerPx = ppi ? mmPerIn / ppi : Math.min(widthMm / widthPx, heightMm / heightPx);
  const at = laidOut(on.format, { widthMm: widthPx * mmPerPx, heightMm: heightPx * mmPerPx });
  const all = allTiles(on.page).length + layers.length;
  if (all > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles: all });
  const mm = mmPerPx * at.k;
  const tiles = layers.map((l): FreeTile => {
    const [width, height] = [l.widthPx * mm, l.heightPx * mm];
    const centre = { x: at.dx + l.x * mm + width / 2, y: at.dy + l.y * mm + height / 2 };
    const tile = newFreeTile({ centre, width, height, turn: 0 }, { kind: "photo", view: autoFramed(l.photoId) }, newId);
    return {
      ...tile,
      ...(l.name ? { name: l.name } : {}),
      ...(l.opacity < 1 ? { opacity: l.opacity } : {}),
      ...(l.visible ? {} : { hidden: true as const }),
    };
  });
  return ok({ page: { ...on.page, pieces: [...on.page.pieces, ...tiles] }, tileIds: tiles.map((t) => t.id) });
}
