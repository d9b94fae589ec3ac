import {
  type Change,
  type ChangeTrouble,
  checkGroupGap,
  type Dress,
  type Group,
  groupsOf,
  inheritsDress,
  type Page,
  type Patch,
  type PlacedGroup,
  type PlacedTile,
} from "#core/document";
import { ok, type Result } from "#core/result";

/** The group of which all tiles are meant. */
export const wholeGroup = (page: Page, tileIds: readonly string[]): Group | undefined =>
  groupsOf(page).find(
    ({ tiles }) => tiles.length > 1 && tiles.length === tileIds.length && tiles.every((t) => tileIds.includes(t.id)),
  );

/**
 * What tiles wear. Of a whole group the group says it, so that a photo which joins it later looks the same, and none of its tiles says anything else;
 * what inherits no dress, as words do not, says it itself.
 */
export function dressed(
  page: Page,
  tiles: readonly PlacedTile[],
  own: (tile: PlacedTile) => Patch<Dress>,
): readonly Change[] {
  const pageId = page.id;
  const wear = tiles.filter((t) => inheritsDress(t.filling));
  const group = wholeGroup(
    page,
    tiles.map((t) => t.id),
  );
  const first = wear[0];
  if (!group || !first) return [{ type: "setTiles", pageId, items: tiles.map((t) => ({ id: t.id, ...own(t) })) }];
  const said = own(first);
  const keys = [...Object.keys(said.set ?? {}), ...(said.unset ?? [])] as (keyof Dress)[];
  return [
    { type: "setGroups", pageId, items: [{ id: group.id, ...said }] },
    {
      type: "setTiles",
      pageId,
      items: tiles.map((t) => ({ id: t.id, ...(wear.includes(t) ? { unset: keys } : own(t)) })),
    },
  ];
}

/** The gap of one group, in mm; that of the page again where none is given. */
export function groupGap(
  pageId: string,
  at: PlacedGroup,
  gapMm: number | undefined,
): Result<Change, Extract<ChangeTrouble, "gapTooWide" | "lessThanNothing">> {
  if (gapMm === undefined) return ok({ type: "setGroups", pageId, items: [{ id: at.group.id, unset: ["gapMm"] }] });
  const fits = checkGroupGap(at, gapMm);
  return fits.ok ? ok({ type: "setGroups", pageId, items: [{ id: at.group.id, set: { gapMm } }] }) : fits;
}
