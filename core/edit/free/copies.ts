import type { Frame } from "#core/document";
import type { Point, Rect } from "#core/geometry";
import { movedBy, turnedAbout } from "./frames.ts";

/** More at once than anybody means. */
export const mostCopies = 200;

/** Where copies in columns and rows lie, a step apart, the first one left out: that is the frame itself. */
export function inRowsAndColumns(
  frame: Frame,
  { columns, rows, step }: { readonly columns: number; readonly rows: number; readonly step: Point },
): readonly Frame[] {
  const all: Frame[] = [];
  for (let row = 0; row < rows; row += 1)
    for (let column = 0; column < columns; column += 1)
      if (row + column > 0 && all.length < mostCopies)
        all.push(movedBy(frame, { x: column * step.x, y: row * step.y }));
  return all;
}

/** Where copies round a point lie, `count` with the frame itself, the whole way round or through so many degrees. */
export function roundAPoint(
  frame: Frame,
  { about, count, degrees = 360 }: { readonly about: Point; readonly count: number; readonly degrees?: number },
): readonly Frame[] {
  const n = Math.min(count, mostCopies + 1);
  const step = Math.abs(degrees) >= 360 ? degrees / n : degrees / Math.max(1, n - 1);
  return Array.from({ length: Math.max(0, n - 1) }, (_, i) => turnedAbout([frame], about, step * (i + 1))[0]!);
}

/**
 * Copies around a rectangle, each turned with its side, so many on a side as stand at least `gapMm` apart, and all of a side equally far. The
 * corners stay free, so that none lies on one of the next side.
 */
export function alongEdges(frame: Frame, around: Rect, gapMm: number): readonly Frame[] {
  const { width, height } = frame;
  const { x, y, w, h } = around;
  const sides = [
    { long: w, turn: 0, at: (t: number) => ({ x: x + t, y }) },
    { long: h, turn: 90, at: (t: number) => ({ x: x + w, y: y + t }) },
    { long: w, turn: 180, at: (t: number) => ({ x: x + w - t, y: y + h }) },
    { long: h, turn: 270, at: (t: number) => ({ x, y: y + h - t }) },
  ];
  const all = sides.flatMap(({ long, turn, at }) => {
    const free = long - height;
    const n = Math.max(0, Math.floor(free / Math.max(1, width + gapMm)));
    return Array.from({ length: n }, (_, i): Frame => {
      return { ...frame, centre: at(height / 2 + (free * (i + 0.5)) / n), turn };
    });
  });
  return all.slice(0, mostCopies);
}
