import { type FitTask, fitTogether, leavesOf, type TreeNode } from "#core/arrange";
import { ok, type Result, refused } from "#core/result";
import { checkLook, withGapThatFits } from "../page/check-look.ts";
import { wholeRoom } from "../page/new-tile.ts";
import { type Group, mostTiles, photoIdOf, type Tree, treeIn, withGroup, withoutPieces } from "../page/page.ts";
import { groupAt, type PlacedPage, roomRect } from "../page/place-page.ts";
import { type Laid, regrouped, tilesFor } from "./lay-photos.ts";

export interface TreeTask {
  /** In reading order. */
  readonly photos: readonly { readonly id: string; readonly aspect: number }[];
  readonly seed: number;
  /** For so few photos that all trees are tried: the one so many places after the best. */
  readonly turn?: number | undefined;
  /** Leads from now on, whatever did before. */
  readonly lead?: { readonly photoId: string; readonly share: number } | undefined;
  readonly newId: () => string;
}

/** Weights under which one of `n` photos gets `share` of the room, and the others the same each. */
export const leadWeight = (share: number, n: number): number => (share / (1 - share)) * (n - 1);

/**
 * A page's photos fitted anew so that the page is full, all gaps are the same and next to nothing is cropped. A photo
 * that was on the page keeps its framing and its tile's own border; a gap that so many leave no room for is made smaller.
 */
export function layTree(on: PlacedPage, task: TreeTask): Result<Laid, "tooManyTiles" | "marginTooWide"> {
  const n = task.photos.length;
  const { page, look, format } = on;
  if (n > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles: n });
  const bare = checkLook({ ...look, gapMm: 0 }, format, { ...page, pieces: [] });
  if (!bare.ok) return refused("marginTooWide", bare.facts);
  const placed = groupAt(on);
  const group = placed?.group;
  if (n === 0) return ok({ page: group ? withoutPieces(page, [group.id]) : page, left: 0 });
  const tiles = tilesFor(
    group,
    task.photos.map((p) => p.id),
    task.newId,
  );
  const rules = rulesFor(
    treeIn(group),
    tiles.map((t) => t.id),
  );
  const { together, order } = rules;
  const leading = task.lead && tiles.find((t) => photoIdOf(t) === task.lead!.photoId);
  const lead = leading ? { tileId: leading.id, share: task.lead!.share } : rules.lead;
  const equal = equalSetsIn(group);
  const fit: FitTask = {
    photos: tiles.map((tile, i) => ({
      tileId: tile.id,
      aspect: task.photos[i]!.aspect,
      weight: tile.id === lead?.tileId && n > 1 ? leadWeight(lead.share, n) : 1,
      equal: equal.get(tile.id),
    })),
    room: placed?.room ?? roomRect(wholeRoom, look, format),
    gap: placed?.gapMm ?? look.gapMm,
    seed: task.seed,
    turn: task.turn,
    order,
  };
  const tree = fitTogether(fit, together);
  const arrangement: Tree = { kind: "tree", tree, loose: false, seed: task.seed, lead, together, order };
  const laid = withGroup(page, regrouped(group, arrangement, tiles, task.newId));
  return ok({ left: 0, ...withGapThatFits(laid, look, format) });
}

/** What a person asked of the arrangement, as far as it is about tiles that are there. */
function rulesFor(was: Tree | undefined, tileIds: readonly string[]): Pick<Tree, "together" | "order" | "lead"> {
  const here = new Set(tileIds);
  const groups = (was?.together ?? []).map((g) => g.filter((id) => here.has(id)));
  const lead = was?.lead && here.has(was.lead.tileId) ? was.lead : null;
  return { together: groups.filter((g) => g.length > 1), order: was?.order ?? "mostly", lead };
}

export interface TreeChange extends Partial<Omit<Tree, "kind" | "tree">> {
  /** Where "as first made" leads back to from now on. */
  readonly first?: TreeNode;
}

/** The set of equally large tiles that each tile of a group is in; those in none are missing. */
export function equalSetsIn(group: Group | undefined): ReadonlyMap<string, number> {
  const tree = treeIn(group)?.tree;
  const leaves = tree ? leavesOf(tree) : [];
  return new Map(leaves.flatMap((l) => (l.equal === undefined ? [] : [[l.tileId, l.equal] as const])));
}

/** The group with another tree over its tiles; those without a place in it are gone. */
export function withTree(group: Group, tree: TreeNode, { first: asked, ...change }: TreeChange = {}): Group {
  const was = treeIn(group);
  const here = new Set(leavesOf(tree).map((l) => l.tileId));
  const arrangement: Tree = {
    kind: "tree",
    loose: false,
    seed: was?.seed ?? 0,
    ...rulesFor(was, [...here]),
    ...change,
    tree,
  };
  const { first: kept, ...rest } = group;
  const first = asked ?? kept ?? was?.tree ?? tree;
  const tiles = group.tiles.every((t) => here.has(t.id)) ? group.tiles : group.tiles.filter((t) => here.has(t.id));
  return { ...rest, arrangement, tiles, ...(first === tree ? {} : { first }) };
}

/** A tree of which nothing was asked. */
export const plainTree = (tree: TreeNode, loose = false): Tree => ({
  kind: "tree",
  tree,
  loose,
  seed: 0,
  lead: null,
  together: [],
  order: "mostly",
});

/** The tree that a group was first made as. */
export const firstTree = (group: Group): TreeNode | undefined => group.first ?? treeIn(group)?.tree;
