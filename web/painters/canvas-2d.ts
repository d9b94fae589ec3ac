import type { Matrix, PathData, Point, Rect } from "#core/geometry";

export type Canvas2d = CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D;

/** The pixels that a rectangle of the page lies in. */
export function pixelsAround({ x, y, w, h }: Rect, m: Matrix): Rect {
  const [across, down] = [Math.abs(m.a * w) + Math.abs(m.c * h), Math.abs(m.b * w) + Math.abs(m.d * h)];
  const [cx, cy] = [x + w / 2, y + h / 2];
  return {
    x: m.a * cx + m.c * cy + m.e - across / 2,
    y: m.b * cx + m.d * cy + m.f - down / 2,
    w: across,
    h: down,
  };
}

/** All points that a path is drawn by; curves lie between theirs. */
export const pointsOf = (path: PathData): readonly Point[] =>
  path.flatMap(([, ...numbers]) =>
    Array.from({ length: numbers.length / 2 }, (_, i) => ({ x: numbers[2 * i]!, y: numbers[2 * i + 1]! })),
  );
