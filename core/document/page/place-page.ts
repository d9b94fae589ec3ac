import { centreOf, enclosing, insetSides, type Rect, rectAround, type Sides } from "#core/geometry";
import { hiddenAtEdges, type PageFormat, trimBox } from "#core/lab";
import { bleeds, rectsOf, shapedBy } from "../arrangements/index.ts";
import { type Dress, dressOf, lookOf } from "./look.ts";
import {
  type Arrangement,
  type Border,
  type Filling,
  type Frame,
  type FreeTile,
  type Group,
  isGroup,
  type Look,
  type Outline,
  type Page,
  type Room,
  type Shadow,
  type Soft,
  type Tile,
  waitsForPhoto,
} from "./page.ts";

/** A tile where it lies, with nothing left to be inherited. */
export interface PlacedTile {
  readonly id: string;
  readonly frame: Frame;
  readonly outline: Outline;
  readonly cornerMm: number;
  readonly border: Border;
  readonly shadow: Shadow;
  readonly soft: Soft;
  readonly filling: Filling;
  /** The box around all tiles that one photo runs through, where this one shows its part of it. */
  readonly through?: Rect | undefined;
  /** Its group's arrangement has a shape for it, which it may have or not. */
  readonly shaped?: true | undefined;
  /** The group that gave it its place; none where it lies freely. */
  readonly groupId: string | undefined;
  /** As it is stored: what it says itself. */
  readonly tile: Tile | FreeTile;
}

/** A group where it stands. */
export interface PlacedGroup {
  readonly group: Group;
  readonly room: Rect;
  readonly gapMm: number;
  readonly tiles: readonly PlacedTile[];
}

/** A page as everything reads that draws, measures, checks or prints it. Lengths in mm from the trim's top left. */
export interface PlacedPage {
  readonly id: string;
  readonly page: Page;
  readonly format: PageFormat;
  readonly style: Look;
  readonly look: Look;
  /** Back to front, hidden ones left out. */
  readonly tiles: readonly PlacedTile[];
  readonly groups: readonly PlacedGroup[];
}

/** By page and style: what is kept and what a hand is trying out at the moment are read side by side, and each has to stay the same object. */
const known = new WeakMap<Page, WeakMap<Look, PlacedPage>>();

/** A page with every tile in its place. The same object for the same page, format and style; tiles that nothing changed stay the same too. */
export function placePage(page: Page, format: PageFormat, style: Look): PlacedPage {
  const byStyle = known.get(page) ?? new WeakMap<Look, PlacedPage>();
  known.set(page, byStyle);
  const before = byStyle.get(style);
  if (before?.format === format) return before;
  const look = lookOf(page, style);
  const groups: PlacedGroup[] = [];
  const tiles = page.pieces.flatMap((piece): readonly PlacedTile[] => {
    if (!isGroup(piece)) return piece.hidden ? [] : [placedTile(piece, piece.frame, undefined, look)];
    const gapMm = piece.gapMm ?? look.gapMm;
    const room = roomRect(piece.room, look, format);
    const places = placesOf(piece.arrangement, room, gapMm, format);
    const placed = piece.tiles.flatMap((tile) => {
      const place = places.get(tile.id);
      return place ? [placedTile(tile, place.frame, piece, look, place.outline)] : [];
    });
    groups.push({ group: piece, room, gapMm, tiles: placed });
    return piece.hidden ? [] : placed.filter((t) => !t.tile.hidden);
  });
  const boxes = throughBoxes(tiles);
  const inPart = (t: PlacedTile): PlacedTile => withBox(t, boxes);
  const placed: PlacedPage =
    boxes.size === 0
      ? { id: page.id, page, format, style, look, tiles, groups }
      : {
          ...{ id: page.id, page, format, style, look },
          tiles: tiles.map(inPart),
          groups: groups.map((g) => ({ ...g, tiles: g.tiles.map(inPart) })),
        };
  byStyle.set(style, placed);
  return placed;
}

/** Whether a tile shows its part of a photo that runs through several, and nothing of its own. */
export const showsPart = ({ through, filling }: Pick<Tile, "through" | "filling">): boolean =>
  through !== undefined && filling.kind === "photo" && filling.view.photoId === through.view.photoId;

