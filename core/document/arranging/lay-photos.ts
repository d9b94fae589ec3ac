import { grid } from "#core/arrange";
import { ok, type Result, refused } from "#core/result";
import { bestRows } from "../arrangements/index.ts";
import { checkLook, withGapThatFits } from "../page/check-look.ts";
import { newGroup, newTile, wholeRoom } from "../page/new-tile.ts";
import {
  type Grid,
  type Group,
  mostTiles,
  type Page,
  photoIdOf,
  type Tile,
  withGroup,
  withoutPieces,
} from "../page/page.ts";
import { groupAt, type PlacedPage, roomRect } from "../page/place-page.ts";

export interface LayTask {
  /** In reading order. */
  readonly photos: readonly { readonly id: string; readonly aspect: number }[];
  readonly asked: Grid["asked"];
  readonly newId: () => string;
}

export interface Laid {
  readonly page: Page;
  /** Photos that the typed rows and columns had no cell for. */
  readonly left: number;
  /** Set when the gap had to become smaller for so many tiles. */
  readonly gapNow?: number;
}

/**
 * A page's photos laid out anew as a grid. A photo that was on the page keeps its framing and its tile's own border; a
 * gap that so many tiles leave no room for is made smaller.
 */
export function layPhotos(on: PlacedPage, task: LayTask): Result<Laid, "tooManyTiles" | "marginTooWide"> {
  const { asked } = task;
  const cellsAsked = (asked.rows ?? 1) * (asked.columns ?? 1);
  const tiles = Math.max(cellsAsked, asked.rows && asked.columns ? 0 : task.photos.length);
  if (tiles > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles });
  const { page, look, format } = on;
  const was = groupAt(on);
  const room = was?.room ?? roomRect(wholeRoom, look, format);
  const gap = was?.gapMm ?? look.gapMm;
  const plan = grid({ aspects: task.photos.map((p) => p.aspect), room, gap, asked });
  const laid = tilesFor(
    was?.group,
    plan.cells.map((_, i) => task.photos[i]?.id),
    task.newId,
  );
  const arrangement: Grid = {
    kind: "grid",
    columns: plan.columns,
    rows: plan.rows,
    cells: plan.cells.map((cell, i) => ({ ...cell, tileId: laid[i]!.id })),
    asked,
  };
  const next = withGroup(page, regrouped(was?.group, arrangement, laid, task.newId));
  const fits = checkLook(look, format, next);
  if (!fits.ok && fits.code === "marginTooWide") return refused("marginTooWide", fits.facts);
  const left = Math.max(0, task.photos.length - plan.cells.length);
  return ok({ left, ...withGapThatFits(next, look, format) });
}

/** A page's photos laid out anew in rows of one height, in their order; as `layPhotos` otherwise. */
export function layRows(
  on: PlacedPage,
  { photos, newId }: Omit<LayTask, "asked">,
): Result<Laid, "tooManyTiles" | "marginTooWide"> {
  const { page, look, format } = on;
  if (photos.length > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles: photos.length });
  const was = groupAt(on);
  if (photos.length === 0) return ok({ page: was ? withoutPieces(page, [was.group.id]) : page, left: 0 });
  const tiles = tilesFor(
    was?.group,
    photos.map((p) => p.id),
    newId,
  );
  const leaves = tiles.map((t, i) => ({ tileId: t.id, aspect: photos[i]!.aspect }));
  const room = was?.room ?? roomRect(wholeRoom, look, format);
  const rows = bestRows(leaves, room, was?.gapMm ?? look.gapMm);
  const next = withGroup(page, regrouped(was?.group, { kind: "rows", rows }, tiles, newId));
  const fits = checkLook(look, format, next);
  if (!fits.ok && fits.code === "marginTooWide") return refused("marginTooWide", fits.facts);
  return ok({ left: 0, ...withGapThatFits(next, look, format) });
}

/** The group with other tiles in another arrangement, or a new one over all of the page. */
export function regrouped(
  was: Group | undefined,
  arrangement: Group["arrangement"],
  tiles: readonly Tile[],
  newId: () => string,
): Group {
  if (!was) return newGroup(arrangement, tiles, newId);
  const { first: _, ...rest } = was;
  return { ...rest, arrangement, tiles };
}

/** A tile for each photo, as it was in the group where it was; empty ones for places without. */
export function tilesFor(
  group: Group | undefined,
  photoIds: readonly (string | undefined)[],
  newId: () => string,
): Tile[] {
  const before = new Map(group?.tiles.map((t) => [photoIdOf(t), t]));
  const taken = new Set<Tile>();
  return photoIds.map((id) => {
    const known = id === undefined ? undefined : before.get(id);
    // A photo that is there twice has a tile each time.
    if (!known || taken.has(known)) return newTile(id, newId);
    taken.add(known);
    return known;
  });
}
