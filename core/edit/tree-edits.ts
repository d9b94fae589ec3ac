import type { Alternative, Edge } from "#core/arrange";
import {
  areKeptTogether,
  arrangedOn,
  arrangedTiles,
  costOfEqual,
  firstTree,
  type Group,
  groupAt,
  insertBeside,
  isLocked,
  keepTogether,
  mainGroup,
  mapTiles,
  onGroup,
  type Page,
  type PlacedGroup,
  type PlacedPage,
  type PlacedTile,
  photoIdOf,
  placeAgain,
  refit,
  removeTiles,
  setTileAspect,
  splitTile,
  type Tile,
  type Tree,
  treeIn,
  withEqual,
  withGroup,
  withLead,
  withLock,
  withLocked,
  withOrder,
  withoutFree,
  withPageMirrored,
  withTileMoved,
  withTree,
} from "#core/document";
import { aspectOf, type Photo } from "#core/photo";

/** What a hand does to the arrangement of a page: each gives the page as it would be, to be shown or kept. */

/** The shape of a photo; nothing where it is not known. */
export type AspectOf = (photoId: string) => number | undefined;

export type Edit = (on: PlacedPage) => Page;

export const slippedIn =
  (photo: Photo, tileId: string, edge: Edge, newId: () => string): Edit =>
  (on) =>
    insertBeside(on, { photoId: photo.id, aspect: aspectOf(photo), tileId, edge }, newId);

/** Several in a row, the first at the edge of the tile, the others each beside the one before. */
export const allSlippedIn =
  (photos: readonly Photo[], tileId: string, edge: Edge, newId: () => string, whole?: boolean): Edit =>
  (on) => {
    let now = on;
    let at: { readonly tileId: string; readonly edge: Edge; readonly whole?: boolean | undefined } = {
      tileId,
      edge,
      whole,
    };
    const along = edge === "top" || edge === "bottom" ? "bottom" : "right";
    // Several share one column or one row.
    const across = along === "bottom" ? "right" : "bottom";
    for (const photo of photos) {
      const known = new Set(arrangedTiles(now.page).map((t) => t.id));
      now = placeAgain(now, insertBeside(now, { photoId: photo.id, aspect: aspectOf(photo), ...at }, newId));
      const fresh = arrangedTiles(now.page).find((t) => !known.has(t.id));
      if (fresh) at = { tileId: fresh.id, edge: whole ? across : along };
    }
    return now.page;
  };

const area = ({ frame }: PlacedTile): number => frame.width * frame.height;

/** The page makes room for more photos: each goes in beside the largest tile, and then all is fitted anew. */
export const grownBy =
  (shapeOf: AspectOf, photos: readonly Photo[], newId: () => string): Edit =>
  (on) => {
    let now = on;
    for (const photo of photos) {
      const tiles = arrangedOn(now);
      const free = tiles.filter((t) => !isLocked(t.tile));
      const largest = free.toSorted((a, b) => area(b) - area(a))[0] ?? tiles.at(-1);
      if (largest) now = placeAgain(now, slippedIn(photo, largest.id, "right", newId)(now));
    }
    // Read after those that were there, as they were chosen.
    const before = arrangedTiles(on.page);
    const turn = new Map(before.map((t, i) => [t.id, i]));
    const wanted = new Map(photos.map((p, i) => [p.id, before.length + i]));
    const turnOf = (t: Tile) => turn.get(t.id) ?? wanted.get(photoIdOf(t) ?? "") ?? 0;
    let page = now.page;
    for (const { group } of now.groups)
      page = withGroup(page, { ...group, tiles: group.tiles.toSorted((a, b) => turnOf(a) - turnOf(b)) });
    return eachGroup(placeAgain(now, page), (at) => anew(at, shapeOf, seedOf(on.page)));
  };

/** Every group of the page edited. */
function eachGroup(on: PlacedPage, edit: (at: PlacedGroup) => Group): Page {
  let now = on;
  for (const { group } of on.groups)
    now = placeAgain(
      now,
      onGroup(
        now,
        now.groups.find((g) => g.group.id === group.id),
        edit,
      ),
    );
  return now.page;
}

const anew = (at: PlacedGroup, shapeOf: AspectOf, seed: number, keepSet = false): Group =>
  refit(at, { seed, keepSet, aspectOf: shapes(at.group, shapeOf) });

export const tileMoved =
  (tileId: string, to: { readonly tileId: string; readonly edge: Edge }): Edit =>
  (on) =>
    withTileMoved(on, tileId, to);

