import { type FitTask, fitTogether, leavesOf, type TreeNode } from "#core/arrange";
import type { PageFormat } from "#core/lab";
import { ok, type Result, refused } from "#core/result";
import { checkLook } from "./check-look.ts";
import { type Laid, tilesFor } from "./lay-photos.ts";
import { mostTiles, type Page, photoIdOf, type Tree } from "./page.ts";
import { roomRect, solvePage } from "./solve-page.ts";

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
export function layTree(
  page: Page,
  format: PageFormat,
  task: TreeTask,
): Result<Laid, "tooManyTiles" | "marginTooWide"> {
  const n = task.photos.length;
  if (n > mostTiles) return refused("tooManyTiles", { most: mostTiles, tiles: n });
  const bare = checkLook({ ...page.look, gapMm: 0 }, format, null);
  if (!bare.ok) return refused("marginTooWide", bare.facts);
  if (n === 0) return ok({ page: { ...page, tiles: [], arrangement: null }, left: 0 });
  const tiles = tilesFor(
    page,
    task.photos.map((p) => p.id),
    task.newId,
  );
  const was = page.arrangement?.kind === "tree" ? page.arrangement : undefined;
  const rules = rulesFor(
    was,
    tiles.map((t) => t.id),
  );
  const { together, order } = rules;
  const leading = task.lead && tiles.find((t) => photoIdOf(t) === task.lead!.photoId);
  const lead = leading ? { tileId: leading.id, share: task.lead!.share } : rules.lead;
  const fit: FitTask = {
    photos: tiles.map((tile, i) => ({
      tileId: tile.id,
      aspect: task.photos[i]!.aspect,
      weight: tile.id === lead?.tileId && n > 1 ? leadWeight(lead.share, n) : 1,
    })),
    room: roomRect(page.look, format),
    gap: page.look.gapMm,
    seed: task.seed,
    turn: task.turn,
    order,
  };
  const tree = fitTogether(fit, together);
  const arrangement: Tree = { kind: "tree", tree, first: tree, loose: false, seed: task.seed, lead, together, order };
  const fits = checkLook(page.look, format, arrangement);
  const gapMm = fits.ok ? page.look.gapMm : Math.floor(Number(fits.facts.mostMm) * 10) / 10;
  const look = fits.ok ? page.look : { ...page.look, gapMm };
  const laid = solvePage({ ...page, look, tiles, arrangement }, format);
  return ok({ page: laid, left: 0, ...(fits.ok ? {} : { gapNow: gapMm }) });
}

/** What a person asked of the arrangement, as far as it is about tiles that are there. */
function rulesFor(was: Tree | undefined, tileIds: readonly string[]): Pick<Tree, "together" | "order" | "lead"> {
  const here = new Set(tileIds);
  const groups = (was?.together ?? []).map((g) => g.filter((id) => here.has(id)));
  const lead = was?.lead && here.has(was.lead.tileId) ? was.lead : null;
  return { together: groups.filter((g) => g.length > 1), order: was?.order ?? "mostly", lead };
}

/** The page with another tree over the same tiles; `first` is where "as first made" leads back to. */
export function withTree(page: Page, format: PageFormat, tree: TreeNode, change: Partial<Tree> = {}): Page {
  const was = page.arrangement?.kind === "tree" ? page.arrangement : undefined;
  const here = new Set(leavesOf(tree).map((l) => l.tileId));
  const arrangement: Tree = {
    kind: "tree",
    first: was?.first ?? tree,
    loose: false,
    seed: was?.seed ?? 0,
    ...rulesFor(was, [...here]),
    ...change,
    tree,
  };
  return solvePage({ ...page, tiles: page.tiles.filter((t) => here.has(t.id)), arrangement }, format);
}
