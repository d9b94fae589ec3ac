import type { Colour } from "#core/colour";
import { type Frame, frameRect, type PlacedTile, pictureRect } from "#core/document";
import {
  chain,
  inset,
  type Matrix,
  type PathData,
  type Rect,
  record,
  rotation,
  traceRect,
  transformed,
  translation,
} from "#core/geometry";
import { bleedBox, type PageFormat, trimBox } from "#core/lab";
import { type OutlineAt, outlineOf } from "#core/outlines";

/** The outline of a tile as it lies: its corners are those of what the cut leaves of it, and its sides go on into the bleed. */
export function tileOutline(tile: PlacedTile, format: PageFormat): PathData {
  const path = record((to) => outlineOf(tile.outline).trace(outlineAt(tile, format), to));
  return tile.frame.turn === 0 ? path : transformed(path, turnOf(tile.frame));
}

/** A tile's own line around its middle, unturned: as it is printed, as the cut leaves it, or with the border that lies outside of it. */
export function ownLine(tile: PlacedTile, format: PageFormat, what: "printed" | "seen" | "bordered"): PathData {
  const { x, y } = tile.frame.centre;
  const about = (r: Rect): Rect => ({ ...r, x: r.x - x, y: r.y - y });
  const { whole, seen, cornerMm } = outlineAt(tile, format);
  const own = { whole: about(what === "seen" ? seen : whole), seen: about(seen), cornerMm };
  const beyond = what === "bordered" ? borderBeyondMm(tile) : 0;
  const outline = outlineOf(tile.outline);
  return record((to) => (beyond > 0 ? outline.inset(own, -beyond, to) : outline.trace(own, to)));
}

const outlineAt = ({ frame, cornerMm }: PlacedTile, format: PageFormat): OutlineAt => ({
  whole: frameRect(frame),
  seen: frameRect(seenFrame(frame, format)),
  cornerMm,
});

const nearlyMm = 0.02;

/** What the cut leaves of an upright tile that goes on to the end of the bleed; any other frame as it is. */
export function seenFrame(frame: Frame, format: PageFormat): Frame {
  const r = frameRect(frame);
  const [box, trim] = [bleedBox(format), trimBox(format)];
  if (frame.turn !== 0 || format.bleedMm <= nearlyMm) return frame;
  const bled = (at: number, end: number) => Math.abs(at - end) < nearlyMm;
  const x0 = bled(r.x, box.x) ? trim.x : r.x;
  const y0 = bled(r.y, box.y) ? trim.y : r.y;
  const x1 = bled(r.x + r.w, box.x + box.w) ? trim.x + trim.w : r.x + r.w;
  const y1 = bled(r.y + r.h, box.y + box.h) ? trim.y + trim.h : r.y + r.h;
  const [width, height] = [x1 - x0, y1 - y0];
  if ((width === r.w && height === r.h) || width <= 0 || height <= 0) return frame;
  return { ...frame, centre: { x: x0 + width / 2, y: y0 + height / 2 }, width, height };
}

export const turnOf = ({ centre, turn }: Frame): Matrix =>
  chain(translation(centre.x, centre.y), rotation((turn * Math.PI) / 180), translation(-centre.x, -centre.y));

/** So far one thing goes on under another: where they only met, an edge that is softened would let through what lies behind. */
const overlapMm = ({ border }: PlacedTile): number => Math.min(0.1, border.widthMm / 2);

/** How much of a border lies inside its tile's outline; of one outside no more than keeps the two from parting. */
function insideMm(tile: PlacedTile): number {
  const { widthMm, footMm, lies } = tile.border;
  if (footMm !== undefined || lies === undefined) return widthMm;
  return lies === "across" ? widthMm / 2 : overlapMm(tile);
}

/** How far a border reaches beyond its tile's outline. */
export function borderBeyondMm({ border: { widthMm, footMm, lies } }: Pick<PlacedTile, "border">): number {
  if (footMm !== undefined || lies === undefined) return 0;
  return lies === "across" ? widthMm / 2 : widthMm;
}

/** What a photo is cut along. */
export const photoEdge = (tile: PlacedTile, format: PageFormat): PathData =>
  hasBorder(tile) && insideMm(tile) > overlapMm(tile)
    ? borderEdge(tile, format, insideMm(tile) - overlapMm(tile))
    : tileOutline(tile, format);

/** Of a tile that is a plain rectangle: what its photo fills, and a little more under the border. */
export function photoRect(tile: PlacedTile, format: PageFormat): Rect {
  if (tile.border.footMm !== undefined) return inset(pictureRect(tile), -overlapMm(tile));
  const by = insideMm(tile) - overlapMm(tile);
  return by <= 0 ? frameRect(tile.frame) : inset(frameRect(seenFrame(tile.frame, format)), by);
}

export const hasBorder = ({ border: { widthMm, footMm = 0 } }: PlacedTile): boolean => widthMm > 0 || footMm > 0;

/** The outline moved in by so much, or out where it is negative; with a foot, the edge that has one. */
function borderEdge(tile: PlacedTile, format: PageFormat, byMm: number): PathData {
  const { widthMm, footMm } = tile.border;
  const inner = footMm === undefined ? undefined : inset(pictureRect(tile), byMm - widthMm);
  const upright = inner
    ? record((to) => traceRect(inner, to))
    : record((to) => outlineOf(tile.outline).inset(outlineAt(tile, format), byMm, to));
  return tile.frame.turn === 0 ? upright : transformed(upright, turnOf(tile.frame));
}

/** A border as rings by the even-odd rule, each in its colour. Of a tile that reaches into the bleed it is measured from the cut. */
export function borderRings(tile: PlacedTile, format: PageFormat): readonly { path: PathData; colour: Colour }[] {
  if (!hasBorder(tile)) return [];
  const { colour, second } = tile.border;
  const beyond = borderBeyondMm(tile);
  const outer = beyond > 0 ? borderEdge(tile, format, -beyond) : tileOutline(tile, format);
  const inside = insideMm(tile);
  const ring = { path: [...outer, ...borderEdge(tile, format, inside)], colour };
  if (!second || second.widthMm <= 0) return [ring];
  const from = inside + second.gapMm;
  const fine = [...borderEdge(tile, format, from), ...borderEdge(tile, format, from + second.widthMm)];
  return [ring, { path: fine, colour: second.colour }];
}
