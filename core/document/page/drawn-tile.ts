import { type Dress, noDress } from "./look.ts";
import type { Filling, Frame } from "./page.ts";
import type { PlacedTile } from "./place-page.ts";

/** A tile that is drawn on a page and not kept with it: a page number, a spine's words, a mark on a sheet. */
export const drawnTile = (id: string, frame: Frame, filling: Filling, dress: Partial<Dress> = {}): PlacedTile => ({
  id,
  frame,
  outline: { kind: "rectangle" },
  ...noDress,
  ...dress,
  filling,
  groupId: undefined,
  tile: { id, filling },
});
