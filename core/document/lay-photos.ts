import { grid } from "#core/arrange";
import type { PageFormat } from "#core/lab";
import { ok, type Result, refused } from "#core/result";
import { checkLook } from "./check-look.ts";
import { autoFramed } from "./framing.ts";
import { type Filling, type Grid, mostTiles, type Page, photoIdOf, type Tile } from "./page.ts";
import { roomRect, solvePage } from "./solve-page.ts";

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
export function layPhotos(
  page: Page,
  format: PageFormat,
  task: LayTask,
): Result<Laid, "tooManyTiles" | "marginTooWide"> {
  const { asked } = task;
  const cellsAsked = (asked.rows ?? 1) * (asked.columns ?? 1);
  const tiles = Math.max(cellsAsked, asked.rows && asked.columns ? 0 : task.photos.length);
  if (tiles > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles });
  const room = roomRect(page.look, format);
  const plan = grid({ aspects: task.photos.map((p) => p.aspect), room, gap: page.look.gapMm, asked });
  const fits = checkLook(page.look, format, plan);
  if (!fits.ok && fits.code === "marginTooWide") return { ...fits, code: "marginTooWide" };
  const gapMm = fits.ok ? page.look.gapMm : Math.floor(Number(fits.facts.mostMm) * 10) / 10;
  const look = fits.ok ? page.look : { ...page.look, gapMm };
  const laid = tilesFor(
    page,
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
  const solved = solvePage({ ...page, look, tiles: laid, arrangement }, format);
  const left = Math.max(0, task.photos.length - plan.cells.length);
  return ok({ page: solved, left, ...(fits.ok ? {} : { gapNow: gapMm }) });
}

/** A tile for each photo, as it was on the page where it was; empty ones for places without. */
export function tilesFor(page: Page, photoIds: readonly (string | undefined)[], newId: () => string): Tile[] {
  const before = new Map(page.tiles.map((t) => [photoIdOf(t), t]));
  const taken = new Set<Tile>();
  return photoIds.map((id) => {
    const known = id === undefined ? undefined : before.get(id);
    // A photo that is there twice has a tile each time.
    if (!known || taken.has(known)) return newTile(page, id, newId);
    taken.add(known);
    return known;
  });
}

const nothingYet: Filling = { kind: "empty" };

/** A tile that looks as the page's tiles do; where it lies is for the arrangement to say. */
export function newTile(page: Page, photoId: string | undefined, newId: () => string): Tile {
  return {
    id: newId(),
    outline: { kind: "rectangle", cornerMm: page.look.cornerMm },
    frame: { centre: { x: 0, y: 0 }, width: 0, height: 0, turn: 0 },
    filling: photoId === undefined ? nothingYet : { kind: "photo", view: autoFramed(photoId) },
    edge: { border: page.look.border },
    locked: false,
  };
}
