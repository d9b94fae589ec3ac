import {
  type Frame,
  frameRect,
  framingOf,
  type PlacedPage,
  type PlacedTile,
  pictureRect,
  type View,
} from "#core/document";
import { photoMatrix } from "#core/fit";
import { applyTo, chain, type Matrix, type Point, type Rect, rotation, translation } from "#core/geometry";
import { bleedBox, type Fold, type PageFormat, safeBox, seenBox } from "#core/lab";
import type { SeenPhoto } from "#core/scene";
import type { Risk, Spot } from "./finding.ts";

/** Where things lie on a page, in mm from its trim's top left. */

export const spot = (page: PlacedPage, tile: PlacedTile, at?: Rect): Spot => ({
  pageId: page.id,
  tileIds: [tile.id],
  at: at ?? tileBox(tile),
});

export function boundsOf(points: readonly Point[]): Rect {
  const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, w: Math.max(...xs) - x, h: Math.max(...ys) - y };
}

export const cornersOf = ({ x, y, w, h }: Rect): readonly Point[] => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];

export const mapped = (r: Rect, m: Matrix): Rect => boundsOf(cornersOf(r).map((p) => applyTo(m, p)));

/** The turn of a frame about its centre. */
export const frameTurn = ({ centre, turn }: Frame): Matrix =>
  chain(translation(centre.x, centre.y), rotation((turn * Math.PI) / 180), translation(-centre.x, -centre.y));

/** What a tile takes up, its turn included. */
export const tileBox = (tile: PlacedTile): Rect => mapped(frameRect(tile.frame), frameTurn(tile.frame));

/** From a photo's unit square to the page. */
export function viewMatrix(tile: PlacedTile, view: View, photo: SeenPhoto, format: PageFormat): Matrix {
  const upright = photoMatrix(photo.aspect, pictureRect(tile), framingOf(view, photo, tile, format));
  return tile.frame.turn === 0 ? upright : chain(frameTurn(tile.frame), upright);
}

export function overlap(a: Rect, b: Rect): Rect | undefined {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  const [w, h] = [Math.min(a.x + a.w, b.x + b.w) - x, Math.min(a.y + a.h, b.y + b.h) - y];
  return w > 0 && h > 0 ? { x, y, w, h } : undefined;
}

/** How far `r` reaches beyond `box` on its worst side; negative inside. */
export const beyond = (r: Rect, box: Rect): number =>
  Math.max(box.x - r.x, box.y - r.y, r.x + r.w - box.x - box.w, r.y + r.h - box.y - box.h);

/** Rounding of lengths must not raise a finding. */
export const hairMm = 0.05;

const hiddenStrip = (fold: Fold, format: PageFormat): Rect => ({
  x: fold.atMm - fold.hiddenMm,
  y: -format.bleedMm,
  w: 2 * fold.hiddenMm,
  h: format.heightMm + 2 * format.bleedMm,
});

/** What becomes of something that must not be lost; nothing where it is safe. */
export function riskOf(r: Rect, format: PageFormat): { readonly risk: Risk; readonly beyondMm: number } | undefined {
  const trim: Rect = { x: 0, y: 0, w: format.widthMm, h: format.heightMm };
  const cut = beyond(r, trim);
  const folds = format.folds ?? [];
  for (const fold of folds) {
    const strip = hiddenStrip(fold, format);
    const inside = fold.hiddenMm > 0 && r.x < strip.x + strip.w - hairMm && r.x + r.w > strip.x + hairMm;
    if (inside) return { risk: "fold", beyondMm: Math.min(r.x + r.w - strip.x, strip.x + strip.w - r.x) };
  }
  // At a fold the page goes on as the facing one, and nothing is cut there.
  const seen = seenBox(format);
  const open: Rect = { ...trim, ...(seen.x === 0 && { x: -1e4, w: trim.w + 1e4 }) };
  const wide = seen.x + seen.w === format.widthMm ? { ...open, w: open.w + 1e4 } : open;
  if (cut > hairMm && beyond(r, wide) > hairMm) return { risk: "cut", beyondMm: beyond(r, wide) };
  const near = beyond(r, safeBox(format));
  return near > hairMm ? { risk: "near", beyondMm: near } : undefined;
}

/** The edges of the page that are cut, with how far a tile reaches there: at a fold nothing is. */
export function cutEdges(r: Rect, format: PageFormat) {
  const seen = seenBox(format);
  const box = bleedBox(format);
  const edges = [
    { edge: "left", outMm: -r.x, open: seen.x < 0 || format.bleedMm === 0 },
    { edge: "top", outMm: -r.y, open: true },
    {
      edge: "right",
      outMm: r.x + r.w - format.widthMm,
      open: seen.x + seen.w > format.widthMm || format.bleedMm === 0,
    },
    { edge: "bottom", outMm: r.y + r.h - format.heightMm, open: true },
  ] as const;
  return { box, edges: edges.filter((e) => e.open) };
}
