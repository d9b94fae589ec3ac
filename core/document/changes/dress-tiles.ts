import { ok, type Result, refused } from "#core/result";
import { type Border, findTile, mapTiles, type Tile } from "../page.ts";
import { findPage, type Project, withPage } from "../project.ts";
import type { ChangeKind } from "./kind.ts";
import type { PutPage } from "./put-page.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** Gives some tiles a corner, a border or a bleed of their own; a bleed of `null` is that of all cards again. */
export interface DressTiles {
  readonly type: "dressTiles";
  readonly pageId: string;
  readonly tileIds: readonly string[];
  readonly cornerMm?: number;
  readonly border?: Border;
  readonly bleedMm?: number | null;
}

function apply(project: Project, change: DressTiles): Result<Project, ChangeTrouble> {
  const page = findPage(project, change.pageId);
  if (!page) return refused("pageGone", { pageId: change.pageId });
  const gone = change.tileIds.find((id) => !findTile(page, id));
  if (gone !== undefined) return refused("tileGone", { tileId: gone });
  const { cornerMm, tileIds } = change;
  const dressed = mapTiles(page, (tile) =>
    tileIds.includes(tile.id)
      ? {
          ...tile,
          outline: cornerMm === undefined ? tile.outline : { ...tile.outline, cornerMm },
          edge: edged(tile.edge, change),
        }
      : tile,
  );
  return ok(withPage(project, dressed));
}

function edged(edge: Tile["edge"], { border, bleedMm }: DressTiles): Tile["edge"] {
  const { bleedMm: own, ...rest } = border === undefined ? edge : { ...edge, border };
  const next = bleedMm === undefined ? own : (bleedMm ?? undefined);
  return next === undefined ? rest : { ...rest, bleedMm: next };
}

const invert = (before: Project, change: DressTiles): PutPage => ({
  type: "putPage",
  page: findPage(before, change.pageId)!,
});

/** Of the same tiles, what the later one says counts. */
function merge(first: DressTiles, next: DressTiles): DressTiles | undefined {
  const same = first.pageId === next.pageId && first.tileIds.join() === next.tileIds.join();
  return same ? { ...first, ...next } : undefined;
}

export const dressTiles: ChangeKind<DressTiles, PutPage> = { apply, invert, merge, pageId: (change) => change.pageId };
