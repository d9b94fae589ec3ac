import { noBorder } from "./look.ts";
import type { Filling, Frame } from "./page.ts";
import type { PlacedTile } from "./place-page.ts";

/** A tile that is drawn on a page and not kept with it: a page number, a spine's words, a mark on a sheet. */
export const drawnTile = (
  id: string,
  frame: Frame,
  filling: Filling,
  dress: Partial<Pick<PlacedTile, "cornerMm" | "border">> = {},
): PlacedTile => ({
  id,
  frame,
  outline: { kind: "rectangle" },
  cornerMm: 0,
  border: noBorder,
  ...dress,
  filling,
  groupId: undefined,
  tile: { id, filling },
});
