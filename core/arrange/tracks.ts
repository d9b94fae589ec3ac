import { clamp, type Rect } from "#core/geometry";
import type { GridPlan } from "./arranger.ts";

/** A gap that would eat the tracks up is drawn as wide as the room allows; `checkLook` refuses it long before. */
const gapThatFits = (length: number, gap: number, n: number): number =>
  n < 2 ? 0 : Math.min(gap, length / (2 * (n - 1)));

/** Where each track starts, from the room's edge, and one entry more for where a next one would. */
function starts(tracks: readonly number[], length: number, gap: number): number[] {
  const left = length - gap * (tracks.length - 1);
  const found = [0];
  for (const share of tracks) found.push(found.at(-1)! + share * left + gap);
  return found;
}

/** The rectangles of a plan's cells in `room`, in the order of the cells. All gaps come out the same. */
export function gridRects(plan: GridPlan, room: Rect, gap: number): Rect[] {
  const across = gapThatFits(room.w, gap, plan.columns.length);
  const down = gapThatFits(room.h, gap, plan.rows.length);
  const xs = starts(plan.columns, room.w, across);
  const ys = starts(plan.rows, room.h, down);
  return plan.cells.map((c) => ({
    x: room.x + xs[c.column]!,
    y: room.y + ys[c.row]!,
    w: xs[c.column + c.columns]! - across - xs[c.column]!,
    h: ys[c.row + c.rows]! - down - ys[c.row]!,
  }));
}

/** The middles of the seams between tracks, from the room's edge. */
export function seamMiddles(tracks: readonly number[], length: number, gap: number): number[] {
  const fitting = gapThatFits(length, gap, tracks.length);
  return starts(tracks, length, fitting)
    .slice(1, -1)
    .map((s) => s - fitting / 2);
}

/** A track keeps at least this share of its even width, so that no tile is lost by a drag. */
const leastOfEven = 0.15;

/**
 * The tracks with the middle of seam `index` at `at` mm from the room's edge: the track before takes what the one after
 * loses, the others stay. Same tracks back when it lies there already.
 */
export function tracksWithSeamAt(
  tracks: readonly number[],
  length: number,
  gap: number,
  index: number,
  at: number,
): readonly number[] {
  const fitting = gapThatFits(length, gap, tracks.length);
  const left = length - fitting * (tracks.length - 1);
  const before = starts(tracks, length, fitting)[index]!;
  const pair = tracks[index]! + tracks[index + 1]!;
  const least = Math.min(leastOfEven / tracks.length, pair / 2);
  const share = clamp((at - fitting / 2 - before) / left, least, pair - least);
  if (Math.abs(share - tracks[index]!) < 1e-9) return tracks;
  return tracks.with(index, share).with(index + 1, pair - share);
}

/** The widest gap that leaves every track at least `leastTrack` mm, were they even. */
export function widestGap(room: Rect, columns: number, rows: number, leastTrack: number): number {
  const across = columns < 2 ? Number.POSITIVE_INFINITY : (room.w - columns * leastTrack) / (columns - 1);
  const down = rows < 2 ? Number.POSITIVE_INFINITY : (room.h - rows * leastTrack) / (rows - 1);
  return Math.max(0, Math.min(across, down, Math.min(room.w, room.h) / 2));
}
