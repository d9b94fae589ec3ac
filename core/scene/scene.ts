import type { Colour } from "#core/colour";
import { frameRect, framingOf, type Page, type Tile } from "#core/document";
import { type Framed, photoMatrix } from "#core/fit";
import { inset, type Matrix, type PathData, type Rect, record, traceRect, traceRoundedRect } from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";

/** One thing to draw, in mm from the trim's top left. Painters follow the list and know nothing of pages. */
export type DrawStep =
  /** `evenodd` leaves out what two outlines share, for rings. */
  | { readonly draw: "fill"; readonly path: PathData; readonly rule: "nonzero" | "evenodd"; readonly colour: Colour }
  /** The photo's unit square through `matrix`, inside `clip`; `plain` where that is no more than a rectangle. */
  | {
      readonly draw: "photo";
      readonly photoId: string;
      readonly matrix: Matrix;
      readonly clip: PathData;
      readonly plain?: Rect | undefined;
    };

export interface Scene {
  /** Everything that is printed, bleed included. */
  readonly box: Rect;
  readonly steps: readonly DrawStep[];
}

/** What drawing has to know of a photo; nothing for one that is not known. */
export type FramedOf = (photoId: string) => Framed | undefined;

/** The page as it prints: an empty tile, and one whose photo is not known, show the page behind them. */
export function scene(page: Page, format: PageFormat, framedOf: FramedOf): Scene {
  const box = bleedBox(format);
  const ground: DrawStep = {
    draw: "fill",
    path: record((to) => traceRect(box, to)),
    rule: "nonzero",
    colour: page.look.background,
  };
  return { box, steps: [ground, ...page.tiles.flatMap((tile) => tileSteps(tile, format, framedOf))] };
}

/** The outline of a tile, for painting and for the pointer alike. */
export const tileOutline = (tile: Tile): PathData =>
  record((to) => traceRoundedRect(frameRect(tile.frame), tile.outline.cornerMm, to));

export function tileSteps(tile: Tile, format: PageFormat, framedOf: FramedOf): DrawStep[] {
  if (tile.filling.kind === "empty") return [];
  if (tile.filling.kind === "colour") return [plainFill(tile, tile.filling.colour), ...borderSteps(tile)];
  const { view } = tile.filling;
  const photo = framedOf(view.photoId);
  if (!photo) return [];
  const rect = frameRect(tile.frame);
  const clip = tileOutline(tile);
  const matrix = photoMatrix(photo.aspect, rect, framingOf(view, photo, tile.frame, format));
  const plain = tile.outline.cornerMm > 0 ? undefined : rect;
  const picture: DrawStep = { draw: "photo", photoId: view.photoId, matrix, clip, plain };
  const behind = view.whole && view.behind ? [plainFill(tile, view.behind)] : [];
  return [...behind, picture, ...borderSteps(tile)];
}

const plainFill = (tile: Tile, colour: Colour): DrawStep => ({
  draw: "fill",
  path: tileOutline(tile),
  rule: "nonzero",
  colour,
});

function borderSteps(tile: Tile): DrawStep[] {
  const { widthMm, colour } = tile.edge.border;
  if (widthMm === 0) return [];
  const inner = record((to) =>
    traceRoundedRect(inset(frameRect(tile.frame), widthMm), tile.outline.cornerMm - widthMm, to),
  );
  return [{ draw: "fill", path: [...tileOutline(tile), ...inner], rule: "evenodd", colour }];
}
