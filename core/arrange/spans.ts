import type { Size } from "#core/geometry";
import type { PlanCell } from "./arranger.ts";

/** The share of a photo that is lost when it covers a tile: 1 − min(q, 1/q), q = tile aspect / photo aspect. */
export function cropOf(photoAspect: number, tileAspect: number): number {
  return tileAspect < photoAspect ? 1 - tileAspect / photoAspect : 1 - photoAspect / tileAspect;
}

const widestSpan = 4;
// A photo twice as large as the others has to save this much crop: the eye takes it for the leading one.
const costOfSpan = 0.08;

// Looked up once: inside the loops below a global costs more than the sum it is part of.
const never = Number.POSITIVE_INFINITY;

/** One photo cut to a strip is worse than many that lose an edge. */
const costOfCrop = (crop: number): number => crop + 3 * crop * crop;

interface Found {
  readonly cells: readonly PlanCell[];
  readonly cost: number;
}

/**
 * Puts photos in reading order into `rows` full rows of `columns` cells, each photo over 1 to 4 columns of one row, with
 * the least crop. Exact, by dynamic programming over (photo, spare cells used so far); undefined when it cannot be done.
 */
export function bestSpans(
  aspects: readonly number[],
  rows: number,
  columns: number,
  cell: Size,
  gap: number,
): Found | undefined {
  const n = aspects.length;
  const spare = rows * columns - n;
  if (n === 0 || spare < 0 || spare > rows * (columns - 1) || columns * rows > widestSpan * n) return undefined;
  // least[i][e]: cost of photos i.. when e spare cells are used up by those before them; i + e is the cell reached.
  const width = spare + 1;
  const least = new Float64Array((n + 1) * width).fill(never);
  const choice = new Uint8Array(n * width);
  least[n * width + spare] = 0;
  for (let i = n - 1; i >= 0; i -= 1) {
    for (let e = 0; e <= spare; e += 1) {
      const column = (i + e) % columns;
      let most = columns - column;
      if (most > widestSpan) most = widestSpan;
      if (most > spare - e + 1) most = spare - e + 1;
      for (let span = 1; span <= most; span += 1) {
        const after = least[(i + 1) * width + e + span - 1]!;
        if (after === never) continue;
        const tileAspect = (cell.w * span + gap * (span - 1)) / cell.h;
        const cost = after + costOfCrop(cropOf(aspects[i]!, tileAspect)) + costOfSpan * (span - 1);
        if (cost < least[i * width + e]!) {
          least[i * width + e] = cost;
          choice[i * width + e] = span;
        }
      }
    }
  }
  const cost = least[0]!;
  if (cost === never) return undefined;
  const cells: PlanCell[] = [];
  for (let i = 0, e = 0; i < n; i += 1) {
    const span = choice[i * width + e]!;
    cells.push({ column: (i + e) % columns, row: Math.floor((i + e) / columns), columns: span, rows: 1 });
    e += span - 1;
  }
  return { cells, cost: cost / n };
}
