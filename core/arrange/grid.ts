import type { Arranger, ArrangeTask, GridPlan, PlanCell } from "./arranger.ts";
import { bestSpans, cropOf } from "./spans.ts";

/**
 * Equal cells, in reading order. A side that was typed is kept, and cells may then stay empty. A side that was not is
 * chosen so that the least is cropped, and where the photos do not come out even, the widest of them reach over more
 * than one column, so that the page is full.
 */
export const grid: Arranger = (task) => {
  const { rows, columns } = task.asked;
  if (rows !== undefined && columns !== undefined) return plainGrid(rows, columns);
  const n = Math.max(1, task.aspects.length);
  let best: { readonly plan: GridPlan; readonly cost: number } | undefined;
  for (const [r, c] of worthTrying(task, [...shapes(n, rows, columns)])) {
    const found = bestSpans(task.aspects, r, c, cellSize(task, r, c), task.gap);
    if (found && (!best || found.cost < best.cost - 1e-12))
      best = { plan: { ...tracks(r, c), cells: found.cells }, cost: found.cost };
  }
  return best?.plan ?? plainGrid(rows ?? Math.ceil(n / (columns ?? n)), columns ?? Math.ceil(n / (rows ?? 1)));
};

function plainGrid(rows: number, columns: number): GridPlan {
  const cells: PlanCell[] = Array.from({ length: rows * columns }, (_, i) => ({
    column: i % columns,
    row: Math.floor(i / columns),
    columns: 1,
    rows: 1,
  }));
  return { ...tracks(rows, columns), cells };
}

const even = (n: number): number[] => Array.from({ length: n }, () => 1 / n);
const tracks = (rows: number, columns: number) => ({ columns: even(columns), rows: even(rows) });

const cellSize = (task: ArrangeTask, rows: number, columns: number) => ({
  w: Math.max(0.01, (task.room.w - task.gap * (columns - 1)) / columns),
  h: Math.max(0.01, (task.room.h - task.gap * (rows - 1)) / rows),
});

/** Every (rows, columns) worth trying: just enough cells, or a column more, so that the grid has more to give away. */
function* shapes(n: number, rows?: number, columns?: number): Generator<readonly [number, number]> {
  if (columns !== undefined) {
    yield [Math.ceil(n / columns), columns];
    return;
  }
  for (let r = rows ?? 1; r <= (rows ?? n); r += 1) {
    const c = Math.ceil(n / r);
    if (r > n) continue;
    yield [r, c];
    yield [r, c + 1];
  }
}

// A cell this much narrower or wider than the photos in the middle never wins: spans widen it, nothing narrows it.
const [narrowest, widest] = [1 / 4, 2.5];

function worthTrying(
  task: ArrangeTask,
  all: readonly (readonly [number, number])[],
): readonly (readonly [number, number])[] {
  const middle = [...task.aspects].sort((a, b) => a - b)[Math.floor(task.aspects.length / 2)];
  if (middle === undefined) return all;
  const near = all.filter(([r, c]) => {
    const cell = cellSize(task, r, c);
    const q = cell.w / cell.h / middle;
    return q >= narrowest && q <= widest;
  });
  return near.length > 0 ? near : all;
}

/** The mean crop of a plan in a room, 0 to 1; 0 for no photos. */
export function meanCrop(
  aspects: readonly number[],
  tiles: readonly { readonly w: number; readonly h: number }[],
): number {
  if (aspects.length === 0) return 0;
  let sum = 0;
  for (const [i, a] of aspects.entries()) sum += cropOf(a, tiles[i]!.w / tiles[i]!.h);
  return sum / aspects.length;
}
