import { fitTogether, hasSet, mapLeaves, solveAround, type TreeLeaf } from "#core/arrange";
import type { Size } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { leadWeight, withTree } from "./lay-tree.ts";
import { mapTiles, type Page, type Tree } from "./page.ts";
import { roomRect } from "./solve-page.ts";
import { treeOfPage } from "./tree-page.ts";

const lockedOn = (page: Page): ReadonlySet<string> => new Set(page.tiles.filter((t) => t.locked).map((t) => t.id));

/** Whether anything on the page is free to be arranged anew. */
export const canSolveAgain = (page: Page): boolean => page.tiles.some((t) => !t.locked) && page.arrangement !== null;

export interface SolveOptions {
  readonly seed: number;
  readonly keepSet: boolean;
  /** Width over height of the photo in a tile, which the tile then has unless a person gave it another shape. */
  readonly aspectOf: (tileId: string) => number | undefined;
}

/**
 * The page arranged anew from a seed. Locked tiles stay where they are; so do seams set by hand, and what they part, when
 * `keepSet` says so. Leading, neighbours and order are as they were asked for.
 */
export function refit(page: Page, format: PageFormat, how: SolveOptions): Page {
  const known = treeOfPage(page, format);
  if (!known || !canSolveAgain(page)) return page;
  const tree = mapLeaves(known, (l) => (l.shaped ? l : { ...l, aspect: how.aspectOf(l.tileId) ?? l.aspect }));
  const was = page.arrangement?.kind === "tree" ? page.arrangement : undefined;
  const room = roomRect(page.look, format);
  const turn = new Map(page.tiles.map((t, i) => [t.id, i]));
  const solve = (leaves: readonly TreeLeaf[], part: Size) =>
    fitTogether(
      {
        photos: leaves
          .toSorted((a, b) => turn.get(a.tileId)! - turn.get(b.tileId)!)
          .map((l) => ({ ...l, weight: weightOf(l.tileId, was?.lead ?? null, leaves.length) })),
        room: part,
        gap: page.look.gapMm,
        seed: how.seed,
        turn: how.seed,
        order: was?.order,
      },
      was?.together ?? [],
    );
  const solved = solveAround({ tree, room, gap: page.look.gapMm, locked: lockedOn(page), keepSet: how.keepSet, solve });
  const first = hasSet(solved) ? (was?.first ?? solved) : solved;
  return withTree(page, format, solved, { seed: how.seed, loose: false, first });
}

/** Which tile leads from now on, if any; and how much of the room it is to have. */
export const withLead = (page: Page, format: PageFormat, lead: Tree["lead"]): Page => withRules(page, format, { lead });

/** These tiles stay neighbours from now on, or, where they do so already, need not any more. */
export function keepTogether(page: Page, format: PageFormat, tileIds: readonly string[]): Page {
  const groups = page.arrangement?.kind === "tree" ? page.arrangement.together : [];
  const others = groups.filter((g) => !g.some((id) => tileIds.includes(id)));
  return withRules(page, format, { together: areKeptTogether(page, tileIds) ? others : [...others, tileIds] });
}

export const areKeptTogether = (page: Page, tileIds: readonly string[]): boolean =>
  page.arrangement?.kind === "tree" &&
  page.arrangement.together.some((g) => tileIds.length > 0 && tileIds.every((id) => g.includes(id)));

export const withOrder = (page: Page, format: PageFormat, order: Tree["order"]): Page =>
  withRules(page, format, { order });

function withRules(page: Page, format: PageFormat, rules: Partial<Tree>): Page {
  const tree = treeOfPage(page, format);
  return tree ? withTree(page, format, tree, rules) : page;
}

export function withLocked(page: Page, tileIds: readonly string[], locked: boolean): Page {
  return mapTiles(page, (t) => (tileIds.includes(t.id) && t.locked !== locked ? { ...t, locked } : t));
}

const weightOf = (tileId: string, lead: Tree["lead"], n: number): number =>
  lead?.tileId === tileId && n > 1 ? leadWeight(lead.share, n) : 1;
