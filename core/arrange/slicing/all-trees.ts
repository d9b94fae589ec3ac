import type { Score } from "./score.ts";
import { type SlicingTask, side, stack, Workbench } from "./workbench.ts";

/** A shape of tree over leaves in a row: a leaf, or a way with what it holds. */
type Shape = 0 | { readonly way: number; readonly left: Shape; readonly right: Shape };

const known = new Map<string, readonly Shape[]>();

/**
 * Every slicing tree over `n` leaves in order, each once: a part of one way never stands first in a part of the same way,
 * since a row in a row is one row.
 */
function shapes(n: number, not = -1): readonly Shape[] {
  if (n === 1) return [0];
  const key = `${n} ${not}`;
  const before = known.get(key);
  if (before) return before;
  const found: Shape[] = [];
  for (const way of [side, stack]) {
    if (way === not) continue;
    for (let k = 1; k < n; k += 1)
      for (const left of shapes(k, way)) for (const right of shapes(n - k)) found.push({ way, left, right });
  }
  known.set(key, found);
  return found;
}

function* orders(list: readonly number[]): Generator<readonly number[]> {
  if (list.length < 2) {
    yield list;
    return;
  }
  for (const [i, first] of list.entries())
    for (const rest of orders(list.filter((_, k) => k !== i))) yield [first, ...rest];
}

interface Ranked {
  readonly tree: Workbench;
  readonly cost: number;
}

/** A tree that costs this much more than the best is none that anybody would want to see. */
const farOff = 1.5;

/**
 * The cheapest of all trees there are, for five photos ten thousand, beyond that too many; or the `turn`-th of the
 * cheapest, begun again from the first after the last that is any good.
 */
export function bestOfAll(task: SlicingTask, score: Score, turn: number): Ranked {
  const n = task.aspects.length;
  const trial = new Workbench(task);
  const kept: Ranked[] = [];
  let bound = Number.POSITIVE_INFINITY;
  let next = n;
  let leaf = 0;
  const plant = (shape: Shape): number => {
    if (shape === 0) {
      leaf += 1;
      return leaf - 1;
    }
    const node = next;
    next += 1;
    trial.join(node, shape.way, plant(shape.left), plant(shape.right));
    return node;
  };
  const all = [...orders(Array.from({ length: n }, (_, i) => i))];
  for (const shape of shapes(n)) {
    next = n;
    leaf = 0;
    trial.root = plant(shape);
    for (const order of all) {
      trial.photo.set(order);
      // Inner nodes are numbered from the root down.
      for (let node = 0; node < n; node += 1) trial.derive(node);
      for (let node = 2 * n - 2; node >= n; node -= 1) trial.derive(node);
      const cost = score.of(trial, bound);
      if (cost >= bound) continue;
      const tree = new Workbench(task);
      tree.copyFrom(trial);
      const at = kept.findIndex((k) => k.cost > cost);
      kept.splice(at < 0 ? kept.length : at, 0, { tree, cost });
      kept.length = Math.min(kept.length, turn + 1);
      if (kept.length > turn) bound = kept[turn]!.cost;
    }
  }
  const good = kept.filter((k) => k.cost <= kept[0]!.cost + farOff);
  return good[turn % good.length] ?? { tree: trial, cost: bound };
}
