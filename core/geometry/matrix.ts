import type { Point } from "./rect.ts";

/** x' = a·x + c·y + e, y' = b·x + d·y + f: the order of CanvasRenderingContext2D.setTransform and of SVG. */
export interface Matrix {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

export const identity: Matrix = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

export const translation = (x: number, y: number): Matrix => ({ ...identity, e: x, f: y });
export const scaling = (x: number, y: number): Matrix => ({ ...identity, a: x, d: y });

/** Clockwise on screen, since y points down. */
export function rotation(radians: number): Matrix {
  const cos = Math.cos(radians);
  const sin = Math.sin(radians);
  return { a: cos, b: sin, c: -sin, d: cos, e: 0, f: 0 };
}

/** First `n`, then `m`. */
export const multiply = (m: Matrix, n: Matrix): Matrix => ({
  a: m.a * n.a + m.c * n.b,
  b: m.b * n.a + m.d * n.b,
  c: m.a * n.c + m.c * n.d,
  d: m.b * n.c + m.d * n.d,
  e: m.a * n.e + m.c * n.f + m.e,
  f: m.b * n.e + m.d * n.f + m.f,
});

/** The last one given happens first, as in a written product. */
export const chain = (...ms: readonly Matrix[]): Matrix => ms.reduce(multiply, identity);

export const applyTo = (m: Matrix, p: Point): Point => ({
  x: m.a * p.x + m.c * p.y + m.e,
  y: m.b * p.x + m.d * p.y + m.f,
});

/** Throws on a matrix that flattens the plane: no caller has a use for one. */
export function inverse(m: Matrix): Matrix {
  const det = m.a * m.d - m.b * m.c;
  if (det === 0) throw new RangeError(`matrix ${JSON.stringify(m)} has no inverse`);
  return {
    a: m.d / det,
    b: -m.b / det,
    c: -m.c / det,
    d: m.a / det,
    e: (m.c * m.f - m.d * m.e) / det,
    f: (m.b * m.e - m.a * m.f) / det,
  };
}
