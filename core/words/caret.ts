import type { Point } from "#core/geometry";
import type { LaidWords, Line, Stop } from "./lay-words.ts";

/** A caret as it stands among laid words, in mm from their top left. */
export interface Caret {
  readonly x: number;
  readonly top: number;
  readonly height: number;
}

const lineAt = (laid: LaidWords, at: number): Line | undefined =>
  laid.lines.findLast((l) => l.from <= at) ?? laid.lines[0];

/** Past the end of a line the caret stays at that end, where the next one has not begun. */
export function caretAt(laid: LaidWords, at: number): Caret | undefined {
  const line = lineAt(laid, at);
  if (!line) return undefined;
  const stop = line.stops.findLast((s) => s.at <= at) ?? line.stops[0];
  return { x: stop?.x ?? line.x, top: line.top, height: line.height };
}

const nearest = (stops: readonly Stop[], x: number): Stop | undefined =>
  stops.reduce<Stop | undefined>(
    (best, s) => (best && Math.abs(best.x - x) <= Math.abs(s.x - x) ? best : s),
    undefined,
  );

/** The place in the text that lies nearest to a point. */
export function offsetAt(laid: LaidWords, p: Point): number {
  const line = laid.lines.find((l) => p.y < l.top + l.height) ?? laid.lines.at(-1);
  return line ? (nearest(line.stops, p.x)?.at ?? line.from) : 0;
}

/** One line up or down at about the same height of the line; the ends of the text where there is none. */
export function offsetBeyond(laid: LaidWords, at: number, by: -1 | 1, textLength: number): number {
  const caret = caretAt(laid, at);
  const i = laid.lines.indexOf(lineAt(laid, at)!);
  const next = laid.lines[i + by];
  if (!caret || !next) return by < 0 ? 0 : textLength;
  return nearest(next.stops, caret.x)?.at ?? next.from;
}

/** Where the line of a caret begins and ends in the text. */
export function lineEnds(laid: LaidWords, at: number): { readonly from: number; readonly to: number } {
  return lineAt(laid, at) ?? { from: 0, to: 0 };
}

/** The rectangles that a selection covers, one a line. */
export function selectionRects(
  laid: LaidWords,
  from: number,
  to: number,
): { readonly x: number; readonly y: number; readonly w: number; readonly h: number }[] {
  return laid.lines.flatMap((line) => {
    if (to <= line.from || from > line.to) return [];
    const x0 = line.stops.findLast((s) => s.at <= Math.max(from, line.from))?.x ?? line.x;
    const x1 = line.stops.findLast((s) => s.at <= Math.min(to, line.to))?.x ?? line.x;
    return x1 > x0 ? [{ x: x0, y: line.top, w: x1 - x0, h: line.height }] : [];
  });
}