/** Around all tiles that belong to one photo, those that hold something else at the moment as well. */
function throughBoxes(tiles: readonly PlacedTile[]): ReadonlyMap<string, Rect> {
  const boxes = new Map<string, Rect>();
  for (const { tile, frame } of tiles) {
    if (!tile.through) continue;
    const r = boxAround(frame);
    const was = boxes.get(tile.through.id);
    boxes.set(tile.through.id, was ? enclosing(was, r) : r);
  }
  return boxes;
}

/** The upright box around a frame as it is turned. */
export function boxAround({ centre, width, height, turn }: Frame): Rect {
  const [c, s] = [Math.abs(Math.cos((turn * Math.PI) / 180)), Math.abs(Math.sin((turn * Math.PI) / 180))];
  return rectAround(centre, { w: width * c + height * s, h: width * s + height * c });
}

const parts = new WeakMap<PlacedTile, PlacedTile>();

/** The same object for the same tile in the same box. */
function withBox(t: PlacedTile, boxes: ReadonlyMap<string, Rect>): PlacedTile {
  const box = t.tile.through && showsPart(t.tile) ? boxes.get(t.tile.through.id) : undefined;
  if (!box) return t;
  const was = parts.get(t);
  if (was?.through && sameRect(was.through, box)) return was;
  const next = { ...t, through: box };
  parts.set(t, next);
  return next;
}

/** The page after an edit, where the one before stood. */
export const placeAgain = (on: PlacedPage, page: Page): PlacedPage => placePage(page, on.format, on.style);

const tiles = new WeakMap<Tile, PlacedTile>();

function placedTile(
  tile: Tile | FreeTile,
  frame: Frame,
  group: Group | undefined,
  look: Look,
  shape?: Outline,
): PlacedTile {
  const dress = dressOf(tile, group, look);
  const { id, filling, outline = shape ?? rectangle } = tile;
  const was = tiles.get(tile);
  if (
    was &&
    was.groupId === group?.id &&
    was.outline === outline &&
    sameFrame(was.frame, frame) &&
    sameDress(was, dress)
  )
    return was;
  const shaped = shape ? { shaped: true as const } : {};
  const placed: PlacedTile = { id, frame, outline, ...dress, filling, groupId: group?.id, ...shaped, tile };
  tiles.set(tile, placed);
  return placed;
}

const rectangle: Outline = { kind: "rectangle" };

const sameFrame = (a: Frame, b: Frame): boolean =>
  a === b ||
  (a.centre.x === b.centre.x &&
    a.centre.y === b.centre.y &&
    a.width === b.width &&
    a.height === b.height &&
    a.turn === b.turn);

const sameDress = (a: Dress, b: Dress): boolean =>
  a.cornerMm === b.cornerMm && same(a.border, b.border) && same(a.shadow, b.shadow) && same(a.soft, b.soft);

/** Small plain values, the same object as a rule. */
const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** What a group fills. A margin at a fold is measured from what the fold does not hide. */
export function roomRect(room: Room, look: Pick<Look, "margin" | "gapMm">, format: PageFormat): Rect {
  const region = regionRect(room.of, format);
  if (room.kind === "rectangle") return { ...room.rect, x: region.x + room.rect.x, y: region.y + room.rect.y };
  const inner = insideMargins(region, room.margin ?? look.margin, format);
  const { left, top, right, bottom } = room.share;
  const { gapMm } = look;
  const [x, y] = [inner.x + left * (inner.w + gapMm), inner.y + top * (inner.h + gapMm)];
  return {
    x,
    y,
    w: inner.x + right * (inner.w + gapMm) - gapMm - x,
    h: inner.y + bottom * (inner.h + gapMm) - gapMm - y,
  };
}

/** What the margins leave of the whole page. */
export const insideRect = ({ margin }: Pick<Look, "margin">, format: PageFormat): Rect =>
  insideMargins(trimBox(format), margin, format);

function insideMargins(region: Rect, margin: Look["margin"], format: PageFormat): Rect {
  const hidden = hiddenIn(region, format);
  return insetSides(region, {
    ...margin,
    left: margin.left > 0 ? margin.left + hidden.left : 0,
    right: margin.right > 0 ? margin.right + hidden.right : 0,
  });
}

