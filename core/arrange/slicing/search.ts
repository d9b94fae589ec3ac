import { seededRandom } from "#core/random";
import { bestOfAll } from "./all-trees.ts";
import { anneal } from "./anneal.ts";
import { bandStart } from "./band-start.ts";
import { rowStart } from "./row-start.ts";
import { price, Score } from "./score.ts";
import { type SlicingTask, Workbench } from "./workbench.ts";

/** Up to here every tree there is can be tried. */
const fewPhotos = 5;
/** And so many of the best of those take turns. */
const fewTurns = 12;
/** Above, one long search from a good start does better than several short ones. */
const manyPhotos = 24;

export interface Found {
  readonly tree: Workbench;
  readonly cost: number;
}

/**
 * The best tree for the photos: of all trees for a few, by a seeded search for many. Bounded by a count of steps, so that
 * the same task and seed give the same tree on any machine; about 10 to 40 ms of processor time.
 */
export function bestTree(task: SlicingTask, seed: number, turn = 0): Found {
  const n = task.aspects.length;
  const score = new Score(task);
  if (n <= fewPhotos) return bestOfAll(task, score, turn % fewTurns);
  const random = seededRandom(seed + 1);
  const many = n > manyPhotos;
  const rounds = many ? 1 : 4;
  const steps = many ? Math.floor(110_000 / n) : Math.floor(Math.min(16_000, 170_000 / n) / rounds);
  const search = () => (many ? longSearch(task, score, random, steps) : shortSearch(task, score, random, steps));
  let best = search();
  const most = n < price.manyPhotos ? rounds : rounds + mostMore;
  // Now and then all of them end where too much is cropped; then a few more find the way out.
  for (let round = 1; round < rounds || (round < most && cropOf(best) > price.seenCrop); round += 1) {
    const next = search();
    if (next.cost < best.cost) best = next;
  }
  return best;
}

const mostMore = 3;

/** What each photo of a tree loses: 1 − min(s, 1/s). */
function cropOf({ tree }: Found): number {
  const s = tree.factor();
  return 1 - Math.min(s, 1 / s);
}

function longSearch(task: SlicingTask, score: Score, random: () => number, steps: number): Found {
  const tree = bestStart(task, score, random, 10);
  return { tree, cost: anneal(tree, task, score, random, { steps, warmest: 0.003, coldest: 0.0005 }) };
}

export function shortSearch(task: SlicingTask, score: Score, random: () => number, steps: number): Found {
  const tree = bestStart(task, score, random, 8);
  return { tree, cost: anneal(tree, task, score, random, { steps, warmest: 0.08, coldest: 0.0005 }) };
}

/** The cheapest of a few first trees. */
function bestStart(task: SlicingTask, score: Score, random: () => number, tries: number): Workbench {
  const best = new Workbench(task);
  const trial = new Workbench(task);
  let least = Number.POSITIVE_INFINITY;
  for (let k = 0; k < tries; k += 1) {
    if (k < moreRows.length) rowStart(trial, task, moreRows[k]!, random);
    else bandStart(trial, task, random);
    const cost = score.of(trial, Number.POSITIVE_INFINITY);
    if (k > 0 && cost >= least) continue;
    least = cost;
    best.copyFrom(trial);
  }
  return best;
}

const moreRows = [0, -1, 1];
