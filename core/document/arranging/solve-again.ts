import { fitTogether, hasSet, mapLeaves, solveAround, type TreeLeaf } from "#core/arrange";
import type { Size } from "#core/geometry";
import { arrangedTiles, type Group, isLocked, mapTiles, type Page, type Tree, treeIn, withLock } from "../page/page.ts";
import type { PlacedGroup } from "../page/place-page.ts";
import { leadWeight, type TreeChange, withTree } from "./lay-tree.ts";
import { treeOfGroup } from "./tree-page.ts";

const lockedIn = (group: Group): ReadonlySet<string> => new Set(group.tiles.filter(isLocked).map((t) => t.id));

/** Whether anything on the page is free to be arranged anew. */
export const canSolveAgain = (page: Page): boolean => arrangedTiles(page).some((t) => !isLocked(t));

export interface SolveOptions {
  readonly seed: number;
  readonly keepSet: boolean;
  /** Width over height of the photo in a tile, which the tile then has unless a person gave it another shape. */
  readonly aspectOf: (tileId: string) => number | undefined;
}

/**
 * The group arranged anew from a seed. Locked tiles stay where they are; so do seams set by hand, and what they part, when
 * `keepSet` says so. Leading, neighbours and order are as they were asked for.
 */
export function refit(at: PlacedGroup, how: SolveOptions): Group {
  const { group, room, gapMm } = at;
  const known = treeOfGroup(at);
  if (!known || group.tiles.every(isLocked)) return group;
  const tree = mapLeaves(known, (l) => (l.shaped ? l : { ...l, aspect: how.aspectOf(l.tileId) ?? l.aspect }));
  const was = treeIn(group);
  const turn = new Map(group.tiles.map((t, i) => [t.id, i]));
  const solve = (leaves: readonly TreeLeaf[], part: Size) =>
    fitTogether(
      {
        photos: leaves
          .toSorted((a, b) => turn.get(a.tileId)! - turn.get(b.tileId)!)
          .map((l) => ({ ...l, weight: weightOf(l.tileId, was?.lead ?? null, leaves.length) })),
        room: part,
        gap: gapMm,
        seed: how.seed,
        turn: how.seed,
        order: was?.order,
      },
      was?.together ?? [],
    );
  const solved = solveAround({ tree, room, gap: gapMm, locked: lockedIn(group), keepSet: how.keepSet, solve });
  const first = hasSet(solved) ? (group.first ?? was?.tree ?? solved) : solved;
  return withTree(group, solved, { seed: how.seed, loose: false, first });
}

/** Which tile leads from now on, if any; and how much of the room it is to have. */
export const withLead = (at: PlacedGroup, lead: Tree["lead"]): Group => withRules(at, { lead });

/** These tiles stay neighbours from now on, or, where they do so already, need not any more. */
export function keepTogether(at: PlacedGroup, tileIds: readonly string[]): Group {
  const groups = treeIn(at.group)?.together ?? [];
  const others = groups.filter((g) => !g.some((id) => tileIds.includes(id)));
  return withRules(at, { together: areKeptTogether(at.group, tileIds) ? others : [...others, tileIds] });
}

export const areKeptTogether = (group: Group | undefined, tileIds: readonly string[]): boolean =>
  (treeIn(group)?.together ?? []).some((g) => tileIds.length > 0 && tileIds.every((id) => g.includes(id)));

export const withOrder = (at: PlacedGroup, order: Tree["order"]): Group => withRules(at, { order });

function withRules(at: PlacedGroup, rules: TreeChange): Group {
  const tree = treeOfGroup(at);
  return tree ? withTree(at.group, tree, rules) : at.group;
}

export const withLocked = (page: Page, tileIds: readonly string[], locked: boolean): Page =>
  mapTiles(page, (t) => (tileIds.includes(t.id) ? withLock(t, "place", locked) : t));

const weightOf = (tileId: string, lead: Tree["lead"], n: number): number =>
  lead?.tileId === tileId && n > 1 ? leadWeight(lead.share, n) : 1;
