import { leavesOf, mapLeaves, type TreeNode, treeFromRects } from "#core/arrange";
import { plainTree, withTree } from "../arranging/lay-tree.ts";
import { treeOfGroup } from "../arranging/tree-page.ts";
import { saidBy } from "../page/look.ts";
import { newGroup } from "../page/new-tile.ts";
import {
  barePage,
  type FreeTile,
  frameRect,
  freeTiles,
  type Group,
  type Look,
  type Page,
  type Piece,
  type Tile,
} from "../page/page.ts";
import { type PlacedPage, type PlacedTile, placePage } from "../page/place-page.ts";
import { formatOf } from "./book.ts";
import type { Project } from "./project.ts";

const shifted = (tile: FreeTile, by: number): FreeTile => ({
  ...tile,
  frame: { ...tile.frame, centre: { ...tile.frame.centre, x: tile.frame.centre.x + by } },
});

/** A tile out of its group, lying where it lay. */
const freed = ({ tile, frame }: PlacedTile): FreeTile => ({ ...tile, kind: "tile", frame });

/** Two facing pages as one spread: their arrangements side by side, and what lies freely where it lay. Keeps the left one's id. */
export function joined(project: Project, left: Page, right: Page): Page {
  const w = project.format.widthMm;
  const sides = [left, right].map((p) => placePage(p, formatOf(project, p), project.style));
  const cut = sides.flatMap((on) => on.groups.filter((g) => treeOfGroup(g) !== undefined));
  const over = [...freeTiles(left), ...freeTiles(right).map((t) => shifted(t, w))];
  const under = sides.flatMap((on, i) =>
    on.groups.filter((g) => !cut.includes(g)).flatMap((g) => g.tiles.map((t) => shifted(freed(t), i * w))),
  );
  const bare: Page = { ...left, span: 2, paced: false, blank: false };
  const first = cut[0];
  if (!first) return { ...bare, pieces: [...under, ...over] };
  const trees = cut.map((g) => treeOfGroup(g)!);
  const tree: TreeNode =
    trees.length === 1
      ? trees[0]!
      : { way: "side", parts: trees.flatMap((t) => ("way" in t && t.way === "side" && !t.set ? t.parts : [t])) };
  const group: Group = { ...first.group, tiles: cut.flatMap((g) => g.group.tiles) };
  return { ...bare, pieces: [...under, withTree(group, tree, { first: tree, loose: false }), ...over] };
}

/** A spread as two pages: each tile goes to the side on which its middle lies. Keeps its id for the left one. */
export function parted(project: Project, spread: Page, newId: () => string): readonly [Page, Page] {
  const w = project.format.widthMm;
  const on = placePage(spread, formatOf(project, spread), project.style);
  const onLeft = ({ frame }: Pick<FreeTile, "frame">) => frame.centre.x < w;
  const half = (page: Page, keep: (t: Pick<FreeTile, "frame">) => boolean, by: number): Page => {
    const free = freeTiles(spread)
      .filter(keep)
      .map((t) => shifted(t, by));
    const arranged = on.groups.flatMap((g): readonly Piece[] => partOf(g.tiles.filter(keep), on, g.group, by, newId));
    return { ...page, pieces: [...arranged, ...free] };
  };
  const bare = (id: string): Page => ({ ...barePage(() => id, 1, saidBy(spread)), plain: spread.plain });
  return [half(bare(spread.id), onLeft, 0), half(bare(newId()), (t) => !onLeft(t), -w)];
}

/** Those tiles of a group that stay together on one page, cut as they lay. */
function partOf(
  tiles: readonly PlacedTile[],
  on: PlacedPage,
  group: Group,
  by: number,
  newId: () => string,
): readonly Piece[] {
  if (tiles.length === 0) return [];
  const tree = treeOfGroup(on.groups.find((g) => g.group === group));
  const rects = tiles.map((t) => ({ tileId: t.id, ...frameRect(t.frame) }));
  const own = tree && treeFromRects(rects);
  if (!tree || !own) return tiles.map((t) => shifted(freed(t), by));
  const aspects = new Map(leavesOf(tree).map((l) => [l.tileId, l.aspect]));
  const natural = mapLeaves(own, (l) => ({ ...l, aspect: aspects.get(l.tileId) ?? l.aspect }));
  const kept: readonly Tile[] = tiles.map((t) => t.tile);
  return [newGroup(plainTree(natural), kept, newId)];
}

/** Whether anything lies on a page, a photo behind it and a paper of its own included. */
export const holdsAnything = (page: Page, style: Pick<Look, "backdrop">): boolean =>
  page.pieces.length > 0 ||
  Boolean(page.paper) ||
  (page.backdrop === undefined ? style.backdrop : page.backdrop) !== null;

/** Whether anything lies on any page of a work, or a page is bare on purpose. */
export const isBegun = ({ pages, style }: Pick<Project, "pages" | "style">): boolean =>
  pages.some((p) => p.blank || holdsAnything(p, style));
