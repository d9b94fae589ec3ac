import { leavesOf, mapLeaves, type TreeNode, treeFromRects } from "#core/arrange";
import { containsPoint } from "#core/geometry";
import { formatOf } from "./book.ts";
import { withTree } from "./lay-tree.ts";
import { allTiles, barePage, type Page, type Tile } from "./page.ts";
import type { Project } from "./project.ts";
import { treeOfPage } from "./tree-page.ts";

const shifted = (tile: Tile, by: number): Tile => ({
  ...tile,
  frame: { ...tile.frame, centre: { ...tile.frame.centre, x: tile.frame.centre.x + by } },
});

/** Two facing pages as one spread: their arrangements side by side, and what lies freely where it lay. Keeps the left one's id. */
export function joined(project: Project, left: Page, right: Page): Page {
  const w = project.format.widthMm;
  const bare: Page = { ...left, leaves: 2, paced: false, blank: false };
  const spread: Page = {
    ...bare,
    tiles: [...left.tiles, ...right.tiles],
    over: [...left.over, ...right.over.map((t) => shifted(t, w))],
    arrangement: null,
  };
  const trees = [left, right].flatMap((p) => treeOfPage(p, formatOf(project, p)) ?? []);
  const format = { ...formatOf(project, left), widthMm: 2 * w, folds: [{ atMm: w, hiddenMm: 0 }] };
  if (trees.length === 0) return spread;
  const tree: TreeNode =
    trees.length === 1
      ? trees[0]!
      : { way: "side", parts: trees.flatMap((t) => ("way" in t && t.way === "side" && !t.set ? t.parts : [t])) };
  return withTree(spread, format, tree, { first: tree, loose: false });
}

/** A spread as two pages: each tile goes to the side on which its middle lies. Keeps its id for the left one. */
export function parted(project: Project, spread: Page, newId: () => string): readonly [Page, Page] {
  const w = project.format.widthMm;
  const format = formatOf(project, spread);
  const onLeft = (t: Tile) => containsPoint({ x: -1e6, y: -1e6, w: 1e6 + w, h: 2e6 }, t.frame.centre);
  const tree = treeOfPage(spread, format);
  const here = new Set(tree ? leavesOf(tree).map((l) => l.tileId) : []);
  const half = (page: Page, keep: (t: Tile) => boolean, by: number): Page => {
    const tiles = spread.tiles.filter(keep).map((t) => shifted(t, by));
    const next: Page = {
      ...page,
      tiles,
      over: spread.over.filter(keep).map((t) => shifted(t, by)),
      arrangement: null,
    };
    const placed = tiles.filter((t) => here.has(t.id));
    if (!tree || placed.length === 0) return next;
    const aspects = new Map(leavesOf(tree).map((l) => [l.tileId, l.aspect]));
    const rects = placed.map((t) => ({
      tileId: t.id,
      x: t.frame.centre.x - t.frame.width / 2,
      y: t.frame.centre.y - t.frame.height / 2,
      w: t.frame.width,
      h: t.frame.height,
    }));
    const own = treeFromRects(rects);
    if (!own) return next;
    const natural = mapLeaves(own, (l) => ({ ...l, aspect: aspects.get(l.tileId) ?? l.aspect }));
    return withTree(next, project.format, natural, { first: natural, loose: false });
  };
  const bare = (id: string): Page => ({ ...barePage(spread.look, () => id), plain: spread.plain });
  return [half(bare(spread.id), onLeft, 0), half(bare(newId()), (t) => !onLeft(t), -w)];
}

export const holdsAnything = (page: Page): boolean => allTiles(page).length > 0 || page.look.backdrop !== null;

/** Whether anything lies on any page of a work, or a page is bare on purpose. */
export const isBegun = ({ pages }: { readonly pages: readonly Page[] }): boolean =>
  pages.some((p) => p.blank || holdsAnything(p));