/** What folds at the sides of a region hide of it. */
function hiddenIn(region: Rect, format: PageFormat): { readonly left: number; readonly right: number } {
  if (region.w === format.widthMm) return hiddenAtEdges(format);
  const at = (x: number) => format.folds?.find((f) => Math.abs(f.atMm - x) < touching)?.hiddenMm ?? 0;
  return { left: at(region.x), right: at(region.x + region.w) };
}

function regionRect(of: Room["of"], format: PageFormat): Rect {
  const region = format.regions?.find((r) => r.of === of);
  return region ? { x: region.x, y: 0, w: region.w, h: format.heightMm } : trimBox(format);
}

interface Solved {
  readonly room: Rect;
  readonly gapMm: number;
  readonly format: PageFormat;
  readonly places: ReadonlyMap<string, ArrangedPlace>;
}
const solved = new WeakMap<Arrangement, Solved>();

/**
 * Where an arrangement puts each tile. A side without a margin is a full-bleed side: the tiles on it are measured to the trim, and then
 * reach on into the bleed, so that no sliver of page shows when the cut is a little off.
 */
function placesOf(
  arrangement: Arrangement,
  room: Rect,
  gapMm: number,
  format: PageFormat,
): ReadonlyMap<string, ArrangedPlace> {
  const was = solved.get(arrangement);
  if (was && was.gapMm === gapMm && was.format === format && sameRect(was.room, room)) return was.places;
  const places = new Map<string, ArrangedPlace>();
  const frameOf = (r: Rect): Frame => ({ centre: centreOf(r), width: r.w, height: r.h, turn: 0 });
  const shaped = shapedBy(arrangement, room, gapMm, bleedBeyond(room, format));
  if (shaped) for (const [id, { rect, outline }] of shaped) places.set(id, { frame: frameOf(rect), outline });
  else
    for (const [id, rect] of rectsOf(arrangement, room, gapMm))
      places.set(id, { frame: frameOf(bleeds(arrangement) ? reachIntoBleed(rect, format) : rect) });
  solved.set(arrangement, { room, gapMm, format, places });
  return places;
}

interface ArrangedPlace {
  readonly frame: Frame;
  /** Where the arrangement decides it. */
  readonly outline?: Outline;
}

const sameRect = (a: Rect, b: Rect): boolean => a.x === b.x && a.y === b.y && a.w === b.w && a.h === b.h;

// Sums of shares leave an error far below this; a person's smallest margin lies far above.
const touching = 1e-6;

/** How far each side of a rectangle that lies on the cut goes on beyond it. */
function bleedBeyond(r: Rect, format: PageFormat): Sides {
  const b = format.bleedMm;
  return {
    left: Math.abs(r.x) < touching ? b : 0,
    top: Math.abs(r.y) < touching ? b : 0,
    right: Math.abs(r.x + r.w - format.widthMm) < touching ? b : 0,
    bottom: Math.abs(r.y + r.h - format.heightMm) < touching ? b : 0,
  };
}

function reachIntoBleed(r: Rect, format: PageFormat): Rect {
  const { left, top, right, bottom } = bleedBeyond(r, format);
  return { x: r.x - left, y: r.y - top, w: r.w + left + right, h: r.h + top + bottom };
}

export const isArranged = (tile: PlacedTile): boolean => tile.groupId !== undefined;
/** Tiles that an arrangement placed, in the order in which they are read. */
export const arrangedOn = (on: PlacedPage): readonly PlacedTile[] => on.groups.flatMap((g) => g.tiles);
export const findPlaced = (on: PlacedPage, tileId: string): PlacedTile | undefined =>
  on.tiles.find((t) => t.id === tileId);
/** Places that wait for a photo, those that lie freely only where a template made them. */
export const emptyPlaces = (on: PlacedPage): readonly PlacedTile[] => [
  ...arrangedOn(on).filter((t) => waitsForPhoto(t.filling)),
  ...on.tiles.filter((t) => !isArranged(t) && t.filling.kind === "empty" && t.filling.waits?.for === "photo"),
];
export const groupAt = (on: PlacedPage, tileId?: string): PlacedGroup | undefined =>
  tileId === undefined ? on.groups[0] : on.groups.find((g) => g.group.tiles.some((t) => t.id === tileId));
