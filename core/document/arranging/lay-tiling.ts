import { assigned } from "#core/arrange";
import { firstFramingIn, hiddenByShape, type PhotoShape } from "#core/fit";
import { allSides } from "#core/geometry";
import { outlineOf } from "#core/outlines";
import { forTiles } from "../arrangements/index.ts";
import { type Group, isLocked, photoIdOf, type Tile, type Tiling, withGroup } from "../page/page.ts";
import { type PlacedGroup, type PlacedPage, type PlacedTile, placeAgain } from "../page/place-page.ts";

export type TilingSettings = Pick<Tiling, "pattern" | "cut" | "sag">;

/** What each unit of the logarithm of a photo's shape over its cell's costs, against all of its heads being hidden. */
const shapePrice = 0.02;
/** What it costs that a photo stands one place away from its turn. */
const turnPrice = 0.01;
/** More than all heads and all turns together. */
const never = 1000;

/**
 * A group's tiles as cells of a pattern. Which photo goes into which cell is solved for all at once: by how much of the heads each cell's shape
 * would hide, then by shape, then by the order in which they were read. A tile that is locked keeps its turn.
 */
export function tiledGroup(
  on: PlacedPage,
  at: PlacedGroup,
  settings: TilingSettings,
  shapeOf: (photoId: string) => PhotoShape | undefined,
): Group {
  const { group } = at;
  const arrangement: Tiling = { kind: "tiling", ...settings, tileIds: group.tiles.map((t) => t.id) };
  const { first: _, ...rest } = group;
  const inTurn: Group = { ...rest, arrangement };
  const cells = placeAgain(on, withGroup(on.page, inTurn)).groups.find((g) => g.group.id === group.id)?.tiles ?? [];
  if (cells.length < group.tiles.length) return inTurn;
  const byCell = matched(group.tiles, cells, shapeOf);
  const tiles = byCell.map((i) => group.tiles[i]!);
  return {
    ...inTurn,
    tiles,
    arrangement:
      forTiles(
        arrangement,
        tiles.map((t) => t.id),
      ) ?? arrangement,
  };
}

/** The number of the tile that each cell takes. */
function matched(
  tiles: readonly Tile[],
  cells: readonly PlacedTile[],
  shapeOf: (photoId: string) => PhotoShape | undefined,
): readonly number[] {
  const losses = new Map<string, number>();
  const lossOf = (photoId: string, photo: PhotoShape, cell: PlacedTile): number => {
    const key = `${photoId} ${shapeKey(cell)}`;
    const known = losses.get(key);
    if (known !== undefined) return known;
    const loss = lossIn(photo, cell);
    losses.set(key, loss);
    return loss;
  };
  const tileOf = new Array<number>(cells.length).fill(-1);
  assigned(tiles.length, cells.length, (i, k) => {
    const tile = tiles[i]!;
    const turn = turnPrice * Math.abs(i - k);
    if (isLocked(tile)) return i === k ? 0 : never;
    const photoId = photoIdOf(tile);
    const photo = photoId === undefined ? undefined : shapeOf(photoId);
    return photo ? lossOf(photoId!, photo, cells[k]!) + turn : turn;
  }).forEach((k, i) => {
    tileOf[k] = i;
  });
  return tileOf;
}

/** Cells of a pattern have few different shapes; photos are tried in each of those once. */
function shapeKey({ frame, outline }: PlacedTile): string {
  const path =
    outline.kind === "path" ? outline.path.map((s) => s.slice(1).map((v) => Number(v).toFixed(2))).join() : "";
  return `${frame.width.toFixed(1)} ${frame.height.toFixed(1)} ${outline.kind} ${path}`;
}

function lossIn(photo: PhotoShape, { frame, outline }: PlacedTile): number {
  const size = { w: frame.width, h: frame.height };
  const whole = { x: 0, y: 0, ...size };
  const deeds = outlineOf(outline);
  const holds = ({ x, y }: { readonly x: number; readonly y: number }) =>
    deeds.holds({ whole, seen: whole, cornerMm: 0 }, { x: x * size.w, y: y * size.h });
  const framing = firstFramingIn(photo, size, allSides(0), holds);
  return (
    hiddenByShape(photo, size, framing.centre, holds) +
    shapePrice * Math.abs(Math.log(photo.aspect / (size.w / size.h)))
  );
}
