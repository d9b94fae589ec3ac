import {
  type Filling,
  type FreeTile,
  findTile,
  freeTiles,
  isFree,
  type Page,
  type PlacedPage,
  photoIdOf,
  placeAgain,
  withFree,
} from "#core/document";
import { tiedAnew } from "./free/index.ts";

/** What was copied: tiles that lie freely as they are, and of the others what is in them. */
export interface Clip {
  readonly free: readonly FreeTile[];
  readonly fillings: readonly Filling[];
}

export function clipOf(page: Page, tileIds: readonly string[]): Clip {
  const tiles = tileIds.flatMap((id) => findTile(page, id) ?? []);
  return {
    free: freeTiles(page).filter((t) => tileIds.includes(t.id)),
    fillings: tiles.flatMap((t) => (isFree(page, t.id) || t.filling.kind === "empty" ? [] : [t.filling])),
  };
}

/** The photos of a clip that go among others on a page. */
export const photosIn = ({ fillings }: Clip): readonly string[] =>
  fillings.flatMap((filling) => photoIdOf({ filling }) ?? []);

const besideMm = 5;

/** Free tiles onto a page as things of their own: where they lay, and a little beside what lies just there already. */
export function freelyPasted(
  on: PlacedPage,
  tiles: readonly FreeTile[],
  newId: () => string,
): { readonly page: Page; readonly ids: readonly string[] } {
  let now = on;
  const ids: string[] = [];
  for (const tile of tiedAnew(tiles, newId)) {
    let { centre } = tile.frame;
    const taken = () =>
      freeTiles(now.page).some(
        (t) => Math.hypot(t.frame.centre.x - centre.x, t.frame.centre.y - centre.y) < besideMm / 2,
      );
    while (taken()) centre = { x: centre.x + besideMm, y: centre.y + besideMm };
    const inside = (v: number, room: number) => Math.min(room, Math.max(0, v));
    centre = { x: inside(centre.x, on.format.widthMm), y: inside(centre.y, on.format.heightMm) };
    const id = newId();
    ids.push(id);
    now = placeAgain(now, withFree(now.page, { ...tile, id, frame: { ...tile.frame, centre } }));
  }
  return { page: now.page, ids };
}
