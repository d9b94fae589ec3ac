import type { Point } from "#core/geometry";
import { blur } from "#core/masks";

/** How a pattern comes again: two ways that lead from any place to the same place of the pattern, in shares of the picture's width. */
export interface Repeat {
  readonly a: Point;
  /** Missing for stripes, which are the same all along. */
  readonly b?: Point | undefined;
}

/** Uneven light is broader than this, in pixels. */
const broadSigma = 24;
const leastPeak = 0.5;
/** Peaks this near to the best are as true. */
const nearBest = 0.85;
const leastStripe = 0.9;
const leastPx = 4;
/** Of so little overlap nothing can be said. */
const mostShift = 0.6;

/**
 * The repeat of a pattern out of lightness (any scale; at most 256 px a side), by zero-padded autocorrelation over what overlaps, once uneven light is
 * taken off. Undefined where nothing comes again often enough to be sure: it takes about two and a half repeats in the picture.
 */
export function repeatOf(light: Float32Array, w: number, h: number): Repeat | undefined {
  const found = autocorrelation(flat(light, w, h), w, h);
  if (!found) return undefined;
  const { at } = found;
  const far = { x: Math.floor(mostShift * w), y: Math.floor(mostShift * h) };
  const stripe = stripeAlong(at, Math.min(far.x, far.y));
  if (stripe !== undefined) {
    const across = firstAcross(at, stripe + Math.PI / 2, far);
    return across && { a: { x: across.x / w, y: across.y / w } };
  }
  const peaks = peaksOf(at, far);
  const best = peaks.reduce((most, p) => Math.max(most, p.r), 0);
  const sure = peaks.filter((p) => p.r >= Math.max(leastPeak, nearBest * best));
  sure.sort((p, q) => Math.hypot(p.x, p.y) - Math.hypot(q.x, q.y));
  const [a] = sure;
  const b = a && sure.find((p) => Math.abs(a.x * p.y - a.y * p.x) > 0.3 * Math.hypot(a.x, a.y) * Math.hypot(p.x, p.y));
  if (!a || !b) return undefined;
  const [p, q] = reduced(a, b).map((way) => refined(at, way, far)) as [Point, Point];
  return { a: { x: p.x / w, y: p.y / w }, b: { x: q.x / w, y: q.y / w } };
}

function flat(light: Float32Array, w: number, h: number): Float32Array {
  const broad = light.slice();
  blur(broad, w, h, broadSigma, broadSigma);
  const out = light.map((v, i) => v - broad[i]!);
  const mean = out.reduce((sum, v) => sum + v, 0) / out.length;
  return out.map((v) => v - mean);
}

type Correlation = (x: number, y: number) => number;

/** How alike the picture is to itself so many whole pixels away, 1 for the same; undefined for an even one. */
function autocorrelation(values: Float32Array, w: number, h: number): { readonly at: Correlation } | undefined {
  const n = 2 ** Math.ceil(Math.log2(2 * Math.max(w, h)));
  const re = new Float64Array(n * n);
  const im = new Float64Array(n * n);
  for (let y = 0; y < h; y += 1) for (let x = 0; x < w; x += 1) re[y * n + x] = values[y * w + x]!;
  transform2d(re, im, n);
  for (let i = 0; i < re.length; i += 1) {
    re[i] = re[i]! * re[i]! + im[i]! * im[i]!;
    im[i] = 0;
  }
  // Of an even, real spectrum the transform and its inverse are the same but for a factor.
  transform2d(re, im, n);
  const whole = re[0]! / (w * h);
  if (!(whole > 1e-9 * n * n)) return undefined;
  const at = (x: number, y: number): number => {
    const overlap = (w - Math.abs(x)) * (h - Math.abs(y));
    const [col, row] = [(x + n) % n, (y + n) % n];
    return re[row * n + col]! / overlap / whole;
  };
  return { at };
}

/** In place, rows and then columns (Cooley and Tukey, 1965, radix 2). */
function transform2d(re: Float64Array, im: Float64Array, n: number): void {
  const [lineRe, lineIm] = [new Float64Array(n), new Float64Array(n)];
  for (let row = 0; row < n; row += 1)
    transform(re.subarray(row * n, (row + 1) * n), im.subarray(row * n, (row + 1) * n));
  for (let col = 0; col < n; col += 1) {
    for (let row = 0; row < n; row += 1) {
      lineRe[row] = re[row * n + col]!;
      lineIm[row] = im[row * n + col]!;
    }
    transform(lineRe, lineIm);
    for (let row = 0; row < n; row += 1) {
      re[row * n + col] = lineRe[row]!;
      im[row * n + col] = lineIm[row]!;
    }
  }
}

function transform(re: Float64Array, im: Float64Array): void {
  const n = re.length;
  for (let i = 1, j = 0; i < n; i += 1) {
    let bit = n >> 1;
    for (; j & bit; bit >>= 1) j ^= bit;
    j ^= bit;
    if (i < j) {
      const r = re[i]!;
      const m = im[i]!;
      re[i] = re[j]!;
      im[i] = im[j]!;
      re[j] = r;
      im[j] = m;
    }
  }
  for (let size = 2; size <= n; size *= 2) {
    const half = size / 2;
    const angle = (-2 * Math.PI) / size;
    for (let k = 0; k < half; k += 1) {
      const c = Math.cos(angle * k);
      const s = Math.sin(angle * k);
      for (let i = k; i < n; i += size) {
        const j = i + half;
        const r = re[j]! * c - im[j]! * s;
        const m = re[j]! * s + im[j]! * c;
        re[j] = re[i]! - r;
        im[j] = im[i]! - m;
        re[i] = re[i]! + r;
        im[i] = im[i]! + m;
      }
    }
  }
}

