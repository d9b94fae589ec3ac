import { treeFromRough } from "#core/arrange";
import {
  type FreeTile,
  frameRect,
  freeTiles,
  type Group,
  insideRect,
  newGroup,
  type Page,
  type PlacedPage,
  placeAgain,
  plainTree,
  type Room,
  type Tile,
  wholeRoom,
} from "#core/document";
import { enclosing, type Rect } from "#core/geometry";

/** Tiles that were put down by eye as a group with equal gaps. */

/** Where all of a page's inside is meant, as far as a hand is exact. */
const nearlyAll = 0.82;

const areaOf = (r: Rect): number => r.w * r.h;

/** The group that is nearest to how these free tiles lie; nothing for fewer than two. */
function exactGroup(on: PlacedPage, tileIds: readonly string[], newId: () => string): Group | undefined {
  const these = freeTiles(on.page).filter((t) => tileIds.includes(t.id));
  const tree =
    these.length < 2 ? undefined : treeFromRough(these.map((t) => ({ tileId: t.id, ...frameRect(t.frame) })));
  if (!tree) return undefined;
  const around = these.map((t) => frameRect(t.frame)).reduce(enclosing);
  const inside = insideRect(on.look, on.format);
  const room: Room =
    areaOf(around) > nearlyAll * areaOf(inside) ? wholeRoom : { kind: "rectangle", of: "page", rect: around };
  return newGroup(plainTree(tree, false), these.map(arranged), newId, room);
}

function arranged({ kind: _, frame: __, ...tile }: FreeTile): Tile {
  return tile;
}

/** The page with these free tiles as that group, where the lowest of them lay. */
export function madeExact(on: PlacedPage, tileIds: readonly string[], newId: () => string): Page {
  const group = exactGroup(on, tileIds, newId);
  if (!group) return on.page;
  const ids = new Set(group.tiles.map((t) => t.id));
  const at = on.page.pieces.findIndex((p) => ids.has(p.id));
  const below = on.page.pieces.slice(0, at);
  const above = on.page.pieces.slice(at).filter((p) => !ids.has(p.id));
  return { ...on.page, pieces: [...below, group, ...above] };
}

/** The page with the tiles of a group lying freely where they are, in the shapes and with the edges that they have. */
export function letFree(on: PlacedPage, groupId: string): Page {
  const group = on.groups.find((g) => g.group.id === groupId);
  if (!group) return on.page;
  const free = group.tiles.map(({ tile, frame, outline, shaped, cornerMm, border }): FreeTile => {
    const own = { ...tile, kind: "tile" as const, frame, cornerMm, border };
    // A shape that the arrangement gave it, it keeps.
    return shaped && tile.outline === undefined ? { ...own, outline } : own;
  });
  return { ...on.page, pieces: on.page.pieces.flatMap((p) => (p.id === groupId ? free : [p])) };
}

/** How far, in mm, the tile that moves furthest would move. */
export function furthestMove(on: PlacedPage, next: Page, tileIds: readonly string[]): number {
  const after = new Map(placeAgain(on, next).tiles.map((t) => [t.id, t.frame.centre]));
  const moves = on.tiles
    .filter((t) => tileIds.includes(t.id))
    .map(({ id, frame: { centre } }) => {
      const to = after.get(id) ?? centre;
      return Math.hypot(to.x - centre.x, to.y - centre.y);
    });
  return Math.max(0, ...moves);
}
