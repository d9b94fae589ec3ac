import type { Point, Rect } from "#core/geometry";
import { bent, unbent } from "./bend.ts";
import type { LaidWords } from "./lay-words.ts";
import type { Line, Stop } from "./set-line.ts";

/** A caret as it stands among laid words, in mm from their top left; turned about its top left, in radians. */
export interface Caret {
  readonly x: number;
  readonly top: number;
  readonly height: number;
  readonly turn?: number;
}

const lineAt = (laid: LaidWords, at: number): Line | undefined =>
  laid.lines.findLast((l) => l.from <= at) ?? laid.lines[0];

const stopAt = (line: Line, at: number): Stop | undefined =>
  line.stops.findLast((s) => line.from + s.at <= at) ?? line.stops[0];

/** Past the end of a line the caret stays at that end, where the next one has not begun. */
export function caretAt(laid: LaidWords, at: number): Caret | undefined {
  const line = lineAt(laid, at);
  if (!line) return undefined;
  const stop = stopAt(line, at);
  const [x, { top, height }] = [stop?.x ?? line.x, line];
  if (!laid.bend) return { x, top, height };
  const on = bent(laid.bend, { x, y: top });
  return { x: on.x, top: on.y, height, turn: on.turn };
}

const nearest = (stops: readonly Stop[], x: number): Stop | undefined =>
  stops.reduce<Stop | undefined>(
    (best, s) => (best && Math.abs(best.x - x) <= Math.abs(s.x - x) ? best : s),
    undefined,
  );

/** The place in the text that lies nearest to a point. In columns, that of the nearest one. */
export function offsetAt(laid: LaidWords, point: Point): number {
  const p = laid.bend ? unbent(laid.bend, point) : point;
  const beside = columnsOf(laid).reduce((best, c) => (outside(c, p.x) < outside(best, p.x) ? c : best));
  const line = beside.find((l) => p.y < l.top + l.height) ?? beside.at(-1);
  return line ? line.from + (nearest(line.stops, p.x)?.at ?? 0) : 0;
}

/** Lines that stand under one another. */
function columnsOf({ lines }: LaidWords): readonly (readonly Line[])[] {
  const columns: Line[][] = [[]];
  for (const line of lines) {
    const before = columns.at(-1)!.at(-1);
    if (before && line.top < before.top) columns.push([]);
    columns.at(-1)!.push(line);
  }
  return columns;
}

const outside = (column: readonly Line[], x: number): number =>
  Math.max(0, Math.min(...column.map((l) => l.x)) - x, x - Math.max(...column.map((l) => l.x + l.width)));

/** One line up or down at about the same height of the line; the ends of the text where there is none. */
export function offsetBeyond(laid: LaidWords, at: number, by: -1 | 1, textLength: number): number {
  const line = lineAt(laid, at);
  const stop = line && stopAt(line, at);
  const next = line && laid.lines[laid.lines.indexOf(line) + by];
  if (!stop || !next) return by < 0 ? 0 : textLength;
  return next.from + (nearest(next.stops, stop.x)?.at ?? 0);
}

/** Where the line of a caret begins and ends in the text. */
export function lineEnds(laid: LaidWords, at: number): { readonly from: number; readonly to: number } {
  return lineAt(laid, at) ?? { from: 0, to: 0 };
}

/** A field of a selection; turned about its top left, in radians. */
export interface Marked extends Rect {
  readonly turn?: number;
}

/** The fields that a selection covers: one for each stretch of a line that is read one way, or for each letter on an arc. */
export function selectionRects(laid: LaidWords, from: number, to: number): readonly Marked[] {
  return laid.lines.flatMap((line) => {
    if (to <= line.from || from > line.to) return [];
    const fields: { x0: number; x1: number }[] = [];
    for (const [i, stop] of line.stops.entries()) {
      const next = line.stops[i + 1];
      const at = line.from + stop.at;
      if (!next || at < from || at >= to) continue;
      const end = stop.end ?? (next.end === undefined && next.x > stop.x ? next.x : undefined);
      if (end === undefined) continue;
      const [x0, x1] = [Math.min(stop.x, end), Math.max(stop.x, end)];
      const last = fields.at(-1);
      if (last && !laid.bend && Math.abs(last.x1 - x0) < near) last.x1 = x1;
      else if (last && !laid.bend && Math.abs(x1 - last.x0) < near) last.x0 = x0;
      else fields.push({ x0, x1 });
    }
    return fields.flatMap(({ x0, x1 }): Marked[] => {
      if (x1 <= x0) return [];
      const flat = { x: x0, y: line.top, w: x1 - x0, h: line.height };
      if (!laid.bend) return [flat];
      const on = bent(laid.bend, flat);
      return [{ ...flat, x: on.x, y: on.y, turn: bent(laid.bend, { x: (x0 + x1) / 2, y: line.top }).turn }];
    });
  });
}

const near = 1e-6;
