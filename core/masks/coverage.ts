import type { Ring } from "#core/geometry";
import type { Grid } from "./grid.ts";

/** What single-precision sums leave over or short of nothing and of all. */
const noise = 5e-4;

/**
 * How much of each pixel lies within rings, 0 to 1, exactly but for rounding: signed areas added up along each row (as outlines of letters are
 * filled; Levien, font-rs, 2016). Rings that overlap have to run the same way round, holes the other way.
 */
export function coverage(rings: readonly Ring[], { x, y, w, h, sx, sy }: Grid): Float32Array {
  // What crosses the right edge goes on for two more cells, which would otherwise be those of the next row.
  const stride = w + 2;
  const sums = new Float32Array(stride * h);
  for (const ring of rings)
    for (let i = 0; i < ring.length; i += 1) {
      const [a, b] = [ring[i]!, ring[(i + 1) % ring.length]!];
      const line = [(a.x - x) * sx, (a.y - y) * sy, (b.x - x) * sx, (b.y - y) * sy] as const;
      for (const part of withinSides(line, w)) addLine(sums, stride, h, ...part);
    }
  const out = new Float32Array(w * h);
  for (let row = 0; row < h; row += 1) {
    let sum = 0;
    for (let col = 0; col < w; col += 1) {
      sum += sums[row * stride + col]!;
      const covered = sum < 0 ? -sum : sum;
      out[row * w + col] = covered < noise ? 0 : covered > 1 - noise ? 1 : covered;
    }
  }
  return out;
}

type Line = readonly [ax: number, ay: number, bx: number, by: number];

/** What lies beyond a side counts as if it ran down along it. */
function withinSides(line: Line, w: number): readonly Line[] {
  const [ax, ay, bx, by] = line;
  if (ax >= 0 && bx >= 0 && ax <= w && bx <= w) return [line];
  const crossings = [0, w]
    .map((side) => (side - ax) / (bx - ax))
    .filter((t) => t > 0 && t < 1)
    .sort((s, t) => s - t);
  const held = (x: number) => Math.min(w, Math.max(0, x));
  const stops = [0, ...crossings, 1];
  const at = (t: number): readonly [number, number] => [ax + t * (bx - ax), ay + t * (by - ay)];
  return stops.slice(1).map((t, i): Line => {
    const [from, to] = [at(stops[i]!), at(t)];
    return [held(from[0]), from[1], held(to[0]), to[1]];
  });
}

/** A line's share of each pixel that it crosses, and of all to the right of it. */
function addLine(sums: Float32Array, stride: number, h: number, ax: number, ay: number, bx: number, by: number): void {
  if (ay === by) return;
  const way = ay < by ? 1 : -1;
  const [x0, y0, x1, y1] = way > 0 ? [ax, ay, bx, by] : [bx, by, ax, ay];
  const slope = (x1 - x0) / (y1 - y0);
  const last = Math.min(h, Math.ceil(y1));
  const most = stride - 2;
  for (let row = Math.max(0, Math.floor(y0)); row < last; row += 1) {
    const [from, to] = [Math.max(row, y0), Math.min(row + 1, y1)];
    const d = (to - from) * way;
    if (d === 0) continue;
    const p = Math.min(most, Math.max(0, x0 + (from - y0) * slope));
    const q = Math.min(most, Math.max(0, x0 + (to - y0) * slope));
    const [left, right] = p < q ? [p, q] : [q, p];
    const at = row * stride;
    const [first, end] = [Math.floor(left), Math.ceil(right)];
    if (end <= first + 1) {
      const middle = (left + right) / 2 - first;
      sums[at + first]! += d * (1 - middle);
      sums[at + first + 1]! += d * middle;
      continue;
    }
    const per = 1 / (right - left);
    const inFirst = 0.5 * per * (first + 1 - left) ** 2;
    const inLast = 0.5 * per * (right - end + 1) ** 2;
    sums[at + first]! += d * inFirst;
    if (end === first + 2) sums[at + first + 1]! += d * (1 - inFirst - inLast);
    else {
      const second = per * (first + 1.5 - left);
      sums[at + first + 1]! += d * (second - inFirst);
      for (let col = first + 2; col < end - 1; col += 1) sums[at + col]! += d * per;
      sums[at + end - 1]! += d * (1 - (second + (end - first - 3) * per) - inLast);
    }
    sums[at + end]! += d * inLast;
  }
}
