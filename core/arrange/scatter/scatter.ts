import { seededRandom } from "#core/random";
import type { Lying, ScatterTask } from "./print.ts";
import { ScatterTable } from "./table.ts";

// Looked up once: in a loop of millions of turns that is felt.
const { ceil, exp, floor, max, min, round, sqrt } = Math;

/** Hot enough to try everything, cold enough to keep what is good. */
const [hot, cold] = [1.2, 0.01];
const movesPerPrint = 1200;
const mostMoves = 38_000;
/** How far a print is shifted, in shares of what each has of the page. */
const [firstStep, lastStep] = [0.5, 0.012];

const mostStarts = 3;

/** Turns that a rectangle is stamped by stay below a right angle. */
const steepest = 60;

/**
 * Prints as they would be scattered over a table: every box that has to be seen is seen, as much as is asked for of each print, the page evenly covered,
 * and no turn like its neighbours'. Place, turn and stacking are annealed together (Kirkpatrick 1983), bounded by moves and seeded, so that the same
 * task gives the same answer. The first lies lowest.
 */
export function scattered(task: ScatterTask): readonly Lying[] {
  if (task.prints.length === 0) return [];
  const maxTurn = min(steepest, max(0, task.maxTurn));
  const random = seededRandom(task.seed);
  let best: ScatterTable | undefined;
  // Where something stays hidden that has to be seen, another start finds a way as a rule.
  for (let start = 0; start < mostStarts && (best?.hidesBoxes() ?? true); start += 1) {
    const table = annealed({ ...task, maxTurn }, random);
    if (!best || !table.hidesBoxes() || table.total < best.total) best = table;
  }
  const { x, y, turn, height } = best!;
  return task.prints
    .map((p, i) => ({ id: p.id, x: x[i]!, y: y[i]!, turn: turn[i]!, height: height[i]! }))
    .sort((a, b) => a.height - b.height)
    .map(({ height: _, ...lying }) => lying);
}

function annealed(task: ScatterTask, random: () => number): ScatterTable {
  const { prints, page, maxTurn } = task;
  const n = prints.length;
  const table = new ScatterTable(task);
  const free = prints.flatMap((p, i) => (p.held ? [] : [i]));
  const cell = sqrt((page.w * page.h) / n);
  lay(table, task, maxTurn, random);
  const moves = free.length === 0 ? 0 : (task.moves ?? min(mostMoves, movesPerPrint * n));
  const turnBy = () => (random() * 2 - 1) * maxTurn;
  const within = (turn: number) => max(-maxTurn, min(maxTurn, turn));
  const anyFree = () => free[floor(random() * free.length)]!;
  const isHeld = prints.map((p) => p.held !== undefined);
  for (let move = 0; move < moves; move += 1) {
    const done = move / moves;
    const heat = hot * (cold / hot) ** done;
    const step = cell * firstStep * (lastStep / firstStep) ** done;
    const i = done > 0.25 && random() < 1 / 3 ? troubled(table, isHeld, random, anyFree) : anyFree();
    const [x, y, turn, height] = [table.x[i]!, table.y[i]!, table.turn[i]!, table.height[i]!];
    const kind = random();
    let more: number;
    if (kind < 0.6) {
      const turned = random() < 0.5 ? within(turn + (random() * 2 - 1) * maxTurn * (0.1 + 0.5 * (1 - done))) : turn;
      const nx = max(0, min(page.w, x + (random() * 2 - 1) * step));
      const ny = max(0, min(page.h, y + (random() * 2 - 1) * step));
      more = table.change(i, nx, ny, turned, height);
    } else if (kind < 0.7) more = table.change(i, x, y, turnBy(), height);
    else if (kind < 0.86) more = table.change(i, x, y, turn, lifted(table, i, random));
    else {
      const k = partner(table, i, done, random, anyFree);
      if (k === i) continue;
      exchanged(table, i, k, heat, random);
      continue;
    }
    if (more > 0 && random() >= exp(-more / heat)) table.takeBack();
  }
  return table;
}

/** In rows in the order of the prints, a little out of line. */
function lay(table: ScatterTable, { prints, page }: ScatterTask, maxTurn: number, random: () => number): void {
  const n = prints.length;
  const columns = max(1, round(sqrt((n * page.w) / page.h)));
  const rows = ceil(n / columns);
  for (const [i, p] of prints.entries()) {
    const row = floor(i / columns);
    const inRow = min(columns, n - row * columns);
    const jitter = () => (random() - 0.5) * 0.5;
    const x = (((i % columns) + 0.5 + jitter()) * page.w) / inRow;
    const y = ((row + 0.5 + jitter()) * page.h) / rows;
    const turn = (random() * 2 - 1) * maxTurn;
    const height = random();
    if (p.held) table.place(i, p.held.x, p.held.y, p.held.turn, height);
    else table.place(i, max(0, min(page.w, x)), max(0, min(page.h, y)), turn, height);
  }
}

/** A print of which too little is seen, or one that lies on it. */
function troubled(
  table: ScatterTable,
  isHeld: readonly boolean[],
  random: () => number,
  anyFree: () => number,
): number {
  const start = floor(random() * table.n);
  for (let k = 0; k < table.n; k += 1) {
    const i = (start + k) % table.n;
    if (!table.inTrouble(i)) continue;
    if (random() < 0.5 && !isHeld[i]) return i;
    const first = floor(random() * table.n);
    for (let m = 0; m < table.n; m += 1) {
      const j = (first + m) % table.n;
      if (!isHeld[j] && table.hides(i, j)) return j;
    }
  }
  return anyFree();
}

/** A new height: anywhere, or just above or below a neighbour. */
function lifted(table: ScatterTable, i: number, random: () => number): number {
  if (random() < 0.5) return random();
  const start = floor(random() * table.n);
  for (let k = 0; k < table.n; k += 1) {
    const j = (start + k) % table.n;
    if (j !== i && table.near(i, j)) return table.height[j]! + (random() < 0.5 ? 1e-6 : -1e-6);
  }
  return random();
}

/** Whom a print changes places with: anyone at first, later only those near it. */
function partner(table: ScatterTable, i: number, done: number, random: () => number, anyFree: () => number): number {
  for (let tries = 0; tries < 8; tries += 1) {
    const k = anyFree();
    if (k !== i && (done < 0.6 || table.near(i, k))) return k;
    if (done >= 0.6 && random() < 0.1) break;
  }
  return i;
}

/** Two prints in each other's places, each with its own turn. */
function exchanged(table: ScatterTable, i: number, k: number, heat: number, random: () => number): void {
  const [xi, yi, ti, hi] = [table.x[i]!, table.y[i]!, table.turn[i]!, table.height[i]!];
  const [xk, yk, tk, hk] = [table.x[k]!, table.y[k]!, table.turn[k]!, table.height[k]!];
  const more = table.change(i, xk, yk, ti, hk) + table.change(k, xi, yi, tk, hi);
  if (more <= 0 || random() < exp(-more / heat)) return;
  table.takeBack();
  table.change(i, xi, yi, ti, hi);
}