/** Between whole pixels, by the four around. */
function between(at: Correlation, x: number, y: number): number {
  const [x0, y0] = [Math.floor(x), Math.floor(y)];
  const [u, v] = [x - x0, y - y0];
  const above = at(x0, y0) * (1 - u) + at(x0 + 1, y0) * u;
  const below = at(x0, y0 + 1) * (1 - u) + at(x0 + 1, y0 + 1) * u;
  return above * (1 - v) + below * v;
}

const directions = 180;

/** The angle of stripes: along them a pattern is the same everywhere. */
function stripeAlong(at: Correlation, far: number): number | undefined {
  let best: { readonly angle: number; readonly least: number } | undefined;
  for (let i = 0; i < directions; i += 1) {
    const angle = (Math.PI * i) / directions;
    let least = 1;
    for (let t = 2; t < far * 0.7 && least > leastStripe; t += 2)
      least = Math.min(least, between(at, t * Math.cos(angle), t * Math.sin(angle)));
    if (least > leastStripe && least > (best?.least ?? 0)) best = { angle, least };
  }
  return best && finer(at, best.angle, far);
}

/** The further along stripes one goes, the better an angle is told. */
function finer(at: Correlation, around: number, far: number): number {
  let [best, most] = [around, -Infinity];
  for (let i = -30; i <= 30; i += 1) {
    const angle = around + (i * Math.PI) / 180 / 20;
    let sum = 0;
    for (let t = far * 0.4; t < far * 0.95; t += 2) sum += between(at, t * Math.cos(angle), t * Math.sin(angle));
    if (sum > most) [best, most] = [angle, sum];
  }
  return best;
}

/** The first place across stripes where they are as they were. */
function firstAcross(at: Correlation, angle: number, far: Point): Point | undefined {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const most =
    Math.min(Math.abs(c) > 1e-6 ? far.x / Math.abs(c) : 1e9, Math.abs(s) > 1e-6 ? far.y / Math.abs(s) : 1e9) - 1;
  const step = 0.25;
  const r = (t: number) => between(at, t * c, t * s);
  let top = 0;
  for (let t = leastPx; t < most; t += step) top = Math.max(top, r(t) > r(t - 1) && r(t) >= r(t + 1) ? r(t) : 0);
  for (let t = leastPx; t < most; t += step) {
    const here = r(t);
    if (here < leastPeak || here < nearBest * top || here < r(t - 1) || here < r(t + 1)) continue;
    const [before, after] = [r(t - 1), r(t + 1)];
    const by = (before - after) / (2 * (before - 2 * here + after) || -1);
    return { x: (t + by) * c, y: (t + by) * s };
  }
  return undefined;
}

interface Peak extends Point {
  readonly r: number;
}

/** Places of the half plane where the picture is more like itself than around them. */
function peaksOf(at: Correlation, far: Point): Peak[] {
  const found: Peak[] = [];
  for (let y = 0; y <= far.y; y += 1)
    for (let x = y === 0 ? 1 : -far.x; x <= far.x; x += 1) {
      if (x * x + y * y < leastPx * leastPx) continue;
      const r = at(x, y);
      if (r < leastPeak) continue;
      let isPeak = true;
      for (let dy = -1; dy <= 1 && isPeak; dy += 1)
        for (let dx = -1; dx <= 1; dx += 1) if ((dx || dy) && at(x + dx, y + dy) > r) isPeak = false;
      if (!isPeak) continue;
      const along = (before: number, after: number) => (before - after) / (2 * (before - 2 * r + after) || -1);
      found.push({
        x: x + along(at(x - 1, y), at(x + 1, y)),
        y: y + along(at(x, y - 1), at(x, y + 1)),
        r,
      });
    }
  return found;
}

/** Several repeats on, the same error in pixels is a part of what it was. */
function refined(at: Correlation, way: Point, far: Point): Point {
  let best = way;
  for (let k = 2; Math.abs(k * best.x) < far.x - 2 && Math.abs(k * best.y) < far.y - 2; k += 1) {
    const peak = peakNear(at, { x: k * best.x, y: k * best.y });
    if (!peak) break;
    best = { x: peak.x / k, y: peak.y / k };
  }
  return best;
}

/** The top of what lies within two pixels of a place. */
function peakNear(at: Correlation, { x, y }: Point): Point | undefined {
  let [px, py, r] = [0, 0, leastPeak];
  for (let row = Math.round(y) - 2; row <= Math.round(y) + 2; row += 1)
    for (let col = Math.round(x) - 2; col <= Math.round(x) + 2; col += 1)
      if (at(col, row) > r) [px, py, r] = [col, row, at(col, row)];
  if (r === leastPeak) return undefined;
  const along = (before: number, after: number) => (before - after) / (2 * (before - 2 * r + after) || -1);
  return { x: px + along(at(px - 1, py), at(px + 1, py)), y: py + along(at(px, py - 1), at(px, py + 1)) };
}

/** The shortest two ways of the same lattice (Lagrange). */
function reduced(a: Point, b: Point): readonly [Point, Point] {
  let [p, q] = [a, b];
  for (let i = 0; i < 20; i += 1) {
    if (Math.hypot(q.x, q.y) < Math.hypot(p.x, p.y)) [p, q] = [q, p];
    const k = Math.round((p.x * q.x + p.y * q.y) / (p.x * p.x + p.y * p.y));
    if (k === 0) break;
    q = { x: q.x - k * p.x, y: q.y - k * p.y };
  }
  return [p, q];
}
