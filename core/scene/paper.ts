import { type Paper, paperFills } from "#core/artwork";
import { boxAround, type PlacedTile } from "#core/document";
import {
  applyTo,
  aroundPoints,
  chain,
  identity,
  inverse,
  type Matrix,
  type PathData,
  type Point,
  type Rect,
  rotation,
  scaling,
  translation,
} from "#core/geometry";
import type { PageFormat } from "#core/lab";
import type { PaperStep } from "./steps.ts";
import { tileOutline } from "./tile-lines.ts";

export const rad = (deg: number): number => (deg * Math.PI) / 180;

/** A paper's own mm to the page, where its first corner lies at `anchor` before it is moved. */
const placeOf = ({ shift = { x: 0, y: 0 }, turn = 0, scale = 1 }: Paper, anchor: Matrix): Matrix =>
  chain(anchor, translation(shift.x, shift.y), rotation(rad(turn)), scaling(scale, scale));

/** What of a paper lies under a rectangle of the page. */
export function under(place: Matrix, { x, y, w, h }: Rect): Rect {
  const back = inverse(place);
  const corners: readonly Point[] = [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ];
  return aroundPoints(corners.map((p) => applyTo(back, p)));
}

function paperStep(paper: Paper, anchor: Matrix, clip: PathData, reach: Rect): PaperStep {
  const place = placeOf(paper, anchor);
  return { draw: "paper", clip, ground: paper.colours[0]!, place, fills: paperFills(paper, under(place, reach)) };
}

/** Where a tile's own piece of a paper begins: at its corner, as it is turned or upright; or at the page's, for one sheet over all. */
export function paperAnchor(tile: PlacedTile, { runsOn, upright }: Pick<Paper, "runsOn" | "upright">): Matrix {
  if (runsOn) return identity;
  const { centre, width, height, turn } = tile.frame;
  const corner = translation(-width / 2, -height / 2);
  const at = translation(centre.x, centre.y);
  return upright ? chain(at, corner) : chain(at, rotation(rad(turn)), corner);
}

/** A tile cut out of a paper: out of one sheet that lies over the page, or out of a piece of its own from the tile's corner on. */
export const tilePaper = (tile: PlacedTile, paper: Paper, format: PageFormat): PaperStep =>
  paperStep(paper, paperAnchor(tile, paper), tileOutline(tile, format), boxAround(tile.frame));

/** A paper over all of a page. `from` is where the opening begins that the page is part of, so that it runs on over the fold. */
export const pagePaper = (paper: Paper, clip: PathData, box: Rect, from: Point): PaperStep =>
  paperStep(paper, translation(from.x, from.y), clip, box);
