import type { Score } from "./score.ts";
import { type SlicingTask, side, stack, Workbench } from "./workbench.ts";

// Looked up once: inside the loops below a global costs more than the sum it is part of.
const { exp, floor, log } = Math;

export interface Annealing {
  readonly steps: number;
  readonly warmest: number;
  readonly coldest: number;
}

/**
 * Makes `tree` better by small changes, worse ones let through less and less often (simulated annealing, Kirkpatrick,
 * Gelatt and Vecchi 1983). `tree` holds the best that was seen afterwards; its cost comes back.
 */
export function anneal(tree: Workbench, task: SlicingTask, score: Score, random: () => number, how: Annealing): number {
  const now = new Workbench(task);
  const trial = new Workbench(task);
  now.copyFrom(tree);
  trial.copyFrom(tree);
  let cost = score.of(trial, Number.POSITIVE_INFINITY);
  let best = cost;
  const cooling = log(how.coldest / how.warmest) / how.steps;
  for (let step = 0; step < how.steps; step += 1) {
    const warmth = how.warmest * exp(cooling * step);
    if (!change(trial, random)) continue;
    const bound = cost - warmth * log(random() + 1e-12);
    const next = score.of(trial, bound);
    if (next <= bound) {
      cost = next;
      now.copyFrom(trial);
      if (cost < best) {
        best = cost;
        tree.copyFrom(trial);
      }
    } else trial.copyFrom(now);
  }
  return best;
}

/** One small change at random; false where it came to nothing. */
function change(tree: Workbench, random: () => number): boolean {
  const { n } = tree;
  const dice = random();
  const inner = n + floor(random() * (n - 1));
  if (dice < 0.25) {
    tree.way[inner] = tree.way[inner] === side ? stack : side;
    tree.deriveUp(inner);
    return true;
  }
  if (dice < 0.35) {
    const l = tree.left[inner]!;
    tree.left[inner] = tree.right[inner]!;
    tree.right[inner] = l;
    return true;
  }
  if (dice < 0.6) return swapPhotos(tree, random);
  return regraft(tree, random);
}

/** Two photos change places; mostly neighbours in reading order, so that the order is not lost. */
function swapPhotos(tree: Workbench, random: () => number): boolean {
  const { n, photo } = tree;
  const a = floor(random() * n);
  const near = random() < 0.7;
  let b = floor(random() * n);
  if (near) {
    const wanted = photo[a]! + (random() < 0.5 ? -1 : 1) * (1 + floor(random() * 2));
    b = photo.indexOf(wanted);
    if (b < 0) return false;
  }
  if (a === b) return false;
  const p = photo[a]!;
  photo[a] = photo[b]!;
  photo[b] = p;
  tree.deriveUp(a);
  tree.deriveUp(b);
  return true;
}

/** A leaf whose photo is read a little before or after, or a part that holds it. */
function nearInReading(tree: Workbench, what: number, random: () => number): number {
  const { n, photo, parent, left, right } = tree;
  let leaf = what;
  while (leaf >= n) leaf = random() < 0.5 ? left[leaf]! : right[leaf]!;
  const wanted = photo[leaf]! + (random() < 0.5 ? -1 : 1) * (1 + floor(random() * 3));
  let onto = photo.indexOf(wanted);
  while (onto >= 0 && random() < 0.45) onto = parent[onto]!;
  return onto;
}

/** A leaf, or sometimes more, is cut off and grafted on elsewhere. */
function regraft(tree: Workbench, random: () => number): boolean {
  const { n, parent, left, right } = tree;
  const size = 2 * n - 1;
  const what = random() < 0.75 ? floor(random() * n) : floor(random() * size);
  const p = parent[what]!;
  if (p < 0) return false;
  const stays = left[p] === what ? right[p]! : left[p]!;
  const onto = random() < 0.75 ? nearInReading(tree, what, random) : floor(random() * size);
  if (onto < 0) return false;
  // Not into itself, nor where it is.
  if (onto === p || onto === stays || onto === what) return false;
  for (let at = onto; at >= 0; at = parent[at]!) if (at === what) return false;
  const g = parent[p]!;
  hang(tree, stays, p, g);
  hang(tree, p, onto, parent[onto]!);
  const way = random() < 0.5 ? side : stack;
  if (random() < 0.5) tree.join(p, way, what, onto);
  else tree.join(p, way, onto, what);
  if (g >= 0) tree.deriveUp(g);
  tree.deriveUp(p);
  return true;
}

/** Puts a node under `above` in the place of another; under nothing it is the root. */
function hang(tree: Workbench, node: number, instead: number, above: number): void {
  if (above < 0) {
    tree.root = node;
    return;
  }
  tree.parent[node] = above;
  if (tree.left[above] === instead) tree.left[above] = node;
  else tree.right[above] = node;
}
