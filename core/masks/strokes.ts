import type { z } from "zod";
import { applyTo, type Matrix, type Point } from "#core/geometry";
import type { Grid } from "./grid.ts";
import type { strokeSchema } from "./schema/index.ts";

export type Stroke = z.infer<typeof strokeSchema>;

/** So many units of a stroke are the long side of its photo. */
export const strokeUnits = 8192;

/**
 * How much of a photo strokes leave to be seen at each pixel, 0 to 1; `toMm` takes their units to the grid's mm, the same across and down. Within a
 * stroke the nearest point of its middle line counts, so that it is no darker where it crosses itself; one stroke after the other takes from what
 * is left, or gives back of what is gone. A pixel depends on its own place alone, so bands meet without a seam.
 */
export function strokesLeave(strokes: readonly Stroke[], toMm: Matrix, grid: Grid): Float32Array {
  const place = placeOf(toMm, grid);
  const from = remembered(strokes, place);
  const left = from ? from.left.slice() : new Float32Array(grid.w * grid.h).fill(1);
  if (from?.strokes.length === strokes.length) return left;
  for (const stroke of strokes.slice(from?.strokes.length ?? 0)) brush(stroke, toMm, grid, left);
  remember({ strokes, place, left: left.slice() }, from);
  return left;
}

/** The same at one point in a stroke's own units. */
export function strokesLeaveAt(strokes: readonly Stroke[], at: Point): number {
  const one = { x: at.x - 0.5, y: at.y - 0.5, w: 1, h: 1, sx: 1, sy: 1 };
  const left = new Float32Array(1).fill(1);
  for (const stroke of strokes) brush(stroke, identical, one, left);
  return left[0]!;
}
const identical: Matrix = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

function brush({ does, strength, hardness, points }: Stroke, toMm: Matrix, grid: Grid, left: Float32Array): void {
  const scale = Math.hypot(toMm.a, toMm.b);
  const line = points.map(([x, y, r]) => ({ ...applyTo(toMm, { x, y }), r: r * scale }));
  const box = boxOfLine(line, grid);
  const [w, h] = [box.x1 - box.x0, box.y1 - box.y0];
  if (w <= 0 || h <= 0) return;
  const near = nearest(line, grid, box);
  const [from, over] = [hardness, 1 - hardness];
  const hides = does === "hide";
  for (let row = 0; row < h; row += 1)
    for (let col = 0; col < w; col += 1) {
      const q = near[row * w + col]!;
      if (q >= 1) continue;
      const t = (Math.sqrt(q) - from) / over;
      const a = t <= 0 ? strength : strength * (1 - t * t * (3 - 2 * t));
      const at = (row + box.y0) * grid.w + col + box.x0;
      const was = left[at]!;
      left[at] = hides ? was * (1 - a) : was + (1 - was) * a;
    }
}

interface LinePoint extends Point {
  readonly r: number;
}
interface PixelBox {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
}

/** The pixels that a line with its radii can reach. */
function boxOfLine(line: readonly LinePoint[], { x, y, w, h, sx, sy }: Grid): PixelBox {
  let [left, top, right, foot] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const p of line) {
    left = Math.min(left, p.x - p.r);
    top = Math.min(top, p.y - p.r);
    right = Math.max(right, p.x + p.r);
    foot = Math.max(foot, p.y + p.r);
  }
  return {
    x0: Math.max(0, Math.floor((left - x) * sx)),
    y0: Math.max(0, Math.floor((top - y) * sy)),
    x1: Math.min(w, Math.ceil((right - x) * sx)),
    y1: Math.min(h, Math.ceil((foot - y) * sy)),
  };
}

/** The squared distance to the nearest point of the line over the squared radius there; 1 for all that is further. */
function nearest(line: readonly LinePoint[], grid: Grid, box: PixelBox): Float32Array {
  const { x0, y0, x1, y1 } = box;
  const w = x1 - x0;
  const near = new Float32Array(w * (y1 - y0)).fill(1);
  const dx = 1 / grid.sx;
  const dy = 1 / grid.sy;
  for (let i = 0; i < line.length; i += 1) {
    const a = line[i]!;
    const b = line[i + 1] ?? a;
    if (a === b && line.length > 1) break;
    const ux = b.x - a.x;
    const uy = b.y - a.y;
    const inv = 1 / (ux * ux + uy * uy || 1e-12);
    const grows = b.r - a.r;
    const seen = boxOfLine([a, b], grid);
    const left = Math.max(x0, seen.x0);
    const right = Math.min(x1, seen.x1);
    for (let row = Math.max(y0, seen.y0); row < Math.min(y1, seen.y1); row += 1) {
      const py = (row + 0.5) * dy + grid.y - a.y;
      for (let col = left; col < right; col += 1) {
        const px = (col + 0.5) * dx + grid.x - a.x;
        const along = (px * ux + py * uy) * inv;
        let t = along;
        if (along < 0) t = 0;
        else if (along > 1) t = 1;
        const ex = px - t * ux;
        const ey = py - t * uy;
        const r = a.r + t * grows;
        const q = (ex * ex + ey * ey) / (r * r);
        const at = (row - y0) * w + col - x0;
        if (q < near[at]!) near[at] = q;
      }
    }
  }
  return near;
}

const names = new WeakMap<Stroke, string>();

/** The same for strokes that look the same: 64 bits of two hashes (FNV-1a, and the same from another start). */
export function strokeName(stroke: Stroke): string {
  const known = names.get(stroke);
  if (known !== undefined) return known;
  const text = JSON.stringify(stroke);
  let [a, b] = [0x811c9dc5, 0x9dc5811c];
  for (let i = 0; i < text.length; i += 1) {
    a = Math.imul(a ^ text.charCodeAt(i), 0x01000193);
    b = Math.imul(b ^ text.charCodeAt(i), 0x01000193) ^ (b >>> 13);
  }
  const name = `${(a >>> 0).toString(36)}-${(b >>> 0).toString(36)}`;
  names.set(stroke, name);
  return name;
}

interface Known {
  readonly strokes: readonly Stroke[];
  readonly place: string;
  readonly left: Float32Array;
}
/** What was worked out last, the latest first: while somebody brushes, all strokes but the last are those from before. */
let known: readonly Known[] = [];
const mostKnown = 8;
const mostKnownPixels = 1_000_000;

const placeOf = (m: Matrix, g: Grid): string => JSON.stringify([m.a, m.b, m.c, m.d, m.e, m.f, g]);

/** Of all that is known the one with the most strokes that these begin with. */
function remembered(strokes: readonly Stroke[], place: string): Known | undefined {
  const begins = (k: Known) =>
    k.place === place && k.strokes.length <= strokes.length && k.strokes.every((s, i) => s === strokes[i]);
  return known
    .filter(begins)
    .reduce<Known | undefined>((best, k) => (k.strokes.length > (best?.strokes.length ?? 0) ? k : best), undefined);
}

function remember(now: Known, from: Known | undefined): void {
  if (now.left.length > mostKnownPixels) return;
  const before = from ? [from] : [];
  known = [now, ...before, ...known.filter((k) => k !== from)].slice(0, mostKnown);
}
