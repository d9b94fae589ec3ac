import { type Lab, linearOfByte, oklabOf } from "#core/colour";
import type { PlacedTile } from "#core/document";
import type { PhotoShape } from "#core/fit";
import { applyTo, clamp, flattened, inverse, type Point, type Rect, ringArea } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { type Stroke, strokeUnits } from "#core/masks";
import { ownLine, strokeToOwn } from "#core/scene";
import { inRange, type StrokePoint } from "./fades.ts";

/** How much is to be seen at each place of a photo, row by row: 0 where it is even, 1 at its busiest. */
export interface CalmMap {
  readonly w: number;
  readonly h: number;
  readonly detail: Float32Array;
}

/** Out of a small picture (RGBA): how far neighbours lie apart in OKLab, smoothed over a little, as a share of what is busy in this photo. */
export function calmOf(rgba: Uint8ClampedArray, w: number, h: number): CalmMap {
  const labs = Array.from({ length: w * h }, (_, i): Lab => {
    const at = (k: number) => linearOfByte[rgba[4 * i + k]!]!;
    return oklabOf(at(0), at(1), at(2));
  });
  const apart = (a: Lab, b: Lab) => Math.hypot(a[0] - b[0], 2 * (a[1] - b[1]), 2 * (a[2] - b[2]));
  const raw = new Float32Array(w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      const here = labs[y * w + x]!;
      const right = labs[y * w + Math.min(w - 1, x + 1)]!;
      const below = labs[Math.min(h - 1, y + 1) * w + x]!;
      raw[y * w + x] = apart(here, right) + apart(here, below);
    }
  const detail = new Float32Array(w * h);
  for (let y = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1) {
      let sum = 0;
      for (let dy = -1; dy <= 1; dy += 1)
        for (let dx = -1; dx <= 1; dx += 1) sum += raw[clamp(y + dy, 0, h - 1) * w + clamp(x + dx, 0, w - 1)]!;
      detail[y * w + x] = sum / 9;
    }
  const busy = Float32Array.from(detail).sort()[Math.floor(0.9 * detail.length)] || 1;
  for (let i = 0; i < detail.length; i += 1) detail[i] = Math.min(1, detail[i]! / busy);
  return { w, h, detail };
}

const around = 96;
/** By the shorter side of what is seen: how far it fades at least, and at most. */
const [least, most] = [0.06, 0.36];
/** So much of what there is to see may be faded, added up on the way in from the edge. */
const mostDetail = 3.2;
const steps = 24;
/** A head is larger than the box that is found around its face, and not to be faded at all. */
const headGrows = 0.45;
/** From one point of the edge to the next the fade gets no deeper than this, so that its line is a calm one. */
const mostSlope = 0.55;

/**
 * Strokes around the edge of what a tile shows of its photo, as wide at each place as the photo is calm there and no wider than leaves every head
 * whole: one for each side between corners, so that two of them take from each other's rest in a corner and no crease is seen there. None where there
 * is no photo.
 */
export function fadeAround(tile: PlacedTile, photo: PhotoShape, calm: CalmMap, format: PageFormat): readonly Stroke[] {
  if (tile.filling.kind !== "photo") return [];
  const back = inverse(strokeToOwn(tile, tile.filling.view, photo, format));
  const ring = flattened(ownLine(tile, format, "seen"))[0];
  if (!ring) return [];
  const line = dense(
    ring.map((p) => applyTo(back, p)),
    around,
  );
  const n = line.length;
  const scale = Math.hypot(back.a, back.b);
  const short = Math.min(tile.frame.width, tile.frame.height) * scale;
  const size = unitsOf(photo.aspect);
  const heads = (photo.focus?.faces ?? []).map((f) => head(f, size));
  const inwards = ringArea(line) > 0 ? 1 : -1;
  const depths = line.map((p, i) => {
    const [before, after] = [line[(i + n - 1) % n]!, line[(i + 1) % n]!];
    const [tx, ty] = [after.x - before.x, after.y - before.y];
    const length = Math.hypot(tx, ty) || 1;
    const normal = { x: (-inwards * ty) / length, y: (inwards * tx) / length };
    const free = heads.reduce((far, r) => Math.min(far, fromRect(p, r)), Number.POSITIVE_INFINITY);
    return Math.min(free, Math.max(least * short, calmDepth(p, normal, most * short, calm, size)));
  });
  const even = levelled(depths, line);
  const points = line.map(
    ({ x, y }, i): StrokePoint => [inRange(x), inRange(y), clamp(Math.round(even[i]!), 1, 20_000)],
  );
  return sidesOf(line).map((side) => ({
    ...{ does: "hide", strength: 1, hardness: 0, found: true },
    points: side.map((i) => points[i]!),
  }));
}

