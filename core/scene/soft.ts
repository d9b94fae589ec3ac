import { boxAround, frameRect, noSoft, type PlacedTile, type Soft } from "#core/document";
import { chain, type Matrix, type Rect, rectAround, rotation, translation } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { type MaskPart, maskOf } from "#core/masks";
import type { PlacedMask } from "./steps.ts";
import { borderBeyondMm, ownLine, seenFrame } from "./tile-lines.ts";

const isHard = (soft: Soft): boolean => soft === noSoft || Object.values(soft).every((mm) => mm === 0);
const isEven = ({ top, right, bottom, left }: Soft): boolean => top === right && right === bottom && bottom === left;

/** A tile's own mm, around its middle and unturned, to the page. */
export const ownToPage = ({ frame: { centre, turn } }: PlacedTile): Matrix =>
  chain(translation(centre.x, centre.y), rotation((turn * Math.PI) / 180));

/** How a tile's edges fade, as parts of a mask around its middle; none where they are hard. No side fades over more than half of the tile. */
export function softParts(tile: PlacedTile, format: PageFormat): readonly MaskPart[] | undefined {
  const { soft, frame } = tile;
  if (isHard(soft)) return undefined;
  const half = Math.min(frame.width, frame.height) / 2;
  if (isEven(soft)) return [{ part: "ramp", path: ownLine(tile, format, "seen"), widthMm: Math.min(half, soft.top) }];
  const { x, y } = frame.centre;
  const whole = frameRect(frame);
  const seen = frameRect(seenFrame(frame, format));
  // A side that does not fade goes on into the bleed.
  const left = soft.left > 0 ? seen.x : whole.x;
  const top = soft.top > 0 ? seen.y : whole.y;
  const right = soft.right > 0 ? seen.x + seen.w : whole.x + whole.w;
  const foot = soft.bottom > 0 ? seen.y + seen.h : whole.y + whole.h;
  const [w, h] = [right - left, foot - top];
  const held = (mm: number, side: number) => Math.min(mm, side);
  return [
    { part: "cover", path: ownLine(tile, format, "printed") },
    {
      part: "sides",
      rect: { x: left - x, y: top - y, w, h },
      mm: [held(soft.top, h), held(soft.right, w), held(soft.bottom, h), held(soft.left, w)],
    },
  ];
}

const masks = new WeakMap<PlacedTile, { readonly format: PageFormat; readonly soft: PlacedMask | undefined }>();

/** What a tile is drawn through where its edges are soft; the same object for the same tile. */
export function softOf(tile: PlacedTile, format: PageFormat): PlacedMask | undefined {
  if (isHard(tile.soft)) return undefined;
  const known = masks.get(tile);
  if (known?.format === format) return known.soft;
  const parts = softParts(tile, format);
  const soft = parts && { mask: maskOf(parts, ownBox(tile, 0)), place: ownToPage(tile) };
  masks.set(tile, { format, soft });
  return soft;
}

/** A tile's frame around its middle, larger by so much on each side. */
export const ownBox = ({ frame: { width, height } }: PlacedTile, byMm: number): Rect =>
  rectAround({ x: 0, y: 0 }, { w: width + 2 * byMm, h: height + 2 * byMm });

/** What softened edges of painters may add. */
const spareMm = 0.5;

/** All of the page that a tile's own steps can reach, words that do not fit it excepted. */
export function softReach(tile: PlacedTile): Rect {
  const { x, y, w, h } = boxAround(tile.frame);
  const by = borderBeyondMm(tile) + spareMm;
  return { x: x - by, y: y - by, w: w + 2 * by, h: h + 2 * by };
}
