import { applyTo, type Matrix } from "./matrix.ts";
import { clamp, type Point, type Rect } from "./rect.ts";

/** Where outlines are drawn to. A canvas context and a Path2D are sinks as they are. */
export interface PathSink {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  bezierCurveTo(c1x: number, c1y: number, c2x: number, c2y: number, x: number, y: number): void;
  closePath(): void;
}

export type PathSegment =
  | readonly ["M", number, number]
  | readonly ["L", number, number]
  | readonly ["C", number, number, number, number, number, number]
  | readonly ["Z"];

/** An outline as plain data, so that it can go to a worker or a file. */
export type PathData = readonly PathSegment[];

export function replay(path: PathData, to: PathSink): void {
  for (const s of path) {
    switch (s[0]) {
      case "M":
        to.moveTo(s[1], s[2]);
        break;
      case "L":
        to.lineTo(s[1], s[2]);
        break;
      case "C":
        to.bezierCurveTo(s[1], s[2], s[3], s[4], s[5], s[6]);
        break;
      case "Z":
        to.closePath();
    }
  }
}

/** Whatever `draw` traces, as data. */
export function record(draw: (to: PathSink) => void): PathData {
  const path: PathSegment[] = [];
  draw({
    moveTo: (x, y) => path.push(["M", x, y]),
    lineTo: (x, y) => path.push(["L", x, y]),
    bezierCurveTo: (a, b, c, d, x, y) => path.push(["C", a, b, c, d, x, y]),
    closePath: () => path.push(["Z"]),
  });
  return path;
}

export function traceRect(r: Rect, to: PathSink): void {
  to.moveTo(r.x, r.y);
  to.lineTo(r.x + r.w, r.y);
  to.lineTo(r.x + r.w, r.y + r.h);
  to.lineTo(r.x, r.y + r.h);
  to.closePath();
}

// The cubic that leaves a quarter circle by the least: 4/3·(√2 − 1), off by 0.03 % of the radius.
export const kappa = (4 / 3) * (Math.SQRT2 - 1);

/** The radius is held to half the shorter side; a radius of nothing is a plain rectangle. */
export function traceRoundedRect(r: Rect, radius: number, to: PathSink): void {
  const k = clamp(radius, 0, Math.min(r.w, r.h) / 2);
  if (k === 0) {
    traceRect(r, to);
    return;
  }
  const [x0, y0, x1, y1] = [r.x, r.y, r.x + r.w, r.y + r.h];
  const q = k * (1 - kappa);
  to.moveTo(x0 + k, y0);
  to.lineTo(x1 - k, y0);
  to.bezierCurveTo(x1 - q, y0, x1, y0 + q, x1, y0 + k);
  to.lineTo(x1, y1 - k);
  to.bezierCurveTo(x1, y1 - q, x1 - q, y1, x1 - k, y1);
  to.lineTo(x0 + k, y1);
  to.bezierCurveTo(x0 + q, y1, x0, y1 - q, x0, y1 - k);
  to.lineTo(x0, y0 + k);
  to.bezierCurveTo(x0, y0 + q, x0 + q, y0, x0 + k, y0);
  to.closePath();
}

/** The ellipse that fills a rectangle, as four cubics. */
export function traceEllipse({ x, y, w, h }: Rect, to: PathSink): void {
  const [cx, cy, rx, ry] = [x + w / 2, y + h / 2, w / 2, h / 2];
  const [kx, ky] = [kappa * rx, kappa * ry];
  to.moveTo(cx, y);
  to.bezierCurveTo(cx + kx, y, x + w, cy - ky, x + w, cy);
  to.bezierCurveTo(x + w, cy + ky, cx + kx, y + h, cx, y + h);
  to.bezierCurveTo(cx - kx, y + h, x, cy + ky, x, cy);
  to.bezierCurveTo(x, cy - ky, cx - kx, y, cx, y);
  to.closePath();
}

/**
 * A rounded rectangle whose straight sides go on out to another one around it; sides that lie on each other stay. What is cut along
 * `r` has round corners and nothing beside its sides but what is inside.
 */
export function traceRoundedWithin(r: Rect, radius: number, outer: Rect, to: PathSink): void {
  const k = clamp(radius, 0, Math.min(r.w, r.h) / 2);
  const [x0, y0, x1, y1] = [r.x, r.y, r.x + r.w, r.y + r.h];
  const [left, top, right, foot] = [outer.x, outer.y, outer.x + outer.w, outer.y + outer.h];
  const q = k * (1 - kappa);
  to.moveTo(x0 + k, top);
  to.lineTo(x1 - k, top);
  to.lineTo(x1 - k, y0);
  to.bezierCurveTo(x1 - q, y0, x1, y0 + q, x1, y0 + k);
  to.lineTo(right, y0 + k);
  to.lineTo(right, y1 - k);
  to.lineTo(x1, y1 - k);
  to.bezierCurveTo(x1, y1 - q, x1 - q, y1, x1 - k, y1);
  to.lineTo(x1 - k, foot);
  to.lineTo(x0 + k, foot);
  to.lineTo(x0 + k, y1);
  to.bezierCurveTo(x0 + q, y1, x0, y1 - q, x0, y1 - k);
  to.lineTo(left, y1 - k);
  to.lineTo(left, y0 + k);
  to.lineTo(x0, y0 + k);
  to.bezierCurveTo(x0, y0 + q, x0 + q, y0, x0 + k, y0);
  to.closePath();
}

export function transformed(path: PathData, m: Matrix): PathData {
  return record((to) => {
    const at = (x: number, y: number) => applyTo(m, { x, y });
    replay(path, {
      moveTo: (x, y) => {
        const p = at(x, y);
        to.moveTo(p.x, p.y);
      },
      lineTo: (x, y) => {
        const p = at(x, y);
        to.lineTo(p.x, p.y);
      },
      bezierCurveTo: (ax, ay, bx, by, x, y) => {
        const [a, b, p] = [at(ax, ay), at(bx, by), at(x, y)];
        to.bezierCurveTo(a.x, a.y, b.x, b.y, p.x, p.y);
      },
      closePath: () => to.closePath(),
    });
  });
}

/** A path with its points in shares of a box: 0 to 1 across and down. */
export function pathInShares(path: PathData, { x, y, w, h }: Rect): PathData {
  const [u, v] = [(at: number) => (at - x) / w, (at: number) => (at - y) / h];
  return path.map((s) =>
    s[0] === "Z"
      ? s
      : s[0] === "C"
        ? (["C", u(s[1]), v(s[2]), u(s[3]), v(s[4]), u(s[5]), v(s[6])] as const)
        : ([s[0], u(s[1]), v(s[2])] as const),
  );
}

/** Closed lines as a path. */
export const pathOfRings = (rings: readonly (readonly Point[])[]): PathData =>
  rings.flatMap((ring): PathSegment[] => [...ring.map((p, i): PathSegment => [i === 0 ? "M" : "L", p.x, p.y]), ["Z"]]);