/** A line turns by more than this at a corner. */
const cornerDeg = 30;

/** A closed line by the places of its points: from corner to corner, each corner in both, or all round where there are none. */
function sidesOf(line: readonly Point[]): readonly (readonly number[])[] {
  const n = line.length;
  const way = (i: number) => {
    const [a, b] = [line[i % n]!, line[(i + 1) % n]!];
    return Math.atan2(b.y - a.y, b.x - a.x);
  };
  const turns = (i: number) => {
    const by = ((way(i) - way(i + n - 1)) * 180) / Math.PI;
    return Math.abs(by - 360 * Math.round(by / 360)) > cornerDeg;
  };
  const corners = line.flatMap((_, i) => (turns(i) ? [i] : []));
  const [first] = corners;
  if (first === undefined) return [[...line.keys(), 0]];
  return corners.map((from, k) => {
    const to = corners[k + 1] ?? first + n;
    return Array.from({ length: to - from + 1 }, (_, i) => (from + i) % n);
  });
}

const unitsOf = (aspect: number) => ({
  w: strokeUnits * Math.min(1, aspect),
  h: strokeUnits * Math.min(1, 1 / aspect),
});

function head({ x, y, w, h }: Rect, size: { readonly w: number; readonly h: number }): Rect {
  const by = headGrows / 2;
  return {
    x: (x - by * w) * size.w,
    y: (y - 2 * by * h) * size.h,
    w: (1 + 2 * by) * w * size.w,
    h: (1 + 3 * by) * h * size.h,
  };
}

const fromRect = (p: Point, r: Rect): number =>
  Math.hypot(Math.max(r.x - p.x, 0, p.x - r.x - r.w), Math.max(r.y - p.y, 0, p.y - r.y - r.h));

/** How far in there is little to see. */
function calmDepth(
  from: Point,
  normal: Point,
  furthest: number,
  { w, h, detail }: CalmMap,
  size: { readonly w: number; readonly h: number },
): number {
  let seen = 0;
  for (let i = 0; i < steps; i += 1) {
    const d = (furthest * (i + 0.5)) / steps;
    const col = clamp(Math.floor(((from.x + d * normal.x) / size.w) * w), 0, w - 1);
    const row = clamp(Math.floor(((from.y + d * normal.y) / size.h) * h), 0, h - 1);
    seen += detail[row * w + col]!;
    if (seen > mostDetail) return d;
  }
  return furthest;
}

/** No deeper than neighbours and the way to them allow, and then smoothed without going deeper. */
function levelled(depths: readonly number[], line: readonly Point[]): readonly number[] {
  const n = depths.length;
  const held = [...depths];
  for (let turn = 0; turn < 2; turn += 1) {
    for (let i = 0; i < n; i += 1) hold(held, line, i, (i + n - 1) % n);
    for (let i = n - 1; i >= 0; i -= 1) hold(held, line, i, (i + 1) % n);
  }
  return held.map((d, i) => {
    let sum = 0;
    for (let k = -2; k <= 2; k += 1) sum += held[(i + k + n) % n]!;
    return Math.min(d, sum / 5);
  });
}

function hold(depths: number[], line: readonly Point[], at: number, from: number): void {
  const far = Math.hypot(line[at]!.x - line[from]!.x, line[at]!.y - line[from]!.y);
  depths[at] = Math.min(depths[at]!, depths[from]! + mostSlope * far);
}

/** A closed line with points no further apart than a part of all its length; its own are among them, so that no corner is cut. */
function dense(ring: readonly Point[], parts: number): readonly Point[] {
  const next = (i: number) => ring[(i + 1) % ring.length]!;
  const far = (i: number) => Math.hypot(next(i).x - ring[i]!.x, next(i).y - ring[i]!.y);
  const step = ring.reduce((sum, _, i) => sum + far(i), 0) / parts;
  return ring.flatMap((p, i) => {
    const n = Math.max(1, Math.round(far(i) / step));
    const [dx, dy] = [(next(i).x - p.x) / n, (next(i).y - p.y) / n];
    return Array.from({ length: n }, (_, k) => ({ x: p.x + k * dx, y: p.y + k * dy }));
  });
}