/** Tiles off the page: beside those of groups the others take their room, those that lie freely just go. */
export const takenAway =
  (tileIds: readonly string[]): Edit =>
  (on) =>
    withoutFree(removeTiles(on, tileIds), tileIds);

export const halved =
  (tileId: string, way: "side" | "stack", newId: () => string): Edit =>
  (on) =>
    splitTile(on, tileId, way, newId);

export const shaped =
  (tileId: string, aspect: number): Edit =>
  (on) =>
    setTileAspect(on, tileId, aspect);

export const arrangedAs =
  (groupId: string, way: Pick<Alternative, "tree" | "loose">): Edit =>
  (on) =>
    onGroup(
      on,
      on.groups.find((g) => g.group.id === groupId),
      ({ group }) => withTree(group, way.tree, { first: way.tree, loose: way.loose }),
    );

export const asFirstMade: Edit = (on) =>
  eachGroup(on, ({ group }) => (treeIn(group) ? withTree(group, firstTree(group)!) : group));

/** Arranged anew from the seed that lies `by` further; the same one keeps what a hand has set. */
export const solvedFrom =
  (shapeOf: AspectOf, by: number): Edit =>
  (on) =>
    eachGroup(on, (at) => anew(at, shapeOf, Math.max(0, seedOf(on.page) + by), by === 0));

export const seedOf = (page: Page): number => treeIn(mainGroup(page))?.seed ?? 0;

/** The tile leads its group, or none does any more, and the others make room. */
export const ledBy =
  (shapeOf: AspectOf, lead: Tree["lead"]): Edit =>
  (on) =>
    onGroup(on, groupAt(on, lead?.tileId), (at) =>
      anew({ ...at, group: withLead(at, lead) }, shapeOf, seedOf(on.page)),
    );

export const keptTogether =
  (shapeOf: AspectOf, tileIds: readonly string[]): Edit =>
  (on) =>
    onGroup(on, groupAt(on, tileIds[0]), (at) => {
      const asked = keepTogether(at, tileIds);
      // Neighbours that need not be so any more may stay where they are.
      if (!areKeptTogether(asked, tileIds)) return asked;
      return anew({ ...at, group: asked }, shapeOf, seedOf(on.page));
    });

/** A page on which this share of the photos is cropped is arranged anew rather than kept. */
const dearCrop = 0.05;

/** These tiles are equally large from now on, or need not be any more. */
export const madeEqual =
  (shapeOf: AspectOf, tileIds: readonly string[], equal: boolean): Edit =>
  (on) =>
    onGroup(on, groupAt(on, tileIds[0]), (at) => {
      const group = withEqual(at, tileIds, equal);
      const here = placeAgain(on, withGroup(on.page, group)).groups.find((g) => g.group.id === group.id);
      // Where it costs little nothing else moves.
      if (!equal || !here || (areEvenlyLarge(here, tileIds) && costOfEqual(here) < dearCrop)) return group;
      return anew({ ...at, group }, shapeOf, seedOf(on.page));
    });

/** Whether tiles are as large as each other to a thousandth. */
export function areEvenlyLarge(at: PlacedGroup, tileIds: readonly string[]): boolean {
  const areas = at.tiles.filter((t) => tileIds.includes(t.id)).map(area);
  return Math.max(...areas) < 1.001 * Math.min(...areas);
}

export const inOrder =
  (shapeOf: AspectOf, order: Tree["order"]): Edit =>
  (on) =>
    eachGroup(on, (at) => anew({ ...at, group: withOrder(at, order) }, shapeOf, seedOf(on.page)));

export const locked =
  (tileIds: readonly string[], to: boolean): Edit =>
  ({ page }) =>
    withLocked(page, tileIds, to);

/** What is in these tiles stays in them, or may go again. */
export const fillingLocked =
  (tileIds: readonly string[], to: boolean): Edit =>
  ({ page }) =>
    mapTiles(page, (t) => (tileIds.includes(t.id) ? withLock(t, "filling", to) : t));

/** The shape of the photo in each tile; of an empty one there is none. */
function shapes(group: Group, shapeOf: AspectOf): (tileId: string) => number | undefined {
  const byTile = new Map(group.tiles.map((t) => [t.id, photoIdOf(t)]));
  return (tileId) => shapeOf(byTile.get(tileId) ?? "");
}

export const mirrored =
  (way: "side" | "stack"): Edit =>
  (on) =>
    withPageMirrored(on, way);

/** Whether "as first made" would change anything. */
export const differsFromFirst = (page: Page): boolean => mainGroup(page)?.first !== undefined;
