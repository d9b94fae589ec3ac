import { autoFramed } from "../fillings/index.ts";
import type { Arrangement, Filling, Frame, FreeTile, Group, Room, Tile } from "./page.ts";
import { noBorder } from "./plain-dress.ts";

/** Makes tiles and groups. */

const nothingYet: Filling = { kind: "empty" };

/** A tile that looks as its group's tiles do; where it lies is for the arrangement to say. */
export const newTile = (photoId: string | undefined, newId: () => string): Tile => ({
  id: newId(),
  filling: photoId === undefined ? nothingYet : { kind: "photo", view: autoFramed(photoId) },
});

/** A tile to lie on its own, without corners and border. */
export const newFreeTile = (frame: Frame, filling: Filling, newId: () => string): FreeTile => ({
  kind: "tile",
  id: newId(),
  filling,
  cornerMm: 0,
  border: noBorder,
  frame,
});

/** All of a page inside its margins. */
export const wholeRoom: Room = { kind: "share", of: "page", share: { left: 0, top: 0, right: 1, bottom: 1 } };

export const newGroup = (
  arrangement: Arrangement,
  tiles: readonly Tile[],
  newId: () => string,
  room: Room = wholeRoom,
): Group => ({ kind: "group", id: newId(), room, arrangement, tiles });
